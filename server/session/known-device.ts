import type { CookieOptions, Request, Response } from 'express';
import { v7 as uuidv7 } from 'uuid';
import * as z from 'zod';

/** For how long a browser that is not used stays known. */
const KNOWN_DAYS = 180;
/** The accounts a shared bench is known for: the latest ones. */
const MOST_ACCOUNTS = 30;

const knownSchema = z.object({
  id: z.string().max(40),
  accounts: z.array(z.string().max(40)).max(MOST_ACCOUNTS),
});

/**
 * The cookie by which a browser shows that some accounts have signed in with it before. It opens nothing; it keeps
 * whoever guesses elsewhere from making the owner of an account wait. It is signed with a key of the house.
 */
export class KnownDevice {
  private readonly name: string;
  private readonly options: CookieOptions;

  /** @param secure whether browsers come through https */
  constructor(secure: boolean) {
    this.name = secure ? '__Host-neat-measure-device' : 'neat-measure-device';
    this.options = {
      httpOnly: true,
      sameSite: 'strict',
      secure,
      path: '/',
      signed: true,
      maxAge: KNOWN_DAYS * 86_400_000,
    };
  }

  /** Which device asks; `null` for one that has shown nothing, or something that was not made here. */
  idOf(request: Request): string | null {
    return this.read(request)?.id ?? null;
  }

  /** The device that asks, if this account has signed in with it before. */
  ofAccount(request: Request, accountId: string): string | null {
    const known = this.read(request);
    return known?.accounts.includes(accountId) === true ? known.id : null;
  }

  /** Keeps in the browser that an account has signed in with it; which device it is. */
  remember(request: Request, response: Response, accountId: string): string {
    const { id, accounts } = this.read(request) ?? { id: uuidv7(), accounts: [] };
    const all = [accountId, ...accounts.filter((one) => one !== accountId)].slice(0, MOST_ACCOUNTS);
    response.cookie(this.name, JSON.stringify({ id, accounts: all }), this.options);
    return id;
  }

  /** Makes another device of it, known for the same accounts: what was told of the one before holds for it no more. */
  renew(request: Request, response: Response): void {
    const { accounts } = this.read(request) ?? { accounts: [] };
    response.cookie(this.name, JSON.stringify({ id: uuidv7(), accounts }), this.options);
  }

  private read(request: Request): z.infer<typeof knownSchema> | null {
    const kept = (request.signedCookies as Record<string, unknown> | undefined)?.[this.name];
    if (typeof kept !== 'string') return null;
    try {
      return knownSchema.parse(JSON.parse(kept));
    } catch {
      return null;
    }
  }
}
