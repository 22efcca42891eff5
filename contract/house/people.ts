import * as z from 'zod';
import { ROLES } from '../access';
import { fitterSchema } from './session';
import { instantSchema, lineSchema, versionSchema } from '../shared';

/** Adding or editing somebody who may sign in; `version` is that of the record edited, 0 for a new one. */
export const personSaveSchema = z.object({
  name: lineSchema(120),
  signIn: z.string().trim().min(1, { error: 'Enter a sign-in name.' }).max(80),
  role: z.enum(ROLES),
  /** Whoever is not active cannot sign in; what they did stays theirs. */
  active: z.boolean(),
  version: versionSchema,
});
export type PersonSave = z.infer<typeof personSaveSchema>;

/** Somebody who may sign in, or could. */
export const personSchema = fitterSchema.extend({
  signIn: z.string(),
  role: z.enum(ROLES),
  active: z.boolean(),
  version: versionSchema,
  hasSecondFactor: z.boolean(),
  /** Whether they have set a passphrase. */
  hasPassphrase: z.boolean(),
  seenAt: instantSchema.nullable(),
  sessions: z.int(),
});
export type Person = z.infer<typeof personSchema>;
export const peopleSchema = z.array(personSchema);

/** A one-time code, shown once. */
export const oneTimeCodeSchema = z.object({ code: z.string(), until: instantSchema });
export type OneTimeCode = z.infer<typeof oneTimeCodeSchema>;

/** A tape that may send without a session. */
export const tapeSchema = z.object({
  device: z.string(),
  pairedAt: instantSchema,
  pairedBy: z.string(),
  seenAt: instantSchema.nullable(),
});
export type Tape = z.infer<typeof tapeSchema>;
export const tapesSchema = z.array(tapeSchema);

/** The secret of a tape, shown once when it is paired. */
export const tapeSecretSchema = z.object({ device: z.string(), secret: z.string() });
export type TapeSecret = z.infer<typeof tapeSecretSchema>;
