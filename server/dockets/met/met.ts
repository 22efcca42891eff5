import type { Fitter, Met } from '@neat-measure/contract';
import {
  isMusterAct,
  kindOf,
  MUSTER_ACTS,
  sayAnyAct,
  type Act,
  type AnyAct,
  type MusterAct,
} from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { findCharts } from '../../charts/store';
import type { Database } from '../../database/database';
import { findSettings } from '../../settings/store';
import type { Touched } from '../../stores/docket-acts';
import { addLate } from '../late/store';
import type { TakenOther } from '../take-acts';

type Refused = Extract<TakenOther, { refused: unknown }>;

/** Who did what an act met, on which docket. */
interface Other {
  readonly docketId: string;
  readonly number: number;
  readonly fitter: Fitter;
}

const NOT_KEPT = 'Done without the server, and not kept:';
const WAITS =
  'Look what the wearers have and what is on the shelf, and correct the stock. The change is kept: a lead fitter then accepts it under House, Late changes.';

/**
 * What was done without the server and cannot stand: told to whoever did it and to whoever did what it met, on the docket of
 * each. What was handed over has gone, whatever the stock says: that is kept, to be accepted once the stock is right.
 *
 * @returns what whoever did it is told, where more is done than refusing it
 */
export async function meetOther(
  database: Database,
  act: AnyAct,
  { refused, touched }: Refused,
): Promise<{ readonly late: string } | null> {
  const words = await wordsOf(database, act);
  if (isMusterAct(act)) {
    const other = await lastAbout(database, act);
    await tell(
      database,
      act,
      other === undefined ? null : other.docketId,
      [other?.fitter, act.by],
      () => `${words} ${NOT_KEPT} ${refused.detail} Look where they are, and do it again if it is right.`,
    );
    return null;
  }
  if (kindOf(act).takes !== 'hand-over') {
    const other = await lastOn(database, act);
    const last = other === undefined ? '' : ` The last change there is by ${other.fitter.name}.`;
    await tell(database, act, act.docketId, [other?.fitter, act.by], ({ id }) =>
      id === act.by.id
        ? `${words} ${NOT_KEPT} ${refused.detail}${last} Look at the docket, and enter it again if it is right.`
        : `${words} ${NOT_KEPT} ${refused.detail} Agree with ${act.by.name} which holds, and enter that.`,
    );
    return null;
  }
  await addLate(database, act, refused.detail);
  const other = touched === undefined ? undefined : await lastWith(database, act.docketId, touched);
  const gone = `${words} Done without the server, and it cannot be booked: ${refused.detail}`;
  const elsewhere =
    other === undefined ? '' : ` ${other.fitter.name} handed one over on docket ${other.number}.`;
  await tell(database, act, act.docketId, [act.by], () => `${gone}${elsewhere} ${WAITS}`);
  if (other !== undefined)
    await tell(
      database,
      act,
      other.docketId,
      [other.fitter],
      () => `${gone} It may be what this wearer was given. Look what each of them has, and on the shelf.`,
    );
  return { late: `${refused.detail} ${WAITS}` };
}

/** The wearers an act of a muster is about. */
function aboutOf(act: MusterAct): readonly string[] {
  return MUSTER_ACTS.kindOf(act).about(act as never);
}

/** Tells people of it on a docket, each once. A docket nobody knows here has no page to be told on. */
async function tell(
  database: Database,
  act: AnyAct,
  docketId: string | null,
  to: readonly (Fitter | undefined)[],
  words: (fitter: Fitter) => string,
): Promise<void> {
  if (docketId === null) return;
  if ((await database('dockets').where({ id: docketId }).first('id')) === undefined) return;
  const rows = to.flatMap((fitter) =>
    fitter === undefined
      ? []
      : [
          {
            id: uuidv7(),
            ...{ act_id: act.id, docket_id: docketId, fitter_id: fitter.id },
            ...{ words: words(fitter).slice(0, LONGEST), came_at: new Date() },
          },
        ],
  );
  await database('met').insert(rows).onConflict(['act_id', 'docket_id', 'fitter_id']).ignore();
}

/** What was done, when by the device it was done on. */
async function wordsOf(database: Database, act: AnyAct): Promise<string> {
  const ids = 'chartId' in act && act.chartId !== null ? [act.chartId] : [];
  const [charts, { habits }] = [await findCharts(database, ids), await findSettings(database)];
  const wearers = isMusterAct(act)
    ? await database('wearers')
        .whereIn('id', [...aboutOf(act)])
        .select<{ id: string; name: string }[]>('id', 'name')
    : [];
  const said = sayAnyAct(act, {
    garment: (id) => charts.find((chart) => chart.id === id)?.sheet.garment ?? 'a garment',
    protocol: () => 'a protocol',
    inchParts: habits.inchParts,
    wearer: (id) => wearers.find((one) => one.id === id)?.name ?? 'a wearer',
    station: () => 'a station',
  });
  const at = new Date(act.at).toISOString().slice(0, 16).replace('T', ' ');
  return `${said.replace(/\.$/, '')} (${at} UTC).`;
}

