import { habitsSchema } from '@neat-measure/core';
import * as z from 'zod';
import { ROLES } from '../access';
import { idSchema, instantSchema, lineSchema, unitSchema } from '../shared';

/** Somebody whose name stands beside what they did. */
export const fitterSchema = z.object({ id: idSchema, name: z.string() });
export type Fitter = z.infer<typeof fitterSchema>;

/** How somebody likes to work; what they have not chosen is the house's. */
export const preferencesSchema = z.object({
  unit: unitSchema.nullable(),
  speech: z.boolean().nullable(),
  /** In hundredths of the usual size. */
  textSize: z.int().min(80).max(160).nullable(),
});
export type Preferences = z.infer<typeof preferencesSchema>;
export const NO_PREFERENCES: Preferences = { unit: null, speech: null, textSize: null };

const roleSchema = z.enum(ROLES);

/** Signed in: who it is, and the pen their acts are signed with on this device. */
export const signedInSchema = fitterSchema.extend({
  role: roleSchema,
  /** Empty while something must be done before anything else: nothing is signed until then. */
  pen: z.string(),
  preferences: preferencesSchema,
  /** How the house sizes. */
  habits: habitsSchema,
  /** Whose session it is, where somebody else has taken the bench over. */
  house: fitterSchema.nullable(),
  /** What must be done before anything else. */
  owes: z.array(z.enum(['passphrase', 'second-factor'])),
  hasSecondFactor: z.boolean(),
  /** How many recovery codes are left. */
  recoveryCodes: z.int(),
  hasBenchCode: z.boolean(),
});
export type SignedIn = z.infer<typeof signedInSchema>;

/** Who is asking: nobody is an answer and no error; `firstRun` while nobody can sign in at all. */
export const sessionSchema = z.object({
  who: signedInSchema.nullable(),
  firstRun: z.boolean(),
  /** What whoever is signed in needs to read what this device keeps sealed; `null` for nobody. */
  device: z
    .object({
      /** 256 bits in base64url, the same for this browser whoever signs in. */
      key: z.string(),
      /** So many days it may be away from the server until what it took along is erased there. */
      awayDays: z.int(),
    })
    .nullable()
    .default(null),
  /** Whether a lead fitter has ended this device: it erases what it has before anything else. */
  deviceEnded: z.boolean().optional(),
});
export type Session = z.infer<typeof sessionSchema>;

const signInNameSchema = z.string().trim().min(1, { error: 'Enter your sign-in name.' }).max(80);
/** The code of an authenticator: six digits, spaces as people write them. */
const timeCodeSchema = z
  .string()
  .transform((code) => code.replace(/\s/g, ''))
  .pipe(z.string().regex(/^\d{6}$/, { error: 'The code has six digits.' }));

/** A recovery code: three groups of letters and digits, as it was told. */
const RECOVERY_CODE = /^[a-z0-9]{4}-[a-z0-9]{4}-[a-z0-9]{4}$/;

/**
 * Whether a code is one for whoever has lost their authenticator, and not one of an authenticator.
 *
 * @example isRecoveryCode('k4mt-9fwe-b2xz') // true
 */
export function isRecoveryCode(code: string): boolean {
  return RECOVERY_CODE.test(code);
}

/** What comes with a passphrase where a second factor is on. */
const factorCodeSchema = z
  .string()
  .transform((code) => code.replace(/\s/g, '').toLowerCase())
  .pipe(
    z.string().refine((code) => /^\d{6}$/.test(code) || isRecoveryCode(code), {
      error: 'The code has six digits; a recovery code has three groups of four.',
    }),
  );

/** Signing in. */
export const signInSchema = z.object({
  signIn: signInNameSchema,
  passphrase: z.string().min(1, { error: 'Enter your passphrase.' }).max(200),
  /** The code of the second factor, where the account has one, or a recovery code. */
  code: factorCodeSchema.optional(),
});
export type SignIn = z.infer<typeof signInSchema>;

/** The fewest letters of a new passphrase. */
export const SHORTEST_PASSPHRASE = 12;

/** A passphrase to be set. How easily it is guessed is looked at by the server. */
export const newPassphraseSchema = z
  .string()
  .min(SHORTEST_PASSPHRASE, {
    error: `A passphrase has at least ${SHORTEST_PASSPHRASE} letters. A few words will do.`,
  })
  .max(200, { error: 'At most 200 letters.' });

/** The first account of a house. */
export const firstRunSchema = z.object({
  name: lineSchema(120),
  signIn: signInNameSchema,
  passphrase: newPassphraseSchema,
});
export type FirstRun = z.infer<typeof firstRunSchema>;

/** A new passphrase for whoever has been given a one-time code. */
export const takeCodeSchema = z.object({
  signIn: signInNameSchema,
  code: z.string().trim().min(1, { error: 'Enter the code you were given.' }).max(40),
  passphrase: newPassphraseSchema,
});
export type TakeCode = z.infer<typeof takeCodeSchema>;

export const passphraseChangeSchema = z.object({
  passphrase: z.string().min(1, { error: 'Enter your passphrase.' }).max(200),
  next: newPassphraseSchema,
});
export type PassphraseChange = z.infer<typeof passphraseChangeSchema>;

/** The short code by which somebody takes a shared bench over. */
const benchCodeSchema = z.string().regex(/^\d{4,8}$/, { error: 'A bench code has four to eight digits.' });
export const benchCodeSaveSchema = z.object({
  passphrase: z.string().min(1, { error: 'Enter your passphrase.' }).max(200),
  /** `null` takes it out. */
  code: benchCodeSchema.nullable(),
});
export type BenchCodeSave = z.infer<typeof benchCodeSaveSchema>;

export const handSchema = z.object({ id: idSchema, code: benchCodeSchema });
export type Hand = z.infer<typeof handSchema>;
export const handsSchema = z.array(fitterSchema);

/** A second factor that waits for its first code. */
export const factorOfferSchema = z.object({
  secret: z.string(),
  /** What an authenticator reads, as an address and as a picture. */
  address: z.string(),
  picture: z.string(),
});
export type FactorOffer = z.infer<typeof factorOfferSchema>;
export const factorConfirmSchema = z.object({ code: timeCodeSchema });
/** Recovery codes, told once. */
export const recoveryCodesSchema = z.object({ codes: z.array(z.string()) });
export type RecoveryCodes = z.infer<typeof recoveryCodesSchema>;

/** Whoever sets up a second factor, takes it out, or wants new recovery codes says their passphrase again. */
export const ownPassphraseSchema = z.object({
  passphrase: z.string().min(1, { error: 'Enter your passphrase.' }).max(200),
});

/** A session somebody has. */
export const sessionEntrySchema = z.object({
  id: idSchema,
  begunAt: instantSchema,
  seenAt: instantSchema,
  /** The browser and machine, as far as they say. */
  agent: z.string(),
  address: z.string(),
  /** Whether it is the one that asks. */
  here: z.boolean(),
  /** `false` where one has signed out, or was signed out, and what was done there before may still be sent. */
  signedIn: z.boolean(),
});
export type SessionEntry = z.infer<typeof sessionEntrySchema>;
export const sessionEntriesSchema = z.array(sessionEntrySchema);
