import type { RequestHandler } from 'express';
import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { ProblemError } from './problem-error';

/** How this machine reaches itself. */
export const LOOPBACK: readonly string[] = ['localhost', '127.0.0.1', '[::1]'];

/** Whether an address to listen on is reached from this machine alone. */
export function isLoopback(host: string): boolean {
  return host === 'localhost' || host === '::1' || /^127\./.test(host);
}

/**
 * The names and addresses the application is reached by, as they stand in an address: those of `HOSTS`; without it, this
 * machine's own, as far as it listens there.
 */
export function knownHosts({
  HOST,
  HOSTS,
}: {
  readonly HOST: string;
  readonly HOSTS: readonly string[];
}): string[] {
  if (HOSTS.length > 0) return [...new Set([...HOSTS.map(inAddress), ...LOOPBACK])];
  if (isLoopback(HOST)) return [...LOOPBACK];
  if (HOST !== '0.0.0.0' && HOST !== '::') return [inAddress(HOST), ...LOOPBACK];
  const own = Object.values(networkInterfaces()).flatMap((all) => (all ?? []).map(({ address }) => address));
  return [...new Set([...LOOPBACK, hostname().toLowerCase(), ...own.map(inAddress)])];
}

function inAddress(host: string): string {
  return isIP(host) === 6 ? `[${host}]` : host.toLowerCase();
}

/**
 * Lets in only what asks for this application by a name it is known by. Whoever makes a name of their own lead here
 * would otherwise have their page count as ours, and have the address stand on printed codes.
 */
export function refuseUnknownHosts(known: readonly string[]): RequestHandler {
  const all = new Set(known);
  return (request, _response, next) => {
    const host = (request.get('host') ?? '').replace(/:\d+$/, '').toLowerCase();
    if (!all.has(host))
      throw new ProblemError(
        'unknown-host',
        'Neat Measure is not known by this name or address here. Use the address you were given, or have an administrator add this one to HOSTS.',
      );
    next();
  };
}
