import {
  isOnDocket,
  ROUTES,
  GROUPS,
  type Bench,
  type Chart,
  type ChartSummary,
  type DocketSummary,
  type KeptAct,
  type KeptAnyAct,
  type Newcomer,
  type Wearer,
} from '@neat-measure/contract';
import type { MusterSummary, MusterView, Pack, PackedPerson } from '@neat-measure/contract/musters';
import {
  continued,
  decidingCodes,
  garmentRow,
  isClosing,
  isMusterAct,
  kindOf,
  MUSTER_ACTS,
  recordOf,
  replay,
  standingTaken,
  type Act,
  type AnyAct,
  type Docket,
  type Doing,
} from '@neat-measure/core';
import { countsOf, kitFor, openingDoings, type Muster } from '@neat-measure/core/muster';
import { shelvesAsOf, stockAsOf, withoutMoved, type MovedSince } from '@neat-measure/core/stock';
import { v7 as uuidv7 } from 'uuid';
import { inTurn } from '../journal/in-turn';
import { asWearer } from './newcomers';
import { page, type Asked } from './part-of-list';

/** What the answers rest on beside the pack: what was done here and is not known to be kept yet. */
export interface Here {
  waiting(): readonly AnyAct[];
  /** What the server has kept of it since, as this page heard it: here before it is sealed and kept. */
  heard(): readonly KeptAnyAct[];
  newcomers(): readonly Newcomer[];
  /** Dockets that were looked at while the server was there, as it told of them. */
  readonly looked: readonly Bench[];
}

/** A docket as it is known here. */
interface Known {
  readonly id: string;
  readonly wearer: Wearer;
  /** 0 where the server has given it none yet. */
  readonly number: number;
  readonly acts: readonly KeptAct[];
  readonly record: Bench['record'];
  readonly wished: Bench['wished'];
}

/**
 * What this device answers in the server's place, of a muster it took along: the same paths, the same answers, as of when it
 * was taken, with everything that was done here since. What it does not know has no answer.
 */
export class PackAnswers {
  private readonly byDocket: ReadonlyMap<string, PackedPerson>;
  private readonly byOther: ReadonlyMap<string, PackedPerson>;
  private readonly looked: ReadonlyMap<string, Bench>;
  /** Every chart that is here, whatever brought it. */
  private readonly library: readonly Chart[];
  /** Openings that the server will do itself, made here once so that they stay the same. */
  private readonly opened = new Map<string, readonly KeptAct[]>();

  constructor(
    private readonly pack: Pack,
    private readonly stored: readonly KeptAnyAct[],
    private readonly here: Here,
  ) {
    this.byDocket = new Map(pack.people.map((one) => [one.docketId, one]));
    this.byOther = new Map(pack.people.flatMap((one) => one.others.map(({ id }) => [id, one] as const)));
    this.looked = new Map(here.looked.map((one) => [one.id, one]));
    const charts = [...here.looked.flatMap((one) => one.charts), ...pack.charts];
    this.library = [...new Map(charts.map((chart) => [chart.id, chart])).values()];
  }

  /** What the server has kept since it was taken along, in the order it was let in. */
  private get since(): readonly KeptAnyAct[] {
    const all = new Map([...this.stored, ...this.here.heard()].map((one) => [one.act.id, one]));
    return [...all.values()].sort((one, other) => one.place - other.place);
  }

