import type { GarmentAhead, OrderAheadView, OrderAheadWanted } from '@neat-measure/contract/musters';
import {
  ageAt,
  compileChart,
  historyOf,
  houseRuling,
  isNaturalWaist,
  stillGrows,
  type Act,
  type Habits,
} from '@neat-measure/core';
import {
  knownAhead,
  ordersAhead,
  seededRandom,
  tallyAhead,
  type GrownValue,
  type Member,
  type PastValue,
} from '@neat-measure/core/ahead';
import { kitFor, type Muster, type MusterPerson } from '@neat-measure/core/muster';
import type { Chart } from '@neat-measure/contract';
import { findCharts, listVersions } from '../../charts/store';
import type { Database } from '../../database/database';
import { actsByDocket } from '../../dockets/act-store';
import { listKits } from '../../kits/store';
import { linksOf } from '../../links/store';
import { asPastValues, toldOf } from '../../links/told';
import { findSettings } from '../../settings/store';
import { labelNow } from '@neat-measure/core/stock';
import { onShelves, tellArticles } from '../../stores/ledger/articles';
import type { ArticleRow } from '../../stores/ledger/ledger';
import { renamesOf } from '../../stores/ledger/renames';
import { Standings } from '../standing';
import { notFound } from '../../http/problem-error';

/** What the thread that reckons is asked. */
export interface OrderAheadTask {
  readonly url: string;
  readonly musterId: string;
  readonly wanted: OrderAheadWanted;
}

/** So many members and days are drawn at most, so that the largest muster takes no more than a minute. */
const MOST_DRAWN = 600_000;
const MOST_WORLDS = 1_600;
const FEWEST_WORLDS = 400;
/** So many wearers' acts stand in memory at once. */
const AT_ONCE = 200;
/** Worlds are drawn alike for the same list, so that an order asked for twice is the same. */
const SEED = 20_261_201;

/** Somebody to be kitted out: what is known of them, and the garments they get. */
interface Expected {
  readonly member: Member;
  readonly chartIds: readonly string[];
  /** Garments whose size is decided, and that are neither handed over nor reserved. */
  readonly decided: readonly { readonly chartId: string; readonly label: string }[];
  readonly rests: 'measured' | 'own' | 'nothing';
  readonly grown: boolean;
}

/**
 * What to order for a muster before anybody is measured there: its wearers as their records and what they sent tell of
 * them, and others of whom only the build is known. Those who have a garment in hand already need none.
 */
