import type { ProtocolBody } from '../body/protocol';
import type { ChartSheet } from '../chart/chart-shape';
import type { Habits } from './habits';

/** A version of a chart as a docket knows it. */
export interface ShelvedChart {
  readonly id: string;
  readonly sheet: ChartSheet;
}

/** A protocol as a docket knows it. */
export interface ShelvedProtocol
  extends Pick<ProtocolBody, 'name' | 'steps' | 'waist' | 'girths' | 'wishes' | 'prepare'> {
  readonly id: string;
}

/** What a docket can name: the versions of charts, which never change, and the protocols; and how its house sizes. */
export interface Shelf<Chart extends ShelvedChart = ShelvedChart> {
  readonly charts: readonly Chart[];
  readonly protocols: readonly ShelvedProtocol[];
  readonly habits: Habits;
}
