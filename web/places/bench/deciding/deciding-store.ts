import { computed, inject, Injectable, signal } from '@angular/core';
import type { Chart } from '@neat-measure/contract';
import {
  acceptable,
  isClosing,
  readingIdsBehind,
  TAKEN_BACK,
  type DecisionOutcome,
  type Doing,
  type JudgedGarment,
} from '@neat-measure/core';
import { DocketStore } from '../docket-store';
import { changedJustNow } from '../just-now';

/** What is done with a garment. */
export interface DecisionChoice {
  readonly outcome: DecisionOutcome;
  readonly sizes?: Readonly<Record<string, string>>;
  readonly reason?: string;
}

type Garment = JudgedGarment<Chart>;

/** Deciding garments of the docket, one by one or all that leave no question. */
@Injectable()
export class DecidingStore {
  private readonly store = inject(DocketStore);
  /** The charts of what was accepted together last, while that can be taken back. */
  private readonly together = signal<readonly string[]>([]);

  /** What is settled and not decided: nothing of it has to be looked at one by one. */
  readonly settled = computed(() =>
    this.store
      .garments()
      .filter(
        ({ verdict, decision }) =>
          verdict.verdict === 'settled' && acceptable(verdict) !== null && !isClosing(decision),
      ),
  );
  /** What was accepted together and still stands so. */
  readonly undoable = computed(() =>
    this.store
      .garments()
      .filter(
        ({ chart, decision }) => this.together().includes(chart.id) && decision?.outcome === 'accepted',
      ),
  );

  private readonly otherChanged = changedJustNow(() =>
    this.store
      .garments()
      .map(({ chart, verdict }) => `${chart.id} ${verdict.proposed ?? verdict.verdict}`)
      .join(),
  );

  /** Decides a garment on the readings that stand; whether it was let in. */
  decide(
    { chart, decision }: Garment,
    { outcome, sizes = {}, reason }: DecisionChoice,
    undoes?: string,
  ): boolean {
    const other = outcome === 'accepted' ? this.otherChanged() : null;
    if (other !== null) {
      this.store.trouble.set(`${other} changed what is proposed just now. Check the size, then accept it.`);
      return false;
    }
    const doing: Doing = {
      kind: 'garment-decided',
      chartId: chart.id,
      outcome,
      sizes: { ...sizes },
      reason: reason ?? null,
      readingIds: readingIdsBehind(this.store.docket()!, chart.sheet),
      after: decision?.id ?? null,
      habits: this.store.library().habits.version,
      found: null,
    };
    return this.store.does(doing, undoes);
  }

  /** Accepts everything that is settled. */
  acceptSettled(): void {
    const some = this.settled();
    const done = some.filter((garment) =>
      this.decide(garment, { outcome: 'accepted', sizes: garment.verdict.sizes }),
    );
    if (done.length > 0) this.together.set(done.map(({ chart }) => chart.id));
  }

  /** Takes back what was accepted together: it is open again. */
  undo(): void {
    for (const garment of [...this.undoable()].reverse())
      this.decide(garment, { outcome: 'later', reason: TAKEN_BACK }, garment.decision!.id);
    this.together.set([]);
  }
}