export async function orderAheadFor(
  database: Database,
  { musterId, wanted }: Omit<OrderAheadTask, 'url'>,
): Promise<OrderAheadView> {
  const standing = await new Standings().read(database, musterId);
  if (standing === undefined) throw notFound('muster');
  const { habits } = await findSettings(database);
  const expected = [
    ...(await wearersExpected(database, standing.muster, habits)),
    ...(await othersExpected(database, wanted.others)),
  ];
  const found = await findCharts(database, [
    ...new Set(
      expected.flatMap(({ chartIds, decided }) => [...chartIds, ...decided.map(({ chartId }) => chartId)]),
    ),
  ]);
  // Dockets may ask for an older version of what is ordered as one thing.
  const series = [...new Set(found.map(({ seriesId }) => seriesId))];
  const charts = await Promise.all(series.map(async (id) => (await listVersions(database, id))[0]!));
  const placeOf = (chartId: string) => series.indexOf(found.find(({ id }) => id === chartId)?.seriesId ?? '');
  const renames = await renamesOf(database, series);
  const decided = charts.map(() => new Map<string, number>());
  for (const one of expected.flatMap((each) => each.decided)) {
    const chart = found.find(({ id }) => id === one.chartId);
    if (chart === undefined) continue;
    const label = labelNow(renames, { ...chart, label: one.label });
    const own = decided[placeOf(one.chartId)]!;
    own.set(label, (own.get(label) ?? 0) + 1);
  }
  const drawn = Math.floor(MOST_DRAWN / Math.max(1, expected.length));
  const worlds = Math.min(MOST_WORLDS, Math.max(FEWEST_WORLDS, drawn));
  const tallies = tallyAhead(
    charts.map((chart, at) => ({ ...aheadOf(chart, habits), decided: decided[at]! })),
    expected.map(({ member, chartIds }) => ({
      member,
      gets: [...new Set(chartIds.map(placeOf))].filter((at) => at >= 0),
    })),
    worlds,
    seededRandom(SEED),
  );
  const { orders, chance } = ordersAhead(tallies, wanted.chance, wanted.over);
  const stock = await stockOf(
    database,
    charts.map(({ seriesId }) => seriesId),
  );
  const count = (rests: Expected['rests']) => expected.filter((one) => one.rests === rests).length;
  return {
    chance,
    garments: charts.map(({ seriesId, sheet: { maker, garment } }, at): GarmentAhead => {
      const { lines, reckoned, ...rest } = orders[at]!;
      return {
        ...{ seriesId, maker, garment, reckoned: [...reckoned], ...rest },
        lines: lines.map((line) => ({
          ...line,
          ...(stock.get(`${seriesId} ${line.label}`) ?? { there: 0, coming: 0 }),
        })),
      };
    }),
    restsOn: {
      ...{ measured: count('measured'), own: count('own'), nothing: count('nothing') },
      ...{ grown: expected.filter(({ grown }) => grown).length, worlds },
    },
  };
}

/** What lies on the shelves and is coming of some garments, by series and label. */
async function stockOf(
  database: Database,
  series: readonly string[],
): Promise<ReadonlyMap<string, { readonly there: number; readonly coming: number }>> {
  const rows = await database<ArticleRow>('articles').whereIn('series_id', [...series]);
  const known = await tellArticles(database, rows);
  return new Map(
    known.map((one) => [`${one.seriesId} ${one.label}`, { there: onShelves(one), coming: one.coming }]),
  );
}

function aheadOf(chart: Chart, habits: Habits) {
  return { chart: compileChart(chart.sheet), rule: houseRuling(chart.sheet, habits).rule };
}

async function wearersExpected(database: Database, muster: Muster, habits: Habits): Promise<Expected[]> {
  const people = muster.people.filter(({ day }) => day.standing.is !== 'gone');
  const expected: Expected[] = [];
  for (let from = 0; from < people.length; from += AT_ONCE)
    expected.push(...(await someExpected(database, muster, people.slice(from, from + AT_ONCE), habits)));
  return expected;
}

async function someExpected(
  database: Database,
  muster: Muster,
  people: readonly MusterPerson[],
  habits: Habits,
): Promise<Expected[]> {
  const ids = people.map(({ wearerId }) => wearerId);
  const wearers = await database('wearers')
    .whereIn('id', ids)
    .select<{ id: string; role: string; born: string | null }[]>('id', 'role', 'born');
  const dockets = await database('dockets')
    .whereIn('wearer_id', ids)
    .select<{ id: string; number: number; wearer_id: string }[]>('id', 'number', 'wearer_id');
  const docketIds = dockets.map(({ id }) => id);
  const [acts, links, asked, kits, told] = await Promise.all([
    actsByDocket(database, docketIds),
    linksOf(database, docketIds),
    garmentsOn(database, people),
    listKits(database),
    toldOf(database, muster.id, ids),
  ]);
  const day = `${muster.day}T12:00:00.000Z`;
  return wearers.map(({ id, role, born }): Expected => {
    const person = people.find(({ wearerId }) => wearerId === id)!;
    const own = dockets.filter(({ wearer_id }) => wearer_id === id);
    const read = valuesRead(
      own.map((one) => ({ number: one.number, acts: acts.get(one.id)! })),
      habits,
    );
    const sent = links
      .filter(({ docketId }) => own.some((one) => one.id === docketId))
      .flatMap(({ measured }) => measured)
      .filter(({ waist }) => isNaturalWaist(waist ?? null))
      .map(({ code, value, takenAt }): PastValue => ({ code, value, takenAt, own: true }));
    // What a fitter read counts before what was sent or told, of the same measurement.
    const listed = told.get(id);
    const theirs = [...(listed === undefined ? [] : asPastValues(listed)), ...sent];
    const points = [...read, ...theirs.filter(({ code }) => read.every((one) => one.code !== code))];
    const age = ageAt(born, Date.parse(day));
    const known: GrownValue[] = knownAhead(points, day, stillGrows(habits, age));
    const kitId = person.kitId ?? kitFor(kits, null, role)?.id ?? null;
    const open = asked.get(person.docketId);
    return {
      member: { known, build: null },
      chartIds: open?.chartIds ?? latestOf(kits, kitId),
      decided: open?.decided ?? [],
      rests: read.length > 0 ? 'measured' : theirs.length > 0 ? 'own' : 'nothing',
      grown: known.some(({ grown }) => grown),
    };
  });
}

