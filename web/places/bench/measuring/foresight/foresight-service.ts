import { DestroyRef, inject, Injectable } from '@angular/core';
import type {
  ChartSheet,
  FitPreference,
  Foresight,
  HouseRule,
  Length,
  MeasurementCode,
} from '@neat-measure/core';
import { filter, map, Observable, Subject } from 'rxjs';

/** What is asked of the worker: the garments still open, what is known, the steps still open. */
export interface ForesightQuestion {
  readonly question: number;
  readonly garments: readonly {
    readonly id: string;
    readonly sheet: ChartSheet;
    readonly preference: FitPreference;
    readonly rule: HouseRule | undefined;
  }[];
  readonly known: readonly (readonly [MeasurementCode, Length])[];
  readonly open: readonly MeasurementCode[];
}

/** What it answers. */
export interface ForesightAnswer {
  readonly question: number;
  readonly foresight: Foresight;
}

/** Looks ahead in a worker of its own, so that the Bench never waits for it. */
@Injectable()
export class ForesightService {
  private readonly worker = new Worker(new URL('./foresight.worker', import.meta.url), { type: 'module' });
  private readonly answers = new Subject<ForesightAnswer>();
  private asked = 0;

  constructor() {
    this.worker.onmessage = ({ data }: MessageEvent<ForesightAnswer>) => this.answers.next(data);
    inject(DestroyRef).onDestroy(() => this.worker.terminate());
  }

  /** The answer to a question, unless another is asked before it comes. */
  ask(question: Omit<ForesightQuestion, 'question'>): Observable<Foresight> {
    return new Observable((observer) => {
      this.asked += 1;
      const number = this.asked;
      const answered = this.answers
        .pipe(
          filter((answer) => answer.question === number),
          map(({ foresight }) => foresight),
        )
        .subscribe(observer);
      this.worker.postMessage({ ...question, question: number } satisfies ForesightQuestion);
      return answered;
    });
  }
}
