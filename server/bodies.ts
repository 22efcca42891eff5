import { ROUTES, musterImportPath, musterMatchPath, type Access } from '@neat-measure/contract';
import { STORES } from '@neat-measure/contract/stores';
import { MOST_CHART_BYTES } from '@neat-measure/core/sheets';
import express, { type RequestHandler } from 'express';
import type { IncomingMessage } from 'node:http';
import { ProblemError } from './http/problem-error';
import { refuseHalves, refuseHalvesRead, type Entered } from './http/request';

/** The largest body of all: a chart file as JSON, with room for its escapes; a list of wearers; what waited on a device. */
const LARGE = 2 * MOST_CHART_BYTES;
/** Whatever else somebody sends who is signed in. */
const MIDDLE = 400_000;
/** What a wearer measured of themselves. */
const OWN = 100_000;
/** What somebody sends of whom nothing is known: a name and a passphrase. */
const SMALL = 16_000;

/** Routes that take a whole file, list or day at once. */
const WHOLE = [
  ROUTES.acts,
  `${ROUTES.charts}/:id`,
  `${ROUTES.protocols}/:id`,
  musterImportPath(':id'),
  musterMatchPath(':id'),
  `${STORES.receipts}/:id`,
  `${STORES.counts}/:id`,
].map((path) => new RegExp(`^${path.replace(/:id/g, '[^/]+')}/?$`));

/** Nothing that anybody here writes is nested deeper; whatever walks it must not run out of stack. */
const DEEPEST = 32;

/**
 * Reads the body of a request, once the guard has let it in: as large as its route takes, no deeper than anything here
 * is, and in whole letters.
 *
 * @throws ProblemError `too-large`, `unreadable-request` or `unsupported`
 */
export function readBodies(): RequestHandler[] {
  const readers = new Map(
    [LARGE, MIDDLE, OWN, SMALL].map((limit) => [limit, express.json({ limit, verify })]),
  );
  return [
    (request, response, next) => {
      const { access } = response.locals as Entered;
      readers.get(mostOf(access, request.baseUrl + request.path))!(request, response, next);
    },
    refuseHalvesRead,
  ];
}

/** How many bytes are read at most. */
function mostOf(access: Access | undefined, path: string): number {
  if (access === 'anyone' || access === undefined) return SMALL;
  if (access === 'link') return OWN;
  return WHOLE.some((pattern) => pattern.test(path)) ? LARGE : MIDDLE;
}

function verify(request: IncomingMessage, response: unknown, body: Buffer, encoding: string): void {
  // Of other letters nobody here writes any, and their bytes say nothing of how deep it goes.
  if (encoding !== 'utf-8')
    throw new ProblemError('unsupported', 'The format of the request is not supported. Send JSON in UTF-8.');
  if (isDeeper(body, DEEPEST))
    throw new ProblemError(
      'unreadable-request',
      `The request is nested more than ${DEEPEST} levels deep. Nothing was saved; check that it is the right file.`,
    );
  refuseHalves(request, response, body);
}

const [QUOTE, ESCAPE] = [0x22, 0x5c];
const [OPENS, CLOSES] = [new Set([0x5b, 0x7b]), new Set([0x5d, 0x7d])];

/**
 * Whether JSON is nested deeper than so many levels: looked at byte by byte, before anything is made of it, and no further
 * than to where it is.
 */
export function isDeeper(json: Uint8Array, most: number): boolean {
  let depth = 0;
  let isText = false;
  for (let at = 0; at < json.length; at++) {
    const byte = json[at]!;
    if (isText) {
      if (byte === ESCAPE) at += 1;
      else if (byte === QUOTE) isText = false;
    } else if (byte === QUOTE) isText = true;
    else if (OPENS.has(byte)) {
      depth += 1;
      if (depth > most) return true;
    } else if (CLOSES.has(byte)) depth -= 1;
  }
  return false;
}
