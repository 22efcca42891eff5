import type { Chart } from '@neat-measure/contract';
import {
  finalSize,
  garmentKind,
  isClosing,
  stageOf,
  standingDecision,
  type Docket,
} from '@neat-measure/core';
import { DocketSizer, GarmentKeeper, RESTS, type Sizing, type Stands } from '@neat-measure/core/group';
import { madeLabels } from '@neat-measure/core/stock';
import { kitFor } from '@neat-measure/core/muster';
import type { Database } from '../../database/database';
import { listKits } from '../../kits/store';
import { findSettings } from '../../settings/store';
import { wearersIn } from '../groups';
import { Standings } from '../standing';
import { wearersOf } from '../store';
import { knownDockets, type ToJudge, type ToSize } from './known-dockets';
import { beat, BEAT_MS, endSizing, findSizing, keepSizing } from '../../sizings/store';

/** So many wearers' acts are read at once, and so many are sized before somebody is told. */
const AT_ONCE = 200;

/** Nobody wants it any more. */
class Cancelled extends Error {}

/**
 * Sizes a muster or a group, and keeps what it comes to. How far it is is told on the way; cancelled, it ends within the
 * next step.
 */
export async function runSizing(database: Database, id: string): Promise<void> {
  try {
    const wanted = await findSizing(database, id);
    if (wanted === undefined) return;
    const people = await (wanted.of === 'muster'
      ? onMuster(database, wanted.subjectId, wanted.kitId)
      : inGroupOf(database, wanted.subjectId, wanted.kitId));
    await keepSizing(database, id, await sizeAll(database, people, progressOf(database, id)));
  } catch (error) {
    if (error instanceof Cancelled) return;
    await endSizing(database, id, 'failed');
    throw error;
  }
}

/** Tells how far it is, at most once a second. */
function progressOf(database: Database, id: string) {
  let told = 0;
  return async (done: number, steps: number): Promise<void> => {
    if (Date.now() - told < BEAT_MS / 4) return;
    told = Date.now();
    if (!(await beat(database, id, done, steps))) throw new Cancelled();
  };
}

/** Everybody on a muster who has not left without anything, each by their docket, or the kit they were added with. */
async function onMuster(database: Database, musterId: string, kitId: string | null): Promise<ToSize[]> {
  const standing = await new Standings().read(database, musterId);
  const people = standing?.muster.people ?? [];
  const wearers = await wearersOf(
    database,
    people.map(({ wearerId }) => wearerId),
  );
  const roles = new Map(wearers.map(({ id, role }) => [id, role]));
  const kits = await listKits(database);
  return people.flatMap((one): ToSize[] => {
    const role = roles.get(one.wearerId);
    // Whoever was erased since is on no list any more.
    if (role === undefined) return [];
    return [{ ...one, ...askedBy(kits, one.kitId ?? kitId, role), unit: standing!.muster.unit }];
  });
}

async function inGroupOf(database: Database, groupId: string, kitId: string | null): Promise<ToSize[]> {
  const kits = await listKits(database);
  return (await wearersIn(database, groupId)).map(
    ({ id, role }): ToSize => ({
      ...{ wearerId: id, docketId: null, unit: 'cm' },
      ...askedBy(kits, kitId, role),
    }),
  );
}

function askedBy(kits: Awaited<ReturnType<typeof listKits>>, kitId: string | null, role: string) {
  const kit = kitFor(kits, kitId, role);
  return { garments: kit?.garments.map(({ chartId }) => chartId) ?? [], protocols: kit?.protocols ?? [] };
}

async function sizeAll(
  database: Database,
  people: readonly ToSize[],
  tell: (done: number, steps: number) => Promise<void>,
): Promise<Sizing> {
  const { habits } = await findSettings(database);
  const judged: ToJudge[] = [];
  const charts = new Map<string, Chart>();
  for (let from = 0; from < people.length; from += AT_ONCE) {
    await tell(from, 2 * people.length);
    const some = await knownDockets(database, people.slice(from, from + AT_ONCE));
    judged.push(...some.judged);
    for (const chart of some.charts) charts.set(chart.id, chart);
  }
  const wanted = new Map<string, number>();
  for (const { chartId } of judged.flatMap(({ docket }) => docket.garments))
    wanted.set(chartId, (wanted.get(chartId) ?? 0) + 1);
  // First what most of them get.
  const asked = [...charts.values()]
    .filter(({ id }) => wanted.has(id))
    .sort(
      (one, other) => wanted.get(other.id)! - wanted.get(one.id)! || (nameOf(one) < nameOf(other) ? -1 : 1),
    );
  const garments: Sizing['garments'][number][] = [];
  for (const chart of asked) {
    const sizer = new DocketSizer(chart, habits);
    const { id: chartId, seriesId, version, sheet } = chart;
    const { garment, maker, kind } = sheet;
    const head = { chartId, seriesId, version, garment, maker, protects: garmentKind(kind).protects };
    const keeper = new GarmentKeeper(head, madeLabels(sheet).labels);
    for (let from = 0; from < judged.length; from += AT_ONCE) {
      const share = (garments.length + from / judged.length) / asked.length;
      await tell(Math.floor(judged.length * (1 + share)), 2 * judged.length);
      const some = judged.slice(from, from + AT_ONCE).map(({ docket }) => docket);
      sizer
        .size(some)
        .forEach((size, at) =>
          keeper.add(size === null ? null : { size, ...standingOf(some[at]!, chart.id) }),
        );
    }
    garments.push(keeper.kept());
  }
  return {
    habits: habits.version,
    wearerIds: people.map(({ wearerId }) => wearerId),
    docketIds: people.map(({ docketId }) => docketId ?? ''),
    rests: judged.map(({ rests }) => RESTS.indexOf(rests)),
    acts: judged.map(({ acts }) => acts),
    garments,
  };
}

function nameOf({ sheet: { garment, maker } }: Chart): string {
  return `${garment}, ${maker}`;
}

/** How far somebody is with a garment, and the label that stands. */
function standingOf(docket: Docket, chartId: string): { stands: Stands; decided: string | null } {
  const stage = stageOf(docket, chartId);
  const decided = finalSize(docket, chartId)?.size ?? null;
  if (stage === 'handed-over') return { stands: 'in-hand', decided };
  if (stage === 'made-to-measure') return { stands: 'made-to-measure', decided };
  // What came back is to be decided anew.
  const isDecided = stage !== 'came-back' && decided !== null && isClosing(standingDecision(docket, chartId));
  return isDecided ? { stands: 'decided', decided } : { stands: 'open', decided: null };
}
