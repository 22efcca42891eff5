import type { MeasurementCode } from '../body/catalogue/codes';
import type { MeasureUnit } from '../quantity/mass';
import type { LengthProblem } from '../quantity/parse-length';

/** Where in a table something was found: line and column as a spreadsheet counts them, from 1. */
export interface Place {
  readonly line: number;
  readonly column: number;
  /** The heading of the column, when it has one. */
  readonly heading?: string;
  /** The label of the size, when the row has one. */
  readonly size?: string;
}

/** What is wrong with a file before it can be looked at as a table. */
export type FileFinding =
  | { readonly code: 'file-too-large'; readonly bytes: number; readonly most: number }
  | { readonly code: 'file-empty' }
  | { readonly code: 'file-binary' }
  | { readonly code: 'file-not-utf8' }
  | { readonly code: 'file-quotes'; readonly line: number };

/** What is wrong with the table of a chart. */
export type TableFinding =
  | { readonly code: 'no-size-column'; readonly place: Place; readonly found: string }
  | { readonly code: 'no-measurement-column' }
  | { readonly code: 'no-sizes' }
  | { readonly code: 'too-many-sizes'; readonly count: number; readonly most: number }
  | {
      readonly code: 'unknown-measurement';
      readonly place: Place;
      readonly name: string;
      readonly nearest: readonly MeasurementCode[];
    }
  | {
      readonly code: 'unit-missing';
      readonly place: Place;
      readonly name: string;
      readonly units: readonly MeasureUnit[];
    }
  | {
      readonly code: 'unit-unknown';
      readonly place: Place;
      readonly name: string;
      readonly unit: string;
      readonly units: readonly MeasureUnit[];
    }
  | { readonly code: 'mass-is-no-size'; readonly place: Place; readonly name: string }
  | {
      readonly code: 'heading-words-unknown';
      readonly place: Place;
      readonly name: string;
      readonly words: string;
    }
  | { readonly code: 'measurement-twice'; readonly place: Place; readonly name: string }
  | { readonly code: 'size-missing'; readonly place: Place }
  | { readonly code: 'size-too-long'; readonly place: Place; readonly most: number }
  | { readonly code: 'size-twice'; readonly place: Place; readonly firstLine: number }
  | { readonly code: 'cell-missing'; readonly place: Place }
  | { readonly code: 'cell-extra'; readonly place: Place; readonly text: string }
  | {
      readonly code: 'cell-unreadable';
      readonly place: Place;
      readonly text: string;
      readonly problem: LengthProblem;
    }
  | {
      readonly code: 'interval-upside-down';
      readonly place: Place;
      readonly text: string;
      /** Turned round; nothing where its ends are too far apart to be those of a size. */
      readonly mend: string | null;
    }
  | { readonly code: 'interval-empty'; readonly place: Place; readonly text: string }
  | { readonly code: 'nominal-among-intervals'; readonly place: Place; readonly text: string }
  /** Classes of lengths that differ in nothing, and ones by which everything differs. */
  | { readonly code: 'classes-alike'; readonly classes: readonly string[] }
  | { readonly code: 'nothing-by-size'; readonly classes: readonly string[] }
  | { readonly code: 'labels-unplaced'; readonly place: Place; readonly most: number }
  | { readonly code: 'axis-unsaid'; readonly axis: 'down' | 'across' }
  | { readonly code: 'nominal-alone'; readonly place: Place; readonly text: string }
  | { readonly code: 'not-growing'; readonly place: Place; readonly before: string; readonly text: string };

/** Something found wrong in a chart file. */
export type Finding = FileFinding | TableFinding;
