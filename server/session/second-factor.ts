import bwip from 'bwip-js/node';
import { generateSecret, generateURI, verify } from 'otplib';
import type { FactorOffer } from '@neat-measure/contract';

/** A code of the step before or after counts too: clocks differ, and people type slowly. In seconds. */
const TOLERANCE_S = 30;

/** A secret for an authenticator: 160 bits, as RFC 4226 recommends. */
export function offerFactor(signIn: string): FactorOffer {
  const secret = generateSecret();
  const address = generateURI({ issuer: 'Neat Measure', label: signIn, secret });
  const drawn = bwip.toSVG({ bcid: 'qrcode', text: address, scale: 4, padding: 4 });
  return { secret, address, picture: `data:image/svg+xml;base64,${Buffer.from(drawn).toString('base64')}` };
}

/**
 * The step of time a code belongs to (RFC 6238: 30 s, six digits, HMAC-SHA-1); `null` for a wrong one.
 * Whoever lets somebody in by it keeps the step, so that a code is good for once.
 *
 * @param at seconds since 1970, for what is not now
 */
export async function stepOfCode(
  secret: string,
  code: string,
  at = Math.floor(Date.now() / 1_000),
): Promise<number | null> {
  const found = await verify({ secret, token: code, epoch: at, epochTolerance: TOLERANCE_S });
  return found.valid && 'timeStep' in found ? found.timeStep : null;
}
