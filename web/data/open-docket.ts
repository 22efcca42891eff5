import { Injectable, signal } from '@angular/core';
import type { Chart, Protocol } from '@neat-measure/contract';
import type { MeasurementCode } from '@neat-measure/core';

/** What can be added to the docket that is open on the Bench. */
export interface Adding {
  garment(chart: Chart): void;
  protocol(protocol: Protocol): void;
  measurement(code: MeasurementCode): void;
}

/** The docket that is open on the Bench, for whatever stands outside of it and can add to it. */
@Injectable({ providedIn: 'root' })
export class OpenDocket {
  /** `null` while none is open. */
  readonly adding = signal<Adding | null>(null);
  /** Whether the Bench asks for the list of what can be added. */
  readonly asked = signal(false);
}
