import type { Knex } from 'knex';
import { v7 as uuidv7 } from 'uuid';
import { asParts } from './one-part-verdicts';

/** What was done on dockets as one list of acts, made from the tables that held it until now; and pens. */
export async function up(database: Knex): Promise<void> {
  const ascii = 'character set ascii collate ascii_bin';
  await database.raw(`create table if not exists acts (
    place bigint unsigned not null auto_increment primary key,
    id char(36) ${ascii} not null unique,
    docket_id char(36) ${ascii} not null references dockets (id),
    kind varchar(24) ${ascii} not null,
    about varchar(40) ${ascii} null,
    body json not null,
    fitter_id char(36) ${ascii} not null references fitters (id),
    done_at datetime(3) not null,
    received_at datetime(3) not null,
    index (docket_id, place),
    index (about, kind)
  ) engine=InnoDB character set utf8mb4`);
  await database.raw(`create table if not exists pens (
    token_hash char(64) ${ascii} not null primary key,
    fitter_id char(36) ${ascii} not null references fitters (id),
    made_at datetime(3) not null
  ) engine=InnoDB character set utf8mb4`);
  await database.raw(`alter table docket_garments
    add column if not exists outcome varchar(20) ${ascii} null,
    add column if not exists size varchar(200) character set utf8mb4 null`);
  // Killed half-way, it is done again from the beginning: what it reads is dropped only by the next one.
  await database.transaction(async (transaction) => {
    await transaction('acts').delete();
    const dockets = await transaction('dockets').orderBy('number').pluck<string[]>('id');
    for (let from = 0; from < dockets.length; from += 100)
      await convert(transaction, dockets.slice(from, from + 100));
  });
}

interface OldAct {
  readonly id: string;
  readonly kind: string;
  readonly about: string | null;
  readonly body: object;
  readonly fitterId: string | null;
  readonly at: Date;
}

/* eslint-disable @typescript-eslint/no-explicit-any -- rows of tables that are gone after this migration */
type Row = any;

async function convert(database: Knex, ids: readonly string[]): Promise<void> {
  const of = async (table: string, order: string) => {
    const byDocket = new Map<string, Row[]>();
    for (const row of await database(table)
      .whereIn('docket_id', [...ids])
      .orderBy(order)
      .select<Row[]>())
      byDocket.set(row.docket_id, [...(byDocket.get(row.docket_id) ?? []), row]);
    return (id: string) => byDocket.get(id) ?? [];
  };
  const dockets = await database('dockets')
    .whereIn('id', [...ids])
    .orderBy('number')
    .select<Row[]>();
  const [garments, protocols, extras, readings, skips, confirmations, decisions] = [
    await of('docket_garments', 'position'),
    await of('docket_protocols', 'position'),
    await of('docket_extras', 'position'),
    await of('readings', 'taken_at'),
    await of('step_skips', 'skipped_at'),
    await of('check_confirmations', 'confirmed_at'),
    await of('decisions', 'decided_at'),
  ];
  const withdrawals = await database('reading_withdrawals')
    .join('readings', 'readings.id', 'reading_withdrawals.reading_id')
    .whereIn('docket_id', [...ids])
    .select<Row[]>('reading_withdrawals.*', 'docket_id', 'code');
  const anybody = await database('fitters').orderBy('id').first<{ id: string } | undefined>('id');
  for (const docket of dockets) {
    const decided = decisions(docket.id);
    const done = [
      ...readings(docket.id).map(asReading),
      ...withdrawals.filter((row) => row.docket_id === docket.id).map(asWithdrawal),
      ...skips(docket.id).map(asPassing),
      ...confirmations(docket.id).map(asConfirmation),
      ...decided.map((row) => asDecision(row, decided)),
    ].sort((a, b) => a.at.getTime() - b.at.getTime());
    const acts = [
      ...asOpening(docket, garments(docket.id), protocols(docket.id), extras(docket.id)),
      ...done,
    ];
    // Who opened a docket was not kept; it was most likely whoever worked on it first.
    const opener = done[0]?.fitterId ?? anybody?.id;
    await database('acts').insert(
      acts.map(({ id, kind, about, body, fitterId, at }) => ({
        id,
        docket_id: docket.id,
        kind,
        about,
        body: JSON.stringify(body),
        fitter_id: fitterId ?? opener,
        done_at: at,
        received_at: at,
      })),
    );
    for (const { chart_id } of garments(docket.id)) {
      const last = decided.filter((row) => row.chart_id === chart_id).at(-1);
      if (last !== undefined)
        await database('docket_garments')
          .where({ docket_id: docket.id, chart_id })
          .update({ outcome: last.outcome, size: last.size });
    }
  }
}