  /** The answer to what is asked by a path; `undefined` where only the server has it. */
  answer(path: string): unknown {
    const { pathname, searchParams } = new URL(path, 'http://device');
    const [, , route, id, what] = pathname.split('/');
    const asked = { search: searchParams.get('search') ?? '', from: Number(searchParams.get('from') ?? 0) };
    switch (`/api/${route}`) {
      case ROUTES.dockets:
        if (id === undefined) return this.dockets(asked, searchParams.get('waiting') === 'fitting');
        return this.ofDocket(id, what);
      case ROUTES.wearers:
        return id === undefined ? page(this.wearers(), asked, sayWearer, namesOf) : undefined;
      case ROUTES.charts:
        if (id === undefined)
          return page(this.charts(), asked, ({ maker, garment }) => `${maker} ${garment}`);
        return this.ofChart(id, what);
      case ROUTES.kits:
        return this.pack.kits;
      case ROUTES.protocols:
        return this.pack.protocols;
      case GROUPS:
        return id === undefined ? this.pack.view.groups : undefined;
      case ROUTES.musters:
        if (id === undefined) return page([this.summary()], asked, ({ name, place }) => `${name} ${place}`);
        return id === this.pack.view.muster.id ? this.ofMuster(what, searchParams) : undefined;
      default:
        return undefined;
    }
  }

  private ofDocket(id: string, what: string | undefined): unknown {
    const known = this.known(id);
    if (known === undefined) return undefined;
    if (what === undefined) return this.bench(known);
    // Nobody can reckon here how charts run.
    if (what === 'runs') return [];
    if (what !== 'stock' && what !== 'shelves') return undefined;
    const docket = this.docketOf(known);
    const stock = withoutMoved(this.pack.stock, this.moved());
    const charts = this.chartsOf(known);
    return what === 'stock' ? stockAsOf(stock, docket, charts) : shelvesAsOf(stock, docket, charts);
  }

  private bench(known: Known): Bench {
    const { id, number, wearer, record, wished, acts } = known;
    return {
      ...{ id, number, wearer, record, wished, acts: [...acts] },
      charts: this.chartsOf(known),
      protocols: this.pack.protocols,
      habits: this.pack.habits,
    };
  }

  private known(id: string): Known | undefined {
    const acts = this.keptOn(id);
    const person = this.byDocket.get(id);
    if (person !== undefined) {
      const { wearer, record, wished, number } = person;
      const done = acts.length === 0 ? this.opening(person) : acts;
      return { id, wearer, record, wished, number: number ?? 0, acts: done };
    }
    const owner = this.byOther.get(id);
    if (owner !== undefined) return this.otherOf(owner, id, acts);
    const looked = this.looked.get(id);
    if (looked !== undefined) {
      const { wearer, record, wished, number } = looked;
      return { id, wearer, record, wished, number, acts };
    }
    const all = [...acts.map(({ act }) => act), ...this.waitingOn(id)];
    const opens = all.find((act) => act.kind === 'docket-opened');
    const wearer = opens === undefined ? undefined : this.wearers().find((one) => one.id === opens.wearerId);
    // Somebody was added to the muster here, and nobody has opened their docket yet.
    if (wearer === undefined) return this.added(id);
    return { id, wearer, number: 0, acts, record: [], wished: [] };
  }

  /** A docket that somebody on the muster has besides: what stands on record for it is what their others say. */
  private otherOf({ wearer, docketId, others }: PackedPerson, id: string, acts: readonly KeptAct[]): Known {
    const beside = [docketId, ...others.map((one) => one.id)].filter((one) => one !== id);
    const taken = beside.flatMap((one) => standingTaken(this.keptOn(one).map(({ act }) => act)));
    const record = recordOf(taken, [], this.pack, Date.now(), wearer.born);
    const number = others.find((one) => one.id === id)!.number;
    return { id, wearer, number, acts, record: [...record] as Known['record'], wished: [] };
  }

  private added(docketId: string): Known | undefined {
    const person = this.muster().people.find((one) => one.docketId === docketId);
    const wearer = this.wearers().find(({ id }) => id === person?.wearerId);
    if (wearer === undefined) return undefined;
    const packed = { wearer, docketId, others: [], told: [], record: [], wished: [], number: null, acts: [] };
    return { id: docketId, wearer, number: 0, acts: this.opening(packed), record: [], wished: [] };
  }

