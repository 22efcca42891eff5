import type { MeasurementCode } from '../../body/catalogue/codes';
import type { Length } from '../../quantity/length';
import { checkBody, type CheckCode, type KnownValues, type Suspicion } from './checks';

/** A fitter's word that a suspicion is unfounded: it holds for these values and no others. */
export interface Confirmation {
  readonly check: CheckCode;
  readonly values: readonly { readonly code: MeasurementCode; readonly value: Length }[];
}

/**
 * The suspicions nobody has confirmed; a changed value opens its suspicion again.
 *
 * @example openSuspicions(new Map([['chest-girth', cm(98)]]), []) // []
 */
export function openSuspicions(values: KnownValues, confirmations: readonly Confirmation[]): Suspicion[] {
  return checkBody(values).filter(
    (suspicion) => !confirmations.some((confirmation) => confirms(confirmation, suspicion, values)),
  );
}

/**
 * The measurements that are not to be relied on until they are read again or confirmed.
 *
 * @example [...suspectCodes(checkBody(new Map([['bust-girth', cm(80)], ['underbust-girth', cm(90)]])))] // ['underbust-girth', 'bust-girth']
 */
export function suspectCodes(suspicions: readonly Suspicion[]): Set<MeasurementCode> {
  return new Set(
    suspicions.filter(({ weight }) => weight === 'ask').flatMap(({ measurements }) => measurements),
  );
}

function confirms(
  { check, values: confirmed }: Confirmation,
  suspicion: Suspicion,
  values: KnownValues,
): boolean {
  return (
    check === suspicion.check &&
    confirmed.length === suspicion.measurements.length &&
    suspicion.measurements.every((code) =>
      confirmed.some((one) => one.code === code && one.value === values.get(code)),
    )
  );
}
