import type { MeasurementCode } from '../catalogue/codes';
import type { Point, View } from './figure';

/** Where the tape runs on the figure. */
export interface TapePath {
  readonly view: View;
  /** From where the tape starts to where it is read. */
  readonly points: readonly Point[];
}

/** The tape's path of each measurement that has been drawn. */
export const TAPE_PATHS: Partial<Readonly<Record<MeasurementCode, TapePath>>> = {
  'neck-girth': {
    view: 'front',
    points: [
      [115, 68],
      [120, 73],
      [130, 73],
      [135, 68],
    ],
  },
  'chest-girth': {
    view: 'front',
    points: [
      [74, 138],
      [95, 147],
      [155, 147],
      [176, 138],
    ],
  },
  'waist-girth': {
    view: 'front',
    points: [
      [80, 194],
      [98, 202],
      [152, 202],
      [170, 194],
    ],
  },
  'hip-girth': {
    view: 'front',
    points: [
      [71, 252],
      [92, 261],
      [158, 261],
      [179, 252],
    ],
  },
};