  /** What the server does once it hears that somebody has come: their docket, with their kit. */
  private opening({ docketId, wearer, told }: PackedPerson): readonly KeptAct[] {
    const before = this.opened.get(docketId);
    if (before !== undefined) return before;
    const muster = this.muster();
    const person = muster.people.find((one) => one.docketId === docketId);
    if (person === undefined) return [];
    const kit = kitFor(this.pack.kits, person.kitId, wearer.role);
    const doings: Doing[] = [
      ...openingDoings(muster, wearer.id, kit),
      ...told.map((one): Doing => ({ kind: 'size-told', ...one })),
    ];
    const at = this.pack.madeAt;
    // Nobody's own: what the server will do cannot be taken back here.
    const by = { id: muster.id, name: muster.name };
    const acts = doings.map((doing, index): KeptAct => {
      const act = { id: uuidv7(), docketId, at, by, ...doing } as Act;
      // Before everything that is done on it.
      return { place: index - doings.length, receivedAt: at, act };
    });
    this.opened.set(docketId, acts);
    return acts;
  }

  private keptOn(id: string): readonly KeptAct[] {
    const other = this.byOther.get(id)?.others.find((one) => one.id === id);
    const packed = this.byDocket.get(id)?.acts ?? other?.acts ?? this.looked.get(id)?.acts ?? [];
    const acts = [...packed, ...this.since.filter(isOnDocket)];
    const own = acts.filter(({ act }) => act.docketId === id);
    return [...new Map(own.map((one) => [one.act.id, one])).values()].sort((a, b) => a.place - b.place);
  }

  private waitingOn(id: string): Act[] {
    return this.here.waiting().filter((act): act is Act => !isMusterAct(act) && act.docketId === id);
  }

  private docketOf(known: Known): Docket | null {
    const acts = known.acts.map(({ act }) => act);
    const { standing, waiting } = inTurn<Act, Act>(acts, this.waitingOn(known.id));
    const { protocols, habits } = this.pack;
    return continued(replay(standing), waiting, { charts: this.library, protocols, habits }).docket;
  }

  private chartsOf({ id, acts }: Known): Chart[] {
    const all = [...acts.map(({ act }) => act), ...this.waitingOn(id)];
    const named = new Set(all.flatMap((act) => kindOf(act).needs(act).charts));
    return this.library.filter((chart) => named.has(chart.id));
  }

  /** Every docket that is known here, the latest first. */
  private dockets(asked: Asked, fitting: boolean) {
    const ids = new Set([
      ...this.pack.people.filter(({ acts }) => acts.length > 0).map(({ docketId }) => docketId),
      ...this.byOther.keys(),
      ...this.looked.keys(),
      ...[...this.since.map(({ act }) => act), ...this.here.waiting()].flatMap((act) =>
        isMusterAct(act) ? [] : [act.docketId],
      ),
    ]);
    const all = [...ids]
      .flatMap((id) => this.known(id) ?? [])
      .flatMap((known) => this.summaryOf(known) ?? [])
      .filter(
        ({ garments }) => !fitting || garments.some(({ stage }) => stage === 'to-try' || stage === 'on'),
      )
      .sort((one, other) => (one.openedAt < other.openedAt ? 1 : -1));
    return page(all, asked, ({ wearer, occasion, number }) =>
      [wearer.name, wearer.role, occasion, number].join(' '),
    );
  }

  private summaryOf(known: Known): DocketSummary | null {
    const docket = this.docketOf(known);
    if (docket === null) return null;
    const { wearer, number } = known;
    return {
      ...{ id: known.id, number, occasion: docket.occasion, openedAt: docket.openedAt },
      wearer: { id: wearer.id, name: wearer.name, role: wearer.role },
      garments: docket.garments.map(({ chartId }) => {
        const { outcome, size, finalSize, stage } = garmentRow(docket, chartId)!;
        const decided = outcome !== null && isClosing({ outcome });
        return {
          ...{ chartId, stage },
          garment: this.library.find(({ id }) => id === chartId)?.sheet.garment ?? '',
          decided: decided ? (finalSize ?? size ?? 'made to measure') : null,
        };
      }),
    };
  }

