import { computed, inject, Injectable, signal } from '@angular/core';
import { isSameWaist, stageOf, type MeasurementCode } from '@neat-measure/core';
import { DocketStore } from '../docket-store';
import { firstOpen, nextAlong, placingWith, readingsToGo } from './steps';
import type { Step } from '@neat-measure/core';
import { stepBefore, stopBeside, stopsOf, type Stop } from './stops';

/** Where the work stands on a docket: preparing, at a measurement, or deciding. */
@Injectable()
export class CursorStore {
  private readonly docket = inject(DocketStore);
  private readonly at = signal('prepare');
  /** Where the docket was taken up. */
  private begun = '';

  /** Whether somebody asked for the wishes where no protocol does. */
  private readonly wishing = signal(false);
  readonly stops = computed(() =>
    stopsOf(
      this.docket.plan(),
      this.wishing() || this.docket.wishesAsked().length > 0 || this.docket.wishes().length > 0,
      this.docket.garments().length > 0,
    ),
  );
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
    const known = this.docket.record().filter(({ code }) => code === step.code);
    // One from the same place stands before one from another, which is only told.
    const same = known.find(({ waist }) => isSameWaist(waist ?? null, step.waist));
    const recorded = same ?? known[0];
    return recorded === undefined ? null : { ...recorded, elsewhere: same === undefined };
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
    this.begun = fresh ? 'prepare' : (firstOpen(this.docket.steps()) ?? this.afterReading());
    this.at.set(this.begun);
  }

  /** With everything read, where a size is on already it is tried further; else it is decided. */
  private afterReading(): 'decide' | 'try' {
    const docket = this.docket.docket();
    const on = docket?.garments.some(({ chartId }) => stageOf(docket, chartId) === 'on') ?? false;
    return on ? 'try' : 'decide';
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

  /** The steps that are read in one placing with the step at hand. */
  readonly placing = computed(() => {
    const code = this.current()?.code;
    return code === undefined ? [] : placingWith(this.docket.steps(), code);
  });

  /** To what is wished of the garment. */
  toWishes(): void {
    this.wishing.set(true);
    this.at.set('wishes');
  }

  /** On to the garments, from wherever the tape is. */
  toDeciding(): void {
    this.at.set('decide');
  }

  /** To trying on what was decided. */
  toTrying(): void {
    this.at.set('try');
  }

  /** To handing over. */
  toHanding(): void {
    this.at.set('hand');
  }

  /** Back to the measurement before, past changes of stance; whether there is one. */
  toStepBefore(): boolean {
    const code = stepBefore(this.stops(), this.stop());
    if (code !== null) this.at.set(code);
    return code !== null;
  }

  /** Two readings that agree and ask nothing need no further look; along a chain the eye goes on to the next mark. */
  goOnIfSettled(): void {
    const placing = this.placing();
    if (placing.length > 1) return this.goOnAlong(placing);
    const asks = this.suspicions().some(({ weight }) => weight === 'ask');
    if (this.current()?.agreement.state === 'agreed' && !asks) this.next();
  }

  private goOnAlong(placing: readonly Step[]): void {
    const next = nextAlong(placing, this.current()!.code);
    if (next !== null) return this.at.set(next);
    // All marks have their values: what is asked of one of them is looked at before the tape goes.
    const asked = new Set(
      this.docket
        .suspicions()
        .filter(({ weight }) => weight === 'ask')
        .flatMap(({ measurements }) => measurements),
    );
    const doubtful = placing.find(({ code }) => asked.has(code));
    if (doubtful !== undefined) return this.at.set(doubtful.code);
    this.at.set(placing.at(-1)!.code);
    this.next();
  }
}
