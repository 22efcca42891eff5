import type { SelfLink, SelfSheet, SelfSubmission } from '@neat-measure/contract';
import {
  allowedIn,
  bareUnit,
  measurement,
  micrometres,
  planOf,
  ownPreparation,
  preparationFor,
  readReading,
  readWish,
  replay,
  sayReadingProblem,
  sayWishProblem,
  settleReadings,
  shownIn,
  wishesAsked,
  wishOf,
} from '@neat-measure/core';
import { randomBytes } from 'node:crypto';
import { noted } from '../audit/store';
import type { Database } from '../database/database';
import { listActs } from '../dockets/act-store';
import { shelfFor } from '../dockets/find-library';
import { findDocket } from '../dockets/store';
import { notFound, ProblemError } from '../http/problem-error';
import { hashOf } from '../links/code';
import {
  addLink,
  findLink,
  keepSubmission,
  noteOpened,
  type Measured,
  type SelfLinkRow,
} from '../links/store';

/** How long a link stands. */
const LINK_DAYS = 7;

/** Makes a link for the wearer of a docket. The token is told once and kept only as a hash. */
export async function makeSelfLink(
  database: Database,
  id: string,
  docketId: string,
  fitterId: string,
): Promise<SelfLink> {
  const token = randomBytes(24).toString('base64url');
  const expiresAt = new Date(Date.now() + LINK_DAYS * 86_400_000);
  const added = await noted(
    database,
    (transaction) =>
      addLink(transaction, {
        id,
        token_hash: hashOf(token),
        docket_id: docketId,
        fitter_id: fitterId,
        expires_at: expiresAt,
      }),
    (done) =>
      done === 'added'
        ? { by: fitterId, kind: 'link-made', about: { kind: 'link', id }, detail: { docketId } }
        : null,
  );
  if (added === 'no-docket') throw notFound('docket');
  if (added === 'taken')
    throw new ProblemError(
      'id-taken',
      'This link was already created, and its address is shown only once. Create another.',
    );
  return { token, expiresAt: expiresAt.toISOString() };
}

/** What the page of a link shows. */
export async function selfSheet(database: Database, token: string): Promise<SelfSheet> {
  const link = await usableLink(database, token);
  if (link.submitted_at !== null) throw usedUp();
  await noteOpened(database, link.id);
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
  const done = { taken: new Set(submission.readings.map(({ code }) => code)).size };
  if (link.submission_id === submission.id) return done;
  if (link.submitted_at !== null) throw usedUp();
  const { steps, wishes } = await sheetOf(database, link.docket_id);
  const faults: { path: string; message: string }[] = [];
  const measured = [...new Set(submission.readings.map(({ code }) => code))].flatMap((code): Measured[] => {
    const unit = bareUnit(code, submission.unit);
    const step = steps.find((one) => one.code === code);
    const fault = (message: string) => faults.push({ path: code, message });
    if (step === undefined) fault('This measurement is not asked for. Reload the page.');
    const lengths = submission.readings.flatMap(({ code: own, typed }) => {
      if (own !== code) return [];
      const read = readReading(typed, code, unit);
      if (!read.ok) fault(sayReadingProblem(read.problem, shownIn(unit, 8)));
      return read.ok ? [read.value.length] : [];
    });
    if (step === undefined || lengths.length === 0) return [];
    const { state, value } = settleReadings(code, lengths, step.allowed);
    if (state === 'third-wanted' || state === 'disagree')
      fault(`${measurement(code).name}: the readings are too far apart. Measure once more, or skip it.`);
    const { waist } = step;
    const { instrument } = submission;
    return value === null ? [] : [{ code, value, waist, instrument, readings: lengths.length }];
  });
  for (const { wish, typed } of submission.wishes) {
    const read = readWish(typed, wish, submission.unit);
    if (!wishes.includes(wish))
      faults.push({
        path: wish,
        message: `${wishOf(wish).name} is not asked for. Reload the page.`,
      });
    else if (!read.ok)
      faults.push({ path: wish, message: sayWishProblem(read.problem, shownIn(submission.unit, 8)) });
  }
  if (faults.length > 0)
    throw new ProblemError('invalid', faults.map(({ message }) => message).join(' '), { faults });
  const first = await noted(
    database,
    (transaction) =>
      keepSubmission(
        transaction,
        link.id,
        submission.id,
        measured,
        submission.wishes.map((one) => ({ ...one, unit: submission.unit })),
      ),
    (done) =>
      done
        ? {
            by: null,
            kind: 'link-used',
            about: { kind: 'link', id: link.id },
            detail: { docketId: link.docket_id, measurements: measured.length },
          }
        : null,
  );
  if (!first) throw usedUp();
  return done;
}

async function sheetOf(database: Database, docketId: string): Promise<SelfSheet> {
  const [record, kept] = await Promise.all([findDocket(database, docketId), listActs(database, docketId)]);
  const acts = kept.map(({ act }) => act);
  const docket = replay(acts);
  if (record === undefined || docket === null) throw notFound('docket');
  const library = await shelfFor(database, acts);
  const plan = planOf(docket, library);
  const asked = library.protocols.filter(({ id }) => docket.protocolIds.includes(id));
  return {
    name: record.wearer.name,
    unit: docket.unit,
    prepare: ownPreparation(
      preparationFor(docket, library),
      plan.steps.some(({ code }) => measurement(code).stance === 'turned'),
    ),
    cautions: [...new Set(asked.flatMap(({ cautions }) => cautions))],
    cord: plan.cord,
    wishes: wishesAsked(docket, library),
    steps: plan.steps.map(({ code, tension, clothing, chain, waist }) => ({
      code,
      tension,
      clothing,
      chain,
      waist,
      // An unpractised hand is allowed twice as much.
      allowed: micrometres(allowedIn(library.habits, code) * 2),
    })),
  };
}

async function usableLink(database: Database, token: string): Promise<SelfLinkRow> {
  const link = await findLink(database, hashOf(token));
  if (link === undefined) throw notFound('link');
  if (link.expires_at < new Date())
    throw new ProblemError(
      'link-ended',
      'This link has expired. Ask the fitter who sent it for another; nothing is lost.',
    );
  return link;
}

function usedUp(): ProblemError {
  return new ProblemError(
    'link-ended',
    'This link has been used; the fitter has your readings. To change something, tell the fitter or ask for another link.',
  );
}
