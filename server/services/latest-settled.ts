import { agreementOf, type Reading } from '@neat-measure/contract';
import type { Length, MeasurementCode } from '@neat-measure/core';

/**
 * What a wearer's standing readings come to: of each measurement the docket that took it last,
 * if its readings agree.
 *
 * @param readings of one wearer, in the order taken
 */
export function latestSettled(
  readings: readonly Reading[],
): { readonly code: MeasurementCode; readonly value: Length; readonly last: Reading }[] {
  return [...new Set(readings.map(({ code }) => code))].flatMap((code) => {
    const taken = readings.filter((reading) => reading.code === code);
    const last = taken.at(-1)!;
    const together = taken.filter(({ docketId }) => docketId === last.docketId);
    const agreement = agreementOf(code, together);
    return agreement.state === 'agreed' ? [{ code, value: agreement.value, last }] : [];
  });
}
