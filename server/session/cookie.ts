import type { CookieOptions, Request, Response } from 'express';

/**
 * The cookie of a session. Through https its name makes browsers hold to what it promises: this host
 * alone, all of it, and never in the clear.
 */
export class SessionCookie {
  private readonly name: string;
  private readonly options: CookieOptions;

  /** @param secure whether browsers come through https */
  constructor(secure: boolean) {
    this.name = secure ? '__Host-neat-measure' : 'neat-measure';
    this.options = { httpOnly: true, sameSite: 'strict', secure, path: '/' };
  }

  /** The token a request brings, if it brings one. */
  read(request: Request): string | undefined {
    const token = (request.cookies as Record<string, unknown> | undefined)?.[this.name];
    return typeof token === 'string' ? token : undefined;
  }

  /** @param hours how long the browser keeps it */
  write(response: Response, token: string, hours: number): void {
    response.cookie(this.name, token, { ...this.options, maxAge: hours * 3_600_000 });
  }

  clear(response: Response): void {
    response.clearCookie(this.name, this.options);
  }
}
