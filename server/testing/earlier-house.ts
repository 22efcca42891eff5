import { measurement, readReading, type Length, type MeasurementCode } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../database/database';
import { asParts } from '../database/migrations/0008-acts/one-part-verdicts';
import { sheetFrom } from './records';

const at = (minute: number) => new Date(Date.UTC(2026, 4, 4, 8, minute));

/** What a house of an earlier version has in its database, and by what it is known again afterwards. */
export interface EarlierHouse {
  readonly fitterId: string;
  readonly wearerId: string;
  readonly chartId: string;
  readonly docketId: string;
  readonly decisionId: string;
  /** The readings of the chest that stand, and the one that was taken back. */
  readonly readingIds: readonly string[];
  readonly withdrawnId: string;
}

/**
 * Fills a database whose schema is that of an earlier version with what a house had in it then: every
 * table there was, each with the columns it had. Nothing here goes through the application, whose code
 * knows no schema but its own.
 */
export async function fillEarlierHouse(database: Database): Promise<EarlierHouse> {
  const columns = await columnsOf(database);
  const has = (table: string, column?: string) =>
    columns.has(table) && (column === undefined || columns.get(table)!.has(column));
  /** Puts a row in, as far as its table had columns for it. */
  const put = async (table: string, row: Record<string, unknown>) => {
    if (!has(table)) return;
    await database(table).insert(Object.fromEntries(Object.entries(row).filter(([key]) => has(table, key))));
  };
  const ids = () => uuidv7();
  const [fitterId, wearerId, chartId, docketId, decisionId] = [ids(), ids(), ids(), ids(), ids()];
  await put('fitters', { id: fitterId, name: 'Odalys Wren', sign_in: 'odalys', passphrase_hash: 'x' });
  await put('wearers', {
    id: wearerId,
    name: 'Ibrahima Lund',
    role: 'Patrol warden',
    version: 1,
    updated_at: at(0),
  });
  const sheet = sheetFrom('size,chest-girth (cm)\nM,94-102\nL,102-110\n');
  await put('charts', {
    id: chartId,
    series_id: chartId,
    maker: sheet.maker,
    garment: sheet.garment,
    source: 'jacket.csv',
    sheet: JSON.stringify(sheet),
    imported_by: fitterId,
    imported_at: at(0),
  });
  const docket = { id: docketId, wearer_id: wearerId, opened_at: at(0) };
  const opening = { occasion: 'Uniform issue', unit: 'cm', preference: 'regular' };
  await put('dockets', { ...docket, ...opening, version: 1 });
  await put('docket_garments', {
    docket_id: docketId,
    position: 0,
    chart_id: chartId,
    rule: 'closest',
    outcome: 'accepted',
    size: 'M',
    stage: 'to-try',
    final_size: 'M',
  });
  const readings = [
    reading('chest-girth', '98', 1),
    reading('chest-girth', '99', 2),
    reading('chest-girth', '89', 3),
  ];
  const [first, second, withdrawn] = readings as [Read, Read, Read];
  const readingIds = [first.id, second.id];
  const verdict = {
    verdict: 'settled',
    proposed: 'M',
    reason: {
      verdict: 'settled',
      size: 'M',
      tightest: {
        code: 'chest-girth',
        value: 985_000,
        standardError: 7_000,
        where: 'inside',
        sizes: ['M'],
        below: null,
        above: null,
        toEdge: 35_000,
      },
    },
    placements: [],
    odds: [{ size: 'M', chance: 1 }],
    alternates: [],
    rule: 'widest-decides',
    preference: 'regular',
  };
  const fitter = { fitter_id: fitterId };
  // Until 0008 each kind of thing that was done had a table; from then on all of it is one list.
  if (!has('acts')) {
    for (const { id, code, typed, length, minute } of readings)
      await put('readings', {
        ...{ id, docket_id: docketId, code, typed, unit: 'cm', length_um: length, ...WAY, ...fitter },
        taken_at: at(minute),
        carried_from: id === first.id ? at(-100) : null,
        device: id === second.id ? 'tape-7' : null,
      });
    await put('reading_withdrawals', { reading_id: withdrawn.id, ...fitter, withdrawn_at: at(4) });
    await put('step_skips', {
      ...{ id: ids(), docket_id: docketId, code: 'height', reason: 'Declines', ...fitter },
      skipped_at: at(5),
    });
    await put('check_confirmations', {
      ...{ id: ids(), docket_id: docketId, check_code: 'waist-over-chest', reason: 'It is so', ...fitter },
      measured: JSON.stringify([{ code: 'waist-girth', value: 970_000 }]),
      confirmed_at: at(6),
    });
    await put('docket_protocols', { docket_id: docketId, position: 0, protocol_id: 'headwear' });
    await put('docket_extras', { docket_id: docketId, position: 0, code: 'weight' });
    await put('decisions', {
      ...{ id: decisionId, docket_id: docketId, chart_id: chartId, outcome: 'accepted', size: 'M' },
      sizes: JSON.stringify({ size: 'M' }),
      reason: null,
      reading_ids: JSON.stringify(readingIds),
      verdict: JSON.stringify(verdict),
      ...fitter,
      decided_at: at(7),
    });
  } else {
    const act = async (kind: string, about: string | null, body: object, minute: number, id = ids()) =>
      put('acts', {
        ...{ id, docket_id: docketId, kind, about, body: JSON.stringify(body), ...fitter },
        done_at: at(minute),
        received_at: at(minute),
      });
    await act('docket-opened', null, { wearerId, ...opening }, 0);
    await act('garment-asked', chartId, { chartId }, 0);
    await act('rule-overruled', chartId, { chartId, rule: 'closest', preference: null }, 0);
    for (const { id, code, typed, length, minute } of readings)
      await act(
        'reading-taken',
        code,
        {
          ...{ code, typed, unit: 'cm', length, ...WAY },
          carriedFrom: id === first.id ? at(-100).toISOString() : null,
          device: id === second.id ? 'tape-7' : null,
        },
        minute,
        id,
      );
    await act('reading-withdrawn', withdrawn.id, { readingId: withdrawn.id, code: 'chest-girth' }, 4);
    await act('step-passed', 'height', { code: 'height', reason: 'Declines', idle: false }, 5);
    const decided = {
      chartId,
      outcome: 'accepted',
      sizes: { size: 'M' },
      reason: null,
      readingIds,
      after: null,
    };
    const found = { size: 'M', verdict: asParts(verdict) };
    await act('garment-decided', chartId, { ...decided, found }, 7, decisionId);
    const made = { made_at: at(0), renewed_at: at(0), session_id: ids() };
    await put('pens', { token_hash: 'a'.repeat(64), ...fitter, ...made });
  }
  await put('sessions', {
    ...{
      id: ids(),
      token_hash: 'b'.repeat(64),
      fitter_id: fitterId,
      agent: 'A browser',
      address: '127.0.0.1',
    },
    begun_at: at(0),
    seen_at: at(0),
    expires_at: at(600),
  });
  await put('protocols', { id: ids(), name: 'Ours', body: '{}', version: 1 });
  await put('device_lines', {
    device: 'tape-7',
    seq: 1,
    line: JSON.stringify({ v: 1, device: 'tape-7', seq: 1, value: 990, unit: 'mm', at: at(2).toISOString() }),
    said: '990 mm',
    received_at: at(2),
  });
  await put('self_links', {
    ...{ id: ids(), token_hash: 'c'.repeat(64), docket_id: docketId, fitter_id: fitterId },
    expires_at: at(600),
    submission_id: ids(),
    submitted_at: at(8),
    measured: JSON.stringify([]),
  });
  await put('tapes', {
    device: 'tape-7',
    secret_hash: 'd'.repeat(64),
    paired_by: fitterId,
    paired_at: at(0),
  });
  await put('settings', { id: 1, body: JSON.stringify({ idleMinutes: 45 }), version: 3 });
  await put('audit', { by_id: fitterId, kind: 'signed-in', about_kind: 'person', about: fitterId });
  return { fitterId, wearerId, chartId, docketId, decisionId, readingIds, withdrawnId: withdrawn.id };
}

const WAY = {
  stance: 'standing',
  tension: 'skin',
  clothing: 'close-fitting',
  instrument: 'tape',
  origin: 'fitter',
};

interface Read {
  readonly id: string;
  readonly code: MeasurementCode;
  readonly typed: string;
  readonly length: Length;
  readonly minute: number;
}

function reading(code: MeasurementCode, typed: string, minute: number): Read {
  const read = readReading(typed, measurement(code).code, 'cm');
  if (!read.ok) throw new Error(typed);
  return { id: uuidv7(), code, typed, length: read.value.length, minute };
}

async function columnsOf(database: Database): Promise<Map<string, Set<string>>> {
  const [rows] = (await database.raw(
    'select table_name as of, column_name as name from information_schema.columns where table_schema = database()',
  )) as [{ of: string; name: string }[]];
  const columns = new Map<string, Set<string>>();
  for (const { of, name } of rows) columns.set(of, (columns.get(of) ?? new Set()).add(name));
  return columns;
}
