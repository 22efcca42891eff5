import {
  planOf,
  type Recorded,
  type SelfLink,
  type SelfSheet,
  type SelfSubmission,
} from '@neat-measure/contract';
import {
  readReading,
  bareUnit,
  sayReadingProblem,
  type Length,
  type MeasurementCode,
} from '@neat-measure/core';
import { createHash, randomBytes } from 'node:crypto';
import { z } from 'zod';
import { notFound, ProblemError } from '../problem-error';
import { findCharts } from '../store/chart-store';
import type { Database } from '../store/database';
import { findDocket } from '../store/docket-store';
import { findProtocols } from '../store/protocol-store';
import { readJson } from '../store/read-json';
import { findWearer } from '../store/wearer-store';

/** How long a link stands. */
const LINK_DAYS = 7;

const measuredSchema = z.array(z.object({ code: z.string(), value: z.int() }));

interface LinkRow {
  readonly id: string;
  readonly token_hash: string;
  readonly docket_id: string;
  readonly expires_at: Date;
  readonly submission_id: string | null;
  readonly submitted_at: Date | null;
  readonly measured: unknown;
}

/** Makes a link for the wearer of a docket. The token is told once and kept only as a hash. */
export async function makeSelfLink(
  database: Database,
  id: string,
  docketId: string,
  fitterId: string,
): Promise<SelfLink> {
  if ((await findDocket(database, docketId)) === undefined) throw notFound('docket');
  if ((await database('self_links').where({ id }).first('id')) !== undefined)
    throw new ProblemError(
      'id-taken',
      'This link has been made already; its address is shown only once. Make another.',
    );
  const token = randomBytes(24).toString('base64url');
  const expiresAt = new Date(Date.now() + LINK_DAYS * 86_400_000);
  await database('self_links').insert({
    id,
    token_hash: hash(token),
    docket_id: docketId,
    fitter_id: fitterId,
    expires_at: expiresAt,
  });
  return { token, expiresAt: expiresAt.toISOString() };
}

/** What the page of a link shows. */
export async function selfSheet(database: Database, token: string): Promise<SelfSheet> {
  const link = await usableLink(database, token);
  if (link.submitted_at !== null) throw usedUp();
  return sheetOf(database, link.docket_id);
}

/**
 * Takes what the wearer measured: once, all or nothing. It waits for a fitter to take it over.
 *
 * @throws ProblemError `invalid` naming each measurement that cannot be read
 */
export async function submitSelf(
  database: Database,
  token: string,
  submission: SelfSubmission,
): Promise<{ taken: number }> {
  const link = await usableLink(database, token);
  const done = { taken: submission.readings.length };
  if (link.submission_id === submission.id) return done;
  if (link.submitted_at !== null) throw usedUp();
  const { codes } = await sheetOf(database, link.docket_id);
  const faults: { path: string; message: string }[] = [];
  const measured = submission.readings.flatMap(({ code, typed }) => {
    const unit = bareUnit(code, submission.unit);
    const read = readReading(typed, code, unit);
    if (!codes.includes(code))
      faults.push({ path: code, message: 'This measurement is not asked for. Reload the page.' });
    else if (!read.ok) faults.push({ path: code, message: sayReadingProblem(read.problem, unit) });
    return read.ok ? [{ code, value: read.value.length }] : [];
  });
  if (faults.length > 0)
    throw new ProblemError('invalid', faults.map(({ message }) => message).join(' '), { faults });
  // Two submissions at once: the first one counts.
  const first = await database('self_links')
    .where({ id: link.id, submitted_at: null })
    .update({ submission_id: submission.id, submitted_at: new Date(), measured: JSON.stringify(measured) });
  if (first === 0) throw usedUp();
  return done;
}

/** What wearers have sent for a docket, as values on record that a fitter may take over. */
export async function selfRecorded(database: Database, docketId: string): Promise<Recorded[]> {
  const rows = await database<LinkRow>('self_links')
    .where({ docket_id: docketId })
    .whereNotNull('submitted_at')
    .orderBy('submitted_at');
  return rows.flatMap((row) =>
    readJson(measuredSchema, row.measured, `self link ${row.id}`).map(({ code, value }) => ({
      code: code as MeasurementCode,
      value: value as Length,
      takenAt: row.submitted_at!.toISOString(),
      origin: 'self' as const,
      due: false,
    })),
  );
}

async function sheetOf(database: Database, docketId: string): Promise<SelfSheet> {
  const docket = (await findDocket(database, docketId))!;
  const [wearer, charts, protocols] = await Promise.all([
    findWearer(database, docket.wearerId),
    findCharts(database, docket.chartIds),
    findProtocols(database, docket.protocolIds),
  ]);
  const codes = planOf({ docket, charts, protocols }).steps.map(({ code }) => code);
  return { name: wearer!.name, unit: docket.unit, codes };
}

async function usableLink(database: Database, token: string): Promise<LinkRow> {
  const link = await database<LinkRow>('self_links')
    .where({ token_hash: hash(token) })
    .first();
  if (link === undefined) throw notFound('link');
  if (link.expires_at < new Date())
    throw new ProblemError(
      'link-ended',
      'This link has expired. Ask whoever sent it for another; nothing was lost.',
    );
  return link;
}

function usedUp(): ProblemError {
  return new ProblemError(
    'link-ended',
    'This link has been used; what was measured is with the fitter. To change something, tell them or ask for another link.',
  );
}

function hash(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}
