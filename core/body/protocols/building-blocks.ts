import type { MeasurementCode } from '../catalogue/codes';
import type { Tension } from '../measurement';
import { GENERAL_PREPARATION } from '../preparation';
import type { ProtocolBody } from '../protocol';

/** The same, short for lists. */
export const ALWAYS = GENERAL_PREPARATION;

export const DUTY = [
  'The duty trousers, shirt and belt, the belt where it normally rides',
  'The undergarment that will be worn beneath',
  ...ALWAYS.slice(1),
];
export const SHOES = 'The shoes that will be worn';

export const PROTECTIVE =
  'A size proposed here does not certify protection. Follow the maker’s sizing instructions and the issuing authority’s policy, and have a trained person check the fit standing and seated, front panel over back panel.';
export const FOOTWEAR =
  'For hazardous work: follow the maker’s instructions, and try on with the socks to be worn.';
export const SUIT =
  'Flotation and dry suits: follow the maker’s instructions, and have a trained person check seals and reach.';

export const taken = (...codes: MeasurementCode[]) => codes.map((code) => ({ code }));
export const at = (tension: Tension, ...codes: MeasurementCode[]) => codes.map((code) => ({ code, tension }));
export const onDemand = (...codes: MeasurementCode[]) => codes.map((code) => ({ code, onDemand: true }));

export const FEET = taken('foot-length-left', 'foot-width-left', 'foot-length-right', 'foot-width-right');

/** What a school has of its own besides its steps. */
type Customs = Partial<Pick<ProtocolBody, 'cautions' | 'waist' | 'girths' | 'wishes'>>;

/** A protocol of the shipped ones: the general first, then what its school has of its own. */
export function protocol(
  name: string,
  school: string,
  prepare: readonly string[],
  steps: ProtocolBody['steps'],
  customs: Customs = {},
): ProtocolBody {
  return { name, school, prepare: [...prepare], cautions: [], ...customs, steps };
}
