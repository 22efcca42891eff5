import { z } from 'zod';
import { idSchema } from './shared';

/** Who is signed in. */
export const fitterSchema = z.object({ id: idSchema, name: z.string() });
export type Fitter = z.infer<typeof fitterSchema>;

/** Who is asking: `null` for somebody not signed in, which is an answer and no error. */
export const sessionSchema = fitterSchema.nullable();

/** Signing in. */
export const signInSchema = z.object({
  signIn: z.string().trim().min(1, { error: 'Write your sign-in name.' }).max(80),
  passphrase: z.string().min(1, { error: 'Write your passphrase.' }).max(200),
});
export type SignIn = z.infer<typeof signInSchema>;
