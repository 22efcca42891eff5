import { createServer, type RequestListener, type Server, type ServerOptions } from 'node:http';
import { createServer as createSecure } from 'node:https';

/** How long somebody may take over the head of a request, and over all of it, in ms. */
const LIMITS: ServerOptions = {
  headersTimeout: 10_000,
  requestTimeout: 30_000,
  connectionsCheckingInterval: 5_000,
};

/** A server that waits for nobody without end: a half-sent request is answered 408 and dropped. */
export function createListener(
  app: RequestListener,
  limits: ServerOptions = {},
  certificate: Certificate | null = null,
): Server {
  const options = { ...LIMITS, ...limits };
  return certificate === null
    ? createServer(options, app)
    : createSecure({ ...options, ...certificate }, app);
}

/** What https is spoken with, in PEM. */
export interface Certificate {
  readonly cert: string;
  readonly key: string;
}
