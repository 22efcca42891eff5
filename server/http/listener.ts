import { createServer, type RequestListener, type Server, type ServerOptions } from 'node:http';

/** How long somebody may take over the head of a request, and over all of it, in ms. */
const LIMITS: ServerOptions = {
  headersTimeout: 10_000,
  requestTimeout: 30_000,
  connectionsCheckingInterval: 5_000,
};

/** A server that waits for nobody without end: a half-sent request is answered 408 and dropped. */
export function createListener(app: RequestListener, limits: ServerOptions = {}): Server {
  return createServer({ ...LIMITS, ...limits }, app);
}
