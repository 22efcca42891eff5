import { deviceStreamPath, MOST_LINES, ROUTES, type DeviceAnswer } from '@neat-measure/contract';
import { parseDeviceLine, sayDeviceProblem } from '@neat-measure/core';
import express, { Router } from 'express';
import { setTimeout as wait } from 'node:timers/promises';
import { ProblemError } from '../problem-error';
import type { Database } from '../store/database';
import { keepLine, latestPlace, linesBehind } from '../store/device-store';

/** How often a stream looks for new lines. They are in the database, so that any instance may have taken them. */
const LOOK_MS = 250;

/** A comment this often keeps proxies from closing a quiet stream. */
const HEARTBEAT_MS = 15_000;

/**
 * Tapes that send their readings: lines come in by POST, each kept once, and go out to the
 * Bench as server-sent events.
 *
 * @param stopping ends the streams when the server is to stop
 */
export function deviceRoutes(database: Database, stopping: AbortSignal): Router {
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
        const answer: DeviceAnswer = { taken: 0, repeated: 0, faults: [] };
        for (const [index, line] of lines.entries()) {
          const read = parseDeviceLine(line);
          if (!read.ok) answer.faults.push({ line: index + 1, message: sayDeviceProblem(read.problem) });
          else if (await keepLine(database, read.value)) answer.taken += 1;
          else answer.repeated += 1;
        }
        response.json(answer);
      },
    )
    .get(deviceStreamPath(':device'), async (request, response) => {
      const device = String(request.params['device']);
      const again = Number(request.get('last-event-id'));
      let place = Number.isSafeInteger(again) && again > 0 ? again : await latestPlace(database, device);
      const ended = new AbortController();
      response.on('close', () => ended.abort());
      // no-transform keeps the compression from holding events back.
      response.writeHead(200, {
        'Content-Type': 'text/event-stream',
        'Cache-Control': 'no-cache, no-transform',
      });
      response.write(': listening\n\n');
      const signal = AbortSignal.any([ended.signal, stopping]);
      let quiet = 0;
      while (!signal.aborted) {
        for (const line of await linesBehind(database, device, place)) {
          response.write(`id: ${line.place}\ndata: ${JSON.stringify(line)}\n\n`);
          place = line.place;
          quiet = 0;
        }
        quiet += LOOK_MS;
        if (quiet >= HEARTBEAT_MS) {
          response.write(': still here\n\n');
          quiet = 0;
        }
        await wait(LOOK_MS, undefined, { signal }).catch(() => undefined);
      }
      response.end();
    });
}
