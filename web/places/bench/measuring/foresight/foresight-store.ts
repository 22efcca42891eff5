import { computed, inject, Injectable } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { IDLE_REASON, isClosing, rulingOf, type MeasurementCode } from '@neat-measure/core';
import { debounceTime, of, switchMap } from 'rxjs';
import { DocketStore } from '../../docket-store';
import { CursorStore } from '../cursor-store';
import { EntryStore } from '../reading/entry-store';
import { ForesightService } from './foresight-service';

/** Below this many bits a step decides too little to be pointed out before the others. */
const WORTH_SAYING = 0.05;

/** What the steps that are still open can do for the sizes: which decides most, and which nothing can come of. */
@Injectable()
export class ForesightStore {
  private readonly bench = inject(DocketStore);
  private readonly cursor = inject(CursorStore);
  private readonly entry = inject(EntryStore);
  private readonly service = inject(ForesightService);

  private readonly question = computed(() => {
    const open = this.bench
      .steps()
      .filter(({ agreement, skipped }) => agreement.value === null && skipped === null);
    const garments = this.bench.garments().filter(({ decision }) => !isClosing(decision));
    return {
      garments: garments.map(({ chart }) => {
        const { rule, preference } = rulingOf(this.bench.docket()!, chart, this.bench.library().habits);
        return { id: chart.id, sheet: chart.sheet, rule, preference };
      }),
      known: [...this.bench.values()],
      open: open.map(({ code }) => code),
    };
  });
  private readonly foresight = toSignal(
    toObservable(this.question).pipe(
      debounceTime(60),
      switchMap((question) =>
        question.garments.length === 0 || question.open.length === 0 ? of(null) : this.service.ask(question),
      ),
    ),
    { initialValue: null },
  );

  /** Steps still open that no plausible value of can change any size. */
  readonly idle = computed<readonly MeasurementCode[]>(() => {
    const { open } = this.question();
    return (this.foresight()?.idle ?? []).filter((code) => open.includes(code));
  });
  /** The step that is expected to decide most, where one stands out. */
  readonly next = computed<MeasurementCode | null>(() => {
    const { open } = this.question();
    const best = this.foresight()?.steps.find(({ code }) => open.includes(code));
    return best === undefined || best.bits < WORTH_SAYING ? null : best.code;
  });

  /** Passes every idle step over, saying why. */
  skipIdle(): void {
    for (const code of this.idle()) this.entry.pass(code, IDLE_REASON, true);
  }

  /** Goes to the step that decides most. */
  takeNext(): void {
    const next = this.next();
    if (next !== null) this.cursor.goTo(next);
  }
}