  private wearers(): readonly Wearer[] {
    const known = new Map([
      ...this.here.looked.map(({ wearer }) => [wearer.id, wearer] as const),
      ...this.pack.people.map(({ wearer }) => [wearer.id, wearer] as const),
    ]);
    for (const one of this.here.newcomers()) if (!known.has(one.id)) known.set(one.id, asWearer(one));
    return [...known.values()].sort((one, other) => one.name.localeCompare(other.name));
  }

  private charts(): ChartSummary[] {
    const inUse = new Set(this.pack.inUse);
    return this.pack.charts
      .filter(({ id }) => inUse.has(id))
      .map(({ id, seriesId, version, sheet }) => ({
        ...{ id, seriesId, version, maker: sheet.maker, garment: sheet.garment, kind: sheet.kind },
        ...{ parts: sheet.parts.length, sizes: sheet.parts[0]!.sizes.length, codes: decidingCodes(sheet) },
      }));
  }

  private ofChart(id: string, what: string | undefined): unknown {
    const chart = this.pack.charts.find((one) => one.id === id);
    if (chart === undefined) return undefined;
    if (what === undefined) return chart;
    if (what !== 'versions') return undefined;
    return this.pack.charts
      .filter(({ seriesId }) => seriesId === chart.seriesId)
      .sort((one, other) => other.version - one.version);
  }

  /** The muster with what was done here and kept since it was taken along; what waits is added by whoever shows it. */
  private muster(): Muster {
    const { muster, place } = this.pack.view;
    const since = this.since.flatMap(({ act, place: at }) =>
      isMusterAct(act) && act.musterId === muster.id && at > place ? [act] : [],
    );
    return MUSTER_ACTS.course(muster as unknown as Muster).end(since) ?? (muster as unknown as Muster);
  }

  private ofMuster(what: string | undefined, asked: URLSearchParams): unknown {
    if (what === undefined) {
      const view: MusterView = {
        ...this.pack.view,
        muster: this.muster() as unknown as MusterView['muster'],
        wearers: this.wearers().map(asNamed),
      };
      return view;
    }
    if (what !== 'wearers') return undefined;
    const ids = (asked.get('ids') ?? '').split(',');
    return this.wearers()
      .filter(({ id }) => ids.includes(id))
      .map(asNamed);
  }

  private summary(): MusterSummary {
    const muster = this.muster();
    const { all, here, done, owed, without } = countsOf(muster);
    const { id, name, place, day, lastDay, closedAt } = muster;
    return { id, name, place, day, lastDay, closedAt, people: all, here, gone: done + owed + without };
  }

  /** What went out here since the stores were looked at. */
  private moved(): MovedSince[] {
    // What is kept and not crossed out yet has gone out once.
    const all = [...this.since.map(({ act }) => act), ...this.here.waiting()];
    const acts = [...new Map(all.map((act) => [act.id, act])).values()];
    const undone = new Set(acts.flatMap((act) => (act.kind === 'handing-withdrawn' ? [act.actId] : [])));
    return acts.flatMap((act) => {
      if (act.kind !== 'garments-handed-over' || undone.has(act.id)) return [];
      return act.garments.flatMap(({ chartId, from, found }): MovedSince[] => {
        const chart = this.library.find(({ id }) => id === chartId);
        if (chart === undefined || from === undefined || from === null) return [];
        const label = found?.size ?? this.labelOf(act.docketId, chartId);
        if (label === null) return [];
        return [{ seriesId: chart.seriesId, label, roomId: from.roomId, pieceId: from.pieceId }];
      });
    });
  }

  private labelOf(docketId: string, chartId: string): string | null {
    const known = this.known(docketId);
    const docket = known === undefined ? null : this.docketOf(known);
    return docket === null ? null : (garmentRow(docket, chartId)?.finalSize ?? null);
  }
}

function namesOf({ name, number }: Wearer): readonly [string, ...string[]] {
  return number === null ? [name] : [name, number];
}

function sayWearer({ name, role, number }: Wearer): string {
  return [name, role, number ?? ''].join(' ');
}

function asNamed({ id, name, role, number }: Wearer) {
  return { id, name, role, number };
}
