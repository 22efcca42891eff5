import { deviceStreamPath, MOST_LINES, ROUTES } from '@neat-measure/contract';
import express, { Router } from 'express';
import type { Database } from '../database/database';
import { ProblemError } from '../http/problem-error';
import { readDevice } from '../http/request';
import { streamTo } from '../http/stream';
import { deviceLookout, takeLines } from './service';
import { linesBehind } from './store';

/**
 * Tapes that send their readings: lines come in by POST, each kept once, and go out to the
 * Bench as server-sent events.
 *
 * @param stopping ends the streams when the server is to stop
 */
export function deviceRoutes(database: Database, stopping: AbortSignal): Router {
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
            'No line came. Send one JSON object a line, as text/plain.',
          );
        if (lines.length > MOST_LINES)
          throw new ProblemError(
            'too-large',
            `At most ${MOST_LINES} lines are taken at once. Send them in parts.`,
          );
        response.json(await takeLines(database, lookout, lines));
      },
    )
    .get(deviceStreamPath(':device'), async (request, response) => {
      const device = readDevice(request);
      const missed = (place: number) => linesBehind(database, [device], place);
      await streamTo(request, response, { lookout, subject: device, missed, stopping });
    });
}
