import { PROTOCOL_CODES, protocolBodySchema } from '@neat-measure/core';
import * as z from 'zod';
import { idSchema, versionSchema } from '../shared';

/** A shipped protocol goes by its code, one's own by its id. */
export const protocolIdSchema = z.union([z.enum(PROTOCOL_CODES), idSchema]);

/** Adding or editing a protocol of one's own; `version` is that of the one edited, 0 for a new one. */
export const protocolSaveSchema = protocolBodySchema.extend({ version: versionSchema });
export type ProtocolSave = z.infer<typeof protocolSaveSchema>;

/** A protocol as it is listed: a shipped one, which is copied to be changed, or one's own. */
export const protocolSchema = protocolSaveSchema.extend({ id: protocolIdSchema, shipped: z.boolean() });
export type Protocol = z.infer<typeof protocolSchema>;

export const protocolsSchema = z.array(protocolSchema);
