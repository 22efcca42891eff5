import { link, mkdir, unlink, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import nodemailer from 'nodemailer';

/** A message with one sheet, as it would be sent. */
export interface LetterToPost {
  readonly to: string | { readonly name: string; readonly address: string };
  readonly subject: string;
  readonly text: string;
  /** The sheet, with the name of its file; nothing where the letter says it all. */
  readonly name?: string;
  readonly pdf?: Uint8Array;
}

/**
 * The simulated post: a message is written into a folder as a file that any mail program opens.
 * Nothing leaves the machine.
 *
 * @param folder where it is put
 * @param id of the letter: a letter that is in the outbox already is not written again
 * @returns the name of the file, and whether it was written now
 */
export async function post(
  folder: string,
  id: string,
  { to, subject, text, name, pdf }: LetterToPost,
): Promise<{ readonly name: string; readonly written: boolean }> {
  const writer = nodemailer.createTransport({ streamTransport: true, buffer: true, newline: 'windows' });
  const { message } = await writer.sendMail({
    from: 'Neat Measure <stores@brackwater.invalid>',
    to,
    subject,
    text,
    attachments:
      pdf === undefined
        ? []
        : [{ filename: name, content: Buffer.from(pdf), contentType: 'application/pdf' }],
    disableFileAccess: true,
    disableUrlAccess: true,
  });
  // What is about somebody is for its owner's eyes alone.
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const file = `${id}.eml`;
  // Written beside, then given its name, which fails where it has been given: nobody finds half a message.
  const beside = join(folder, `.${id}-${process.pid}`);
  await writeFile(beside, message as Buffer, { mode: 0o600 });
  try {
    await link(beside, join(folder, file));
    return { name: file, written: true };
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    return { name: file, written: false };
  } finally {
    await unlink(beside);
  }
}
