import { protocolBodySchema, PROTOCOLS } from '@neat-measure/core';
import * as z from 'zod';
import { idSchema, versionSchema } from './shared';

/** A shipped protocol goes by its code, one's own by its id. */
export const protocolIdSchema = z.union([z.enum(Object.keys(PROTOCOLS) as [string, ...string[]]), idSchema]);

/** Adding or editing a protocol of one's own; `version` is that of the one edited, 0 for a new one. */
export const protocolSaveSchema = protocolBodySchema.extend({ version: versionSchema });
export type ProtocolSave = z.infer<typeof protocolSaveSchema>;

/** A protocol as it is listed: a shipped one, which is copied to be changed, or one's own. */
export const protocolSchema = protocolSaveSchema.extend({ id: protocolIdSchema, shipped: z.boolean() });
export type Protocol = z.infer<typeof protocolSchema>;

export const protocolsSchema = z.array(protocolSchema);

/** The protocols that ship with the application, as the API lists them. */
export const SHIPPED_PROTOCOLS: readonly Protocol[] = Object.entries(PROTOCOLS).map(([id, body]) => ({
  ...body,
  id,
  shipped: true,
  version: 0,
}));
