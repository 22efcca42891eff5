import type { Docket } from '../docket';
import type { Refusal } from '../refusal';

/**
 * What a wearer agrees to, as it is put to them, with the version of its words: who agreed to earlier
 * words agreed to those.
 */
export const CONSENT = {
  version: 1,
  words:
    'The wearer agrees to be measured, and that the house keeps the readings and decisions until the wearer asks to erase them.',
} as const;

/**
 * Why nothing may be read of a wearer at a moment: they have taken back that they agree. What was read before that, and
 * comes later from a device that was away, stands. Where nobody was asked, nothing stands in the way.
 *
 * @param at when it is read
 * @example refuseConsent({ given: false, at: '2026-03-01T09:00:00.000Z' }, '2026-03-01T10:00:00.000Z').code // 'consent-withdrawn'
 * @example refuseConsent(null, '2026-03-01T10:00:00.000Z') // null
 */
export function refuseConsent(
  consent: Pick<NonNullable<Docket['consent']>, 'given' | 'at'> | null,
  at: string,
): Refusal | null {
  return consent === null || consent.given || at < consent.at
    ? null
    : { code: 'consent-withdrawn', at: consent.at };
}
