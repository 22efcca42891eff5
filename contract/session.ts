import * as z from 'zod';
import { idSchema } from './shared';

/** Who is signed in. */
export const fitterSchema = z.object({ id: idSchema, name: z.string() });
export type Fitter = z.infer<typeof fitterSchema>;

/** Signed in: who it is, and the pen their acts are signed with on this device. */
export const signedInSchema = fitterSchema.extend({ pen: z.string() });
export type SignedIn = z.infer<typeof signedInSchema>;

/** Who is asking: `null` for somebody not signed in, which is an answer and no error. */
export const sessionSchema = signedInSchema.nullable();

/** Signing in. */
export const signInSchema = z.object({
  signIn: z.string().trim().min(1, { error: 'Write your sign-in name.' }).max(80),
  passphrase: z.string().min(1, { error: 'Write your passphrase.' }).max(200),
});
export type SignIn = z.infer<typeof signInSchema>;
