import type { MeasurementCode } from '../body/catalogue/codes';
import { cm, type Length } from '../quantity/length';
import { bodyDimensions507 } from './body-dimensions-507';

/** The columns of the 507 bodies that a tape measures, by the code they are measured under. */
export const COLUMNS_507 = {
  height: 'Height',
  'overarm-girth': 'ShoulderG',
  'chest-girth': 'ChestG',
  'waist-girth': 'WaistG',
  'navel-girth': 'AbdG',
  'hip-girth': 'HipG',
  'thigh-girth': 'ThighG',
  'upper-arm-girth': 'BicepG',
  'knee-girth': 'KneeG',
  'calf-girth': 'CalfG',
  'ankle-girth': 'AnkleG',
  'wrist-girth': 'WristG',
} as const;

/**
 * The 507 bodies as measured values. They are loaded with whoever asks for them, never with the application.
 *
 * @example bodies507().length // 507
 */
export function bodies507(): ReadonlyMap<MeasurementCode, Length>[] {
  const columns = Object.entries(COLUMNS_507) as [MeasurementCode, string][];
  return bodyDimensions507().map(
    (body) => new Map(columns.map(([code, column]) => [code, cm(body[column]!)])),
  );
}
