import { createServer } from 'node:net';

/** Below what systems give to outgoing connections (Linux from 32768 on), above what is taken by name. */
const LOWEST = 15_000;
const HIGHEST = 31_999;
const TRIES = 40;

/**
 * A port on loopback that nothing listens at. It is none that outgoing connections are given: whoever
 * has to come back on it could not while such a connection holds it, a client's own that kept asking for
 * it among them.
 */
export async function freePort() {
  for (let tries = 0; tries < TRIES; tries++) {
    const port = LOWEST + Math.floor(Math.random() * (HIGHEST - LOWEST + 1));
    if (await isFree(port)) return port;
  }
  throw new Error(`No port from ${LOWEST} to ${HIGHEST} is free on this machine.`);
}

function isFree(port) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
}
