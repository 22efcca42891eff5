import { deviceStreamPath, MOST_LINES, PATHS, ROUTES } from '@neat-measure/contract';
import express, { Router } from 'express';
import { noted } from '../audit/store';
import type { Database } from '../database/database';
import { notFound, ProblemError } from '../http/problem-error';
import { type Entered, fitterOf, readDevice, type Lasts } from '../http/request';
import { streamTo } from '../http/stream';
import { deviceLookout, takeLines } from './service';
import { hashToken, newToken } from '../accounts/passphrases';
import { linesBehind } from './store';
import { listTapes, pairTape, unpairTape } from './tape-store';

/**
 * Tapes that send their readings: lines come in by POST, each kept once, and go out to the
 * Bench as server-sent events.
 *
 * @param lasts tells whether whoever has a stream open still may
 * @param stopping ends the streams when the server is to stop
 */
export function deviceRoutes(database: Database, lasts: Lasts, stopping: AbortSignal): Router {
  const lookout = deviceLookout(database, stopping);
  return Router()
    .post(
      ROUTES.deviceLines,
      express.text({ type: ['text/plain', 'application/x-ndjson'], limit: 1_000_000 }),
      async (request, response) => {
        const text = typeof request.body === 'string' ? request.body : '';
        const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
        if (lines.length === 0)
          throw new ProblemError(
            'unreadable-request',
            'The request is empty. Send one JSON object per line, as text/plain.',
          );
        if (lines.length > MOST_LINES)
          throw new ProblemError(
            'too-large',
            `At most ${MOST_LINES} lines are read at once. Send them in parts.`,
          );
        const { tape } = response.locals as Entered;
        response.json(await takeLines(database, lookout, lines, tape ?? null));
      },
    )
    .get(deviceStreamPath(':device'), async (request, response) => {
      const device = readDevice(request);
      const missed = (place: number, most: number) => linesBehind(database, [device], place, most);
      await streamTo(request, response, {
        lookout,
        subject: device,
        missed,
        lasts: lasts(response),
        stopping,
      });
    });
}

/** Tapes that may send without anybody being signed in: each has a secret of its own. */
export function tapeRoutes(database: Database): Router {
  return Router()
    .get(PATHS.tapes, async (_request, response) => {
      response.json(await listTapes(database));
    })
    .put(`${PATHS.tapes}/:id`, async (request, response) => {
      const device = readDevice(request);
      const secret = newToken();
      const by = fitterOf(response).id;
      await noted(
        database,
        (transaction) => pairTape(transaction, device, hashToken(secret), by),
        () => ({ by, kind: 'tape-paired', about: { kind: 'tape', id: device } }),
      );
      response.json({ device, secret });
    })
    .delete(`${PATHS.tapes}/:id`, async (request, response) => {
      const device = readDevice(request);
      const was = await noted(
        database,
        (transaction) => unpairTape(transaction, device),
        (done) =>
          done
            ? { by: fitterOf(response).id, kind: 'tape-unpaired', about: { kind: 'tape', id: device } }
            : null,
      );
      if (!was) throw notFound('tape');
      response.status(204).end();
    });
}