function asOpening(docket: Row, garments: Row[], protocols: Row[], extras: Row[]): OldAct[] {
  const act = (kind: string, about: string | null, body: object): OldAct => ({
    id: uuidv7({ msecs: docket.opened_at.getTime() }),
    kind,
    about,
    body,
    fitterId: null,
    at: docket.opened_at,
  });
  const { wearer_id, occasion, unit, preference } = docket;
  return [
    act('docket-opened', null, { wearerId: wearer_id, occasion, unit, preference }),
    ...garments.map(({ chart_id }) => act('garment-asked', chart_id, { chartId: chart_id })),
    ...protocols.map(({ protocol_id }) => act('protocol-asked', protocol_id, { protocolId: protocol_id })),
    ...extras.map(({ code }) => act('measurement-asked', code, { code, asked: true })),
    ...garments
      .filter((one) => one.rule !== null || one.preference !== null)
      .map(({ chart_id, ...one }) =>
        act('rule-overruled', chart_id, { chartId: chart_id, rule: one.rule, preference: one.preference }),
      ),
  ];
}

function asReading(row: Row): OldAct {
  const { id, code, typed, unit, stance, tension, clothing, instrument, origin, device } = row;
  const carriedFrom: string | null = row.carried_from?.toISOString() ?? null;
  const way = { stance, tension, clothing, instrument, origin, carriedFrom, device };
  const body = { code, typed, unit, length: row.length_um, ...way };
  return { id, kind: 'reading-taken', about: code, body, fitterId: row.fitter_id, at: row.taken_at };
}

function asWithdrawal(row: Row): OldAct {
  const at: Date = row.withdrawn_at;
  return {
    id: uuidv7({ msecs: at.getTime() }),
    kind: 'reading-withdrawn',
    about: row.reading_id,
    body: { readingId: row.reading_id, code: row.code },
    fitterId: row.fitter_id,
    at,
  };
}

function asPassing(row: Row): OldAct {
  const { id, code, reason, fitter_id, skipped_at } = row;
  const body = { code, reason, idle: reason === 'No value could change a size' };
  return { id, kind: 'step-passed', about: code, body, fitterId: fitter_id, at: skipped_at };
}

function asConfirmation(row: Row): OldAct {
  const { id, check_code, measured, reason, fitter_id, confirmed_at } = row;
  const body = { check: check_code, values: fromJson(measured), reason };
  return {
    id,
    kind: 'suspicion-confirmed',
    about: check_code,
    body,
    fitterId: fitter_id,
    at: confirmed_at,
  };
}

function asDecision(row: Row, all: readonly Row[]): OldAct {
  const { id, chart_id, outcome, size, reason, fitter_id, decided_at } = row;
  const before = all.filter((one) => one.chart_id === chart_id);
  const sizes = row.sizes === null ? (size === null ? {} : { size }) : fromJson(row.sizes);
  const body = {
    chartId: chart_id,
    outcome,
    sizes,
    reason,
    readingIds: fromJson(row.reading_ids),
    after: before[before.indexOf(row) - 1]?.id ?? null,
    found: { size, verdict: asParts(fromJson(row.verdict)) },
  };
  return { id, kind: 'garment-decided', about: chart_id, body, fitterId: fitter_id, at: decided_at };
}

function fromJson(column: unknown): any {
  return typeof column === 'string' ? JSON.parse(column) : column;
}
