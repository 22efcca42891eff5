import { computed, inject, Injectable, signal } from '@angular/core';
import type { MeasurementCode } from '@neat-measure/core';
import { DocketStore } from '../docket-store';
import { firstOpen, readingsToGo } from './steps';
import { stepBefore, stopBeside, stopsOf, type Stop } from './stops';

/** Where the work stands on a docket: preparing, at a measurement, or deciding. */
@Injectable()
export class CursorStore {
  private readonly docket = inject(DocketStore);
  private readonly at = signal('prepare');
  /** Where the docket was taken up. */
  private begun = '';

  readonly stops = computed(() => stopsOf(this.docket.plan()));
  readonly stop = computed<Stop>(
    () => this.stops().find(({ key }) => key === this.at()) ?? { key: 'decide', kind: 'decide' },
  );
  /** The step being taken, or `null` at any other stop. */
  readonly current = computed(() => this.docket.steps().find(({ code }) => code === this.at()) ?? null);
  readonly currentNumber = computed(
    () => this.docket.steps().findIndex(({ code }) => code === this.at()) + 1,
  );
  /** The suspicions the step at hand takes part in. */
  readonly suspicions = computed(() => {
    const code = this.current()?.code;
    return code === undefined
      ? []
      : this.docket.suspicions().filter(({ measurements }) => measurements.includes(code));
  });
  /** What an earlier docket says of the step at hand, while nothing has been read here. */
  readonly recorded = computed(() => {
    const step = this.current();
    if (step === null || step.readings.length > 0) return null;
    return this.docket.record().find(({ code }) => code === step.code) ?? null;
  });
  /** How many readings the steps still want, two each. */
  readonly toGo = computed(() => readingsToGo(this.docket.steps()));

  /**
   * Where a docket is taken up: at the beginning while nothing was done, else at what is open first.
   *
   * @param again whether more is known of it by now; whoever has gone somewhere since stays there
   */
  begin(again = false): void {
    if (again && this.at() !== this.begun) return;
    const { readings = [], passed = [] } = this.docket.docket() ?? {};
    const fresh = readings.length === 0 && passed.length === 0;
    this.begun = fresh ? 'prepare' : (firstOpen(this.docket.steps()) ?? 'decide');
    this.at.set(this.begun);
  }

  goTo(code: MeasurementCode): void {
    this.at.set(code);
  }

  /** The next stop; after the last step the garments are decided. */
  next(): void {
    this.at.set(stopBeside(this.stops(), this.stop(), 1));
  }

  /** The stop before; from deciding, the last step. */
  back(): void {
    this.at.set(stopBeside(this.stops(), this.stop(), -1));
  }

  /** On to the garments, from wherever the tape is. */
  toDeciding(): void {
    this.at.set('decide');
  }

  /** Back to the measurement before, past changes of stance; whether there is one. */
  toStepBefore(): boolean {
    const code = stepBefore(this.stops(), this.stop());
    if (code !== null) this.at.set(code);
    return code !== null;
  }

  /** Two readings that agree and ask nothing need no further look. */
  goOnIfSettled(): void {
    const asks = this.suspicions().some(({ weight }) => weight === 'ask');
    if (this.current()?.agreement.state === 'agreed' && !asks) this.next();
  }
}
