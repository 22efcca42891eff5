import type { ProtocolBody } from '../body/protocol';
import type { ChartSheet } from '../chart/chart-shape';
import type { Habits } from './habits';

/** A version of a chart as a docket knows it. */
export interface LibraryChart {
  readonly id: string;
  readonly sheet: ChartSheet;
}

/** A protocol as a docket knows it. */
export interface LibraryProtocol
  extends Pick<ProtocolBody, 'name' | 'steps' | 'waist' | 'girths' | 'wishes' | 'prepare'> {
  readonly id: string;
}

/** What a docket can name: the versions of charts, which never change, and the protocols; and how its house sizes. */
export interface Library<Chart extends LibraryChart = LibraryChart> {
  readonly charts: readonly Chart[];
  readonly protocols: readonly LibraryProtocol[];
  readonly habits: Habits;
}
