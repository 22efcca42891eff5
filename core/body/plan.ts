import { measurement } from './catalogue';
import { MEASUREMENT_CODES, type MeasurementCode } from './catalogue/codes';
import { STANCES, type Stance } from './measurement';

/**
 * Orders measurements as they are taken: each once, all of a stance together, and within a
 * stance from the catalogue's top to its bottom. Every stance is entered once, so no order
 * has fewer changes.
 */
export function planSteps(codes: readonly MeasurementCode[]): MeasurementCode[] {
  const stance = (code: MeasurementCode) => STANCES.indexOf(measurement(code).stance);
  const place = (code: MeasurementCode) => MEASUREMENT_CODES.indexOf(code);
  return [...new Set(codes)].sort((a, b) => stance(a) - stance(b) || place(a) - place(b));
}

/** Each stance as the fitter says it. */
export const STANCE_WORDS: Readonly<Record<Stance, string>> = {
  standing: 'Standing, facing you',
  turned: 'Turned away',
  seated: 'Seated',
  'on-paper': 'On paper',
  shoe: 'The shoe',
};
