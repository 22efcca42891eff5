import { idSchema, type Access, type Fitter, type Role } from '@neat-measure/contract';
import { deviceLineSchema } from '@neat-measure/core';
import type { Request, RequestHandler, Response } from 'express';
import type { IncomingMessage } from 'node:http';
import type { z } from 'zod';
import { notFound, ProblemError } from './problem-error';

/**
 * Reads a request body through its schema.
 *
 * @throws ProblemError `invalid`, naming every field that is wrong
 */
export function readBody<Value>(schema: z.ZodType<Value, unknown>, request: Request): Value {
  return readThrough(schema, request.body);
}

/** Reads what stands behind the question mark of an address, as `readBody` does a body. */
export function readQuery<Value>(schema: z.ZodType<Value, unknown>, request: Request): Value {
  return readThrough(schema, request.query);
}

function readThrough<Value>(schema: z.ZodType<Value, unknown>, sent: unknown): Value {
  const read = schema.safeParse(sent);
  if (read.success) return read.data;
  const faults = read.error.issues.map((issue) => ({
    path: issue.path.join('.'),
    message: sentenceOf(issue),
  }));
  const detail = faults.map(({ path, message }) => (path === '' ? message : `${path}: ${message}`)).join(' ');
  throw new ProblemError('invalid', detail, { faults });
}

/** Our own messages are sentences; those of the schema library are brought to one, long lists of values left out. */
function sentenceOf({ code, message }: { readonly code: string; readonly message: string }): string {
  if (code === 'invalid_value' && message.length > 200)
    return 'This is not a known value. Choose one from the list.';
  return /[.?]$/.test(message) ? message : `${message}.`;
}

/** An escape of half a letter: UTF-16 writes some letters in pairs, and JSON may name the halves. */
const HALF = /\\u[dD][89a-fA-F]/;

/**
 * Lets only text through that can be kept as it is: half of a pair of UTF-16 is no letter, and would
 * come back as another. Only where halves are named is every text looked at.
 */
export function refuseHalves(request: IncomingMessage, _response: unknown, body: Buffer): void {
  if (body.includes('\\u') && HALF.test(body.toString('latin1')))
    (request as { mayHoldHalves?: boolean }).mayHoldHalves = true;
}

/** The second half of the look: after the body has been read. */
export const refuseHalvesRead: RequestHandler = (request, _response, next) => {
  if ((request as { mayHoldHalves?: boolean }).mayHoldHalves === true)
    JSON.parse(JSON.stringify(request.body), (_key, value: unknown) => {
      if (typeof value === 'string' && /\p{Surrogate}/u.test(value))
        throw new ProblemError('unreadable-request', 'This text has a broken letter. Enter it again.');
      return value;
    });
  next();
};

/**
 * Reads the id at the end of a path.
 *
 * @throws ProblemError `not-found` for something that is no id: nothing can be there
 */
export function readId(request: Request): string {
  const read = idSchema.safeParse(request.params['id']);
  if (!read.success) throw notFound('record');
  return read.data;
}

/**
 * Reads another id of a path.
 *
 * @throws ProblemError `not-found` for something that is no id
 */
export function readParam(request: Request, name: string): string {
  const read = idSchema.safeParse(request.params[name]);
  if (!read.success) throw notFound('record');
  return read.data;
}

/**
 * Reads the name of a tape from a path.
 *
 * @throws ProblemError `not-found` for something no tape is called
 */
export function readDevice(request: Request): string {
  const read = deviceLineSchema.shape.device.safeParse(request.params['device'] ?? request.params['id']);
  if (!read.success) throw notFound('tape');
  return read.data;
}

/** Who asks, as far as every room goes by it. What a session is besides, its own room knows (`session/asking.ts`). */
export interface Whoever {
  readonly person: Fitter;
  readonly role: Role;
}

/** What the guard has found out, for the routes behind it. */
export interface Entered {
  /** Who asks; nobody where something else than a session opened the route. */
  asking?: Whoever;
  /** What opens the route. */
  access?: Access;
  /** The tape that sends, where one does. */
  tape?: string;
}

/** Who asks, as the guard has found out. Only for routes that a session opens. */
export function whoeverOf(response: Response): Whoever {
  return (response.locals as Entered).asking!;
}

/** Whoever is at the bench, as they stand beside what they do. */
export function fitterOf(response: Response): Fitter {
  const { id, name } = whoeverOf(response).person;
  return { id, name };
}

/** Gives, for a request, whether the session that opened it still lasts. */
export type Lasts = (response: Response) => () => Promise<boolean>;