function valuesRead(
  dockets: readonly { readonly number: number; readonly acts: readonly Act[] }[],
  habits: Habits,
): PastValue[] {
  return historyOf(dockets, habits, null, 0)
    .points.filter(({ waist }) => isNaturalWaist(waist))
    .map(({ code, value, takenAt, origin }) => ({ code, value, takenAt, own: origin !== 'fitter' }));
}

/** How far a garment has come of which none is ordered any more. */
const NOT_ORDERED = new Set(['handed-over', 'made-to-measure']);

/** What the dockets ask for that are open already: without what is in hand, or lies reserved. */
async function garmentsOn(
  database: Database,
  people: readonly MusterPerson[],
): Promise<ReadonlyMap<string, Pick<Expected, 'chartIds' | 'decided'>>> {
  const docketIds = people.map(({ docketId }) => docketId);
  const rows = await database('docket_garments')
    .whereIn('docket_id', docketIds)
    .select<
      { docket_id: string; chart_id: string; stage: string; final_size: string | null }[]
    >('docket_id', 'chart_id', 'stage', 'final_size');
  const kept = await database('reservations')
    .whereIn('docket_id', docketIds)
    .whereNotNull('held_chart_id')
    .select<{ docket_id: string; held_chart_id: string }[]>('docket_id', 'held_chart_id');
  const reserved = new Set(kept.map(({ docket_id, held_chart_id }) => `${docket_id} ${held_chart_id}`));
  const asked = new Map<string, { chartIds: string[]; decided: { chartId: string; label: string }[] }>();
  for (const { docket_id, chart_id, stage, final_size } of rows) {
    const own = asked.get(docket_id) ?? { chartIds: [], decided: [] };
    asked.set(docket_id, own);
    if (NOT_ORDERED.has(stage) || reserved.has(`${docket_id} ${chart_id}`)) continue;
    if (final_size === null || stage === 'came-back') own.chartIds.push(chart_id);
    else own.decided.push({ chartId: chart_id, label: final_size });
  }
  return asked;
}

type Kits = Awaited<ReturnType<typeof listKits>>;

function latestOf(kits: Kits, kitId: string | null): readonly string[] {
  return kits.find(({ id }) => id === kitId)?.garments.map(({ chartId }) => chartId) ?? [];
}

async function othersExpected(database: Database, others: OrderAheadWanted['others']): Promise<Expected[]> {
  if (others.length === 0) return [];
  const kits = await listKits(database);
  return others.flatMap(({ build, count, kitId }) =>
    Array.from({ length: count }, (): Expected => {
      const chartIds = latestOf(kits, kitId);
      return { member: { known: [], build }, chartIds, decided: [], rests: 'nothing', grown: false };
    }),
  );
}
