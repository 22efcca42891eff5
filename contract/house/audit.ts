import * as z from 'zod';
import { pageSchema } from '../lists';
import { fitterSchema } from './session';
import { idSchema, instantSchema } from '../shared';

/** Everything that is noted when it happens. */
export const AUDIT_KINDS = [
  'signed-in',
  'sign-in-refused',
  'signed-out',
  'passphrase-set',
  'code-given',
  'factor-on',
  'factor-off',
  'recovery-code-used',
  'bench-code-set',
  'bench-taken',
  'bench-given-back',
  'sessions-ended',
  'person-kept',
  'settings-kept',
  'tape-paired',
  'tape-unpaired',
  'wearer-kept',
  'wearers-imported',
  'muster-exported',
  'muster-taken-along',
  'slips-made',
  'wearer-looked-at',
  'exceptions-looked-at',
  'sizing-looked-at',
  'wearer-exported',
  'wearer-erased',
  'chart-kept',
  'chart-retired',
  'protocol-kept',
  'kit-kept',
  'kit-dropped',
  'link-made',
  'link-ended',
  'link-used',
  'letter-posted',
  'device-ended',
  'device-erased',
  'late-accepted',
  'late-discarded',
  'log-resealed',
  'stores-kept',
] as const;
export type AuditKind = (typeof AUDIT_KINDS)[number];

/** Something that happened. */
export const auditEntrySchema = z.object({
  /** Counts up in the order it was noted. */
  place: z.int(),
  /** By the clock of the database. */
  at: instantSchema,
  /** `null` where nobody had shown who they were. */
  by: fitterSchema.nullable(),
  kind: z.enum(AUDIT_KINDS),
  aboutKind: z
    .enum([
      'person',
      'wearer',
      'docket',
      'chart',
      'protocol',
      'kit',
      'tape',
      'link',
      'settings',
      'stores',
      'muster',
      'sizing',
    ])
    .nullable(),
  about: z.string().nullable(),
  wearerId: idSchema.nullable(),
  detail: z.unknown(),
  /** Whether what it told can be read no more: whom it was about has been erased. */
  erased: z.boolean(),
});
export type AuditEntry = z.infer<typeof auditEntrySchema>;
export const auditPageSchema = pageSchema(auditEntrySchema);

/** Which part of what happened is wanted. */
export const auditQuerySchema = z.object({
  kind: z.enum(AUDIT_KINDS).optional(),
  by: idSchema.optional(),
  wearer: idSchema.optional(),
  about: z
    .string()
    .regex(/^[!-~]{1,40}$/)
    .optional(),
  since: instantSchema.optional(),
  until: instantSchema.optional(),
  from: z.coerce.number().int().min(0).max(10_000_000).default(0),
});
export type AuditQuery = z.infer<typeof auditQuerySchema>;
