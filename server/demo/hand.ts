import type { Chart, Fitter } from '@neat-measure/contract';
import { apply, sayRefusal, type Act, type Docket, type Doing, type Library } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';

const MINUTE_MS = 60_000;

/** Does one act after the other on one docket, a quarter of a minute apart. */
export class Hand {
  readonly docketId = uuidv7();
  readonly acts: Act[] = [];
  readonly steps: { readonly act: Act; readonly before: Docket | null; readonly after: Docket }[] = [];
  docket: Docket | null = null;

  constructor(
    readonly library: Library<Chart>,
    private readonly fitter: Fitter,
    private clock: number,
  ) {}

  /** The moment of what was done last. */
  get now(): number {
    return this.clock;
  }

  does(doing: Doing): void {
    const at = new Date((this.clock += MINUTE_MS / 4)).toISOString();
    const by = { id: this.fitter.id, name: this.fitter.name };
    const act: Act = { id: uuidv7(), docketId: this.docketId, at, by, ...doing };
    const applied = apply(this.docket, act, this.library);
    if (!applied.ok)
      throw new Error(
        `demo season, ${doing.kind}: ${sayRefusal(applied.problem, this.library.habits.inchParts)}`,
      );
    this.steps.push({ act: applied.value.act, before: this.docket, after: applied.value.docket });
    this.docket = applied.value.docket;
    this.acts.push(applied.value.act);
  }
}
