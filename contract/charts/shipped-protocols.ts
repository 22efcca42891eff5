import { PROTOCOL_CODES, PROTOCOLS } from '@neat-measure/core';
import type { Protocol } from './protocol';

/** The protocols that ship with the application, as the API lists them. */
export const SHIPPED_PROTOCOLS: readonly Protocol[] = PROTOCOL_CODES.map((id) => ({
  ...PROTOCOLS[id],
  id,
  shipped: true,
  version: 0,
}));
