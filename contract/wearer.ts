import * as z from 'zod';
import { pageSchema } from './lists';
import { idSchema, instantSchema, lineSchema, versionSchema } from './shared';

/** Adding or editing a wearer; `version` is that of the record edited, 0 for a new one. */
export const wearerSaveSchema = z.object({
  name: lineSchema(120),
  /** What the fitter knows them by: "Patrol warden", "Visitor". */
  role: z.string().trim().max(80),
  version: versionSchema,
});
export type WearerSave = z.infer<typeof wearerSaveSchema>;

/** A person to be sized. */
export const wearerSchema = z.object({
  id: idSchema,
  name: z.string(),
  role: z.string(),
  version: versionSchema,
  updatedAt: instantSchema,
});
export type Wearer = z.infer<typeof wearerSchema>;

export const wearersSchema = pageSchema(wearerSchema);