/** Whoever else did something about the wearer at the muster last, and their docket. */
async function lastAbout(database: Database, act: MusterAct): Promise<Other | undefined> {
  const [wearerId] = aboutOf(act);
  if (wearerId === undefined) return undefined;
  const [row, docket] = await Promise.all([
    lastBy(database, act)
      .where({ muster_id: act.musterId })
      .where('body', 'like', `%${wearerId}%`)
      .first<Fitter | undefined>('fitters.id', 'fitters.name'),
    database('dockets')
      .where({ wearer_id: wearerId })
      .orderBy('opened_at', 'desc')
      .first<{ id: string; number: number } | undefined>('id', 'number'),
  ]);
  if (row === undefined || docket === undefined) return undefined;
  return { docketId: docket.id, number: docket.number, fitter: row };
}

/** Whoever else did something on the docket last. */
async function lastOn(database: Database, act: Act): Promise<Pick<Other, 'fitter'> | undefined> {
  const row = await lastBy(database, act)
    .where({ docket_id: act.docketId })
    .first<Fitter | undefined>('fitters.id', 'fitters.name');
  return row && { fitter: row };
}

function lastBy(database: Database, { by }: AnyAct) {
  return database('acts')
    .join('fitters', 'fitters.id', 'acts.fitter_id')
    .whereNot({ fitter_id: by.id })
    .orderBy('place', 'desc');
}

/** Whoever handed the same out last, on another docket. */
async function lastWith(
  database: Database,
  docketId: string,
  { articleId, pieceId }: Touched,
): Promise<Other | undefined> {
  const rows = database('stock_movements')
    .join('fitters', 'fitters.id', 'stock_movements.by_id')
    .join('dockets', 'dockets.id', 'stock_movements.docket_id')
    .where({ kind: 'issued' })
    .whereNot({ docket_id: docketId })
    .orderBy('place', 'desc');
  void (pieceId === null ? rows.where({ article_id: articleId }) : rows.where({ piece_id: pieceId }));
  const row = await rows.first<(Fitter & { docket_id: string; number: number }) | undefined>(
    'docket_id',
    'number',
    'fitters.id',
    'fitters.name',
  );
  return row && { docketId: row.docket_id, number: row.number, fitter: { id: row.id, name: row.name } };
}

/** So long it is told, in letters. */
const LONGEST = 1_000;

interface MetRow {
  readonly id: string;
  readonly docket_id: string;
  readonly number: number;
  readonly wearer: string;
  readonly words: string;
  readonly came_at: Date;
  readonly fitter_id: string;
}

/** So much of it is shown at once. */
const MOST_SHOWN = 100;

/**
 * What of it nobody has confirmed to have seen yet, the oldest first.
 *
 * @param of what is told to somebody, or what is told on a docket, each once
 */
export async function listMet(
  database: Database,
  asker: string,
  of: { readonly docketId?: string } = {},
): Promise<Met[]> {
  const rows = database('met')
    .join('dockets', 'dockets.id', 'met.docket_id')
    .join('wearers', 'wearers.id', 'dockets.wearer_id')
    .whereNull('met.seen_at')
    .orderBy('met.came_at')
    .limit(MOST_SHOWN)
    .select<MetRow[]>('met.*', 'dockets.number', { wearer: 'wearers.name' });
  void (of.docketId === undefined
    ? rows.where({ fitter_id: asker })
    : rows.where({ 'met.docket_id': of.docketId }));
  const told = await rows;
  // Who is told of it themselves reads their own; of what is told to two others, one is shown.
  const own = new Set(told.filter(({ fitter_id }) => fitter_id === asker).map(({ id }) => id));
  return told.map(({ id, docket_id, number, wearer, words, came_at }) => ({
    ...{ id, docketId: docket_id, docket: number, wearer, words, at: came_at.toISOString() },
    own: own.has(id),
  }));
}

/** Whoever is told of something has seen it; whether it was told to them. */
export async function seeMet(database: Database, id: string, fitterId: string): Promise<boolean> {
  const seen = await database('met').where({ id, fitter_id: fitterId }).update({ seen_at: new Date() });
  return seen > 0;
}
