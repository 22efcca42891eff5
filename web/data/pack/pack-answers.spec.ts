import {
  benchSchema,
  chartSummariesSchema,
  docketSummarySchema,
  musterStreamPath,
  pageSchema,
  pathOf,
  ROUTES,
  wearersSchema,
  type Bench,
  type KeptAnyAct,
  type Newcomer,
} from '@neat-measure/contract';
import { musterViewSchema } from '@neat-measure/contract/musters';
import { docketShelvesPath, docketStockPath } from '@neat-measure/contract/stores';
import { replay, type AnyAct } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { HALL_AT, HALL_COAT, HALL_ROOM, hallPack } from '../../testing/hall-pack';
import { actOn, keptAct, readingOf } from '../../testing/watch-coat';
import { PackAnswers } from './pack-answers';

describe('what a device answers in the server’s place', () => {
  const coat = HALL_COAT;
  const room = HALL_ROOM;

  /** What is answered of it, with what was done here. */
  function hall() {
    const { pack, bench, unopened, expected, spec } = hallPack();
    const waiting: AnyAct[] = [];
    const newcomers: Newcomer[] = [];
    const since: KeptAnyAct[] = [];
    const heard: KeptAnyAct[] = [];
    const looked: Bench[] = [];
    const answers = () =>
      new PackAnswers(pack, since, {
        waiting: () => waiting,
        heard: () => heard,
        newcomers: () => newcomers,
        looked,
      });
    const benchOf = (id: string, from = answers()): Bench =>
      benchSchema.parse(from.answer(pathOf(ROUTES.dockets, id)));
    return {
      ...{ pack, bench, unopened, expected, spec, waiting, newcomers, since, heard, looked },
      ...{ answers, benchOf },
    };
  }
  const docketsSchema = pageSchema(docketSummarySchema);

  it('a docket as the server tells it, with what was kept of this device since', () => {
    const { bench, benchOf, since } = hall();
    expect(benchOf(bench.id)).toEqual(bench);
    const more = keptAct(actOn(bench.id, readingOf('waist-girth', '78')));
    since.push(more, bench.acts[0]!);
    expect(benchOf(bench.id).acts).toEqual([...bench.acts, more]);
  });

  it('what was kept a moment ago, though it waits no more and is not written down here yet', () => {
    const { bench, benchOf, since, heard, answers } = hall();
    const [first, second] = ['78', '78.5'].map((typed) =>
      keptAct(actOn(bench.id, readingOf('waist-girth', typed))),
    );
    since.push(second!);
    const from = answers();
    heard.push(first!, second!);
    const places = benchOf(bench.id, from).acts.map(({ place }) => place);
    expect(places).toEqual([...bench.acts, first!, second!].map(({ place }) => place));
  });

  it('a docket nobody has opened yet with the kit of its wearer, the same as long as the page stands', () => {
    const { unopened, expected, benchOf, answers } = hall();
    const from = answers();
    const opened = benchOf(unopened, from);
    expect([opened.number, opened.wearer.name]).toEqual([0, expected.name]);
    const docket = replay(opened.acts.map(({ act }) => act))!;
    expect([docket.wearerId, docket.occasion]).toEqual([expected.id, 'Winter intake']);
    expect(docket.garments.map(({ chartId }) => chartId)).toEqual([coat.id]);
    expect(opened.charts).toEqual([coat]);
    expect(benchOf(unopened, from).acts).toEqual(opened.acts);
    // What the server gives comes behind it, whatever its places are.
    expect(Math.max(...opened.acts.map(({ place }) => place))).toBeLessThan(0);
  });

  it('the other dockets of whoever is on the muster, with what stands on record for them', () => {
    const { pack, bench, answers } = hall();
    const [id, at] = [uuidv7(), new Date().toISOString()];
    const opened = actOn(id, {
      ...{ kind: 'docket-opened', wearerId: bench.wearer.id, occasion: 'Hire' },
      ...{ unit: 'cm', preference: 'regular' },
    });
    pack.people[0]!.others.push({ id, number: 7, acts: [keptAct({ ...opened, at } as never)] });
    const other = benchSchema.parse(answers().answer(pathOf(ROUTES.dockets, id)));
    expect([other.number, other.wearer, other.acts.length]).toEqual([7, bench.wearer, 1]);
    expect(other.record.map(({ code, value }) => [code, Number(value)])).toEqual([['chest-girth', 900_000]]);
    const { items } = docketsSchema.parse(answers().answer(`${ROUTES.dockets}?search=hire`));
    expect(items.map(({ number }) => number)).toEqual([7]);
  });

  it('a docket that was opened here, of somebody it knows or met here, and nothing of anybody else’s', () => {
    const { waiting, newcomers, benchOf, answers } = hall();
    const [docketId, wearerId] = [uuidv7(), uuidv7()];
    newcomers.push({ id: wearerId, name: 'Oona Pelt', role: '', born: null, number: null });
    waiting.push(
      actOn(docketId, { kind: 'docket-opened', wearerId, occasion: '', unit: 'in', preference: 'regular' }),
      actOn(docketId, { kind: 'garment-asked', chartId: coat.id }),
    );
    const opened = benchOf(docketId);
    // What waits is added by whoever shows it, and stands in no list twice.
    expect([opened.wearer.name, opened.acts.length, opened.charts.length]).toEqual(['Oona Pelt', 0, 1]);
    const { items } = docketsSchema.parse(answers().answer(`${ROUTES.dockets}?search=oona`));
    expect(items.map(({ id, number, garments }) => [id, number, garments.length])).toEqual([
      [docketId, 0, 1],
    ]);
    for (const path of [
      pathOf(ROUTES.dockets, uuidv7()),
      pathOf(ROUTES.musters, uuidv7()),
      pathOf(ROUTES.charts, uuidv7()),
      musterStreamPath(uuidv7()),
      '/api/settings',
      '/api/stores/articles',
    ])
      expect(answers().answer(path)).withContext(path).toBeUndefined();
  });

  it('wearers with whoever was named first, as the server does', () => {
    const { newcomers, answers } = hall();
    for (const [name, number] of [
      ['Abzed Leekin', '1077'],
      ['Amund Zed Leeward', null],
      ['Zed Lee', null],
      ['Yorick Plain', '77'],
    ] as const)
      newcomers.push({ id: uuidv7(), name, role: '', born: null, number });
    const found = (search: string) =>
      wearersSchema
        .parse(answers().answer(`${ROUTES.wearers}?search=${encodeURIComponent(search)}`))
        .items.map(({ name }) => name);
    expect(found('zed lee')).toEqual(['Zed Lee', 'Amund Zed Leeward', 'Abzed Leekin']);
    expect(found('77')).toEqual(['Yorick Plain', 'Abzed Leekin']);
  });

  it('a docket that was looked at while the server was there, whoever it is of, with what was done on it since', () => {
    const { bench, looked, since, waiting, benchOf, answers } = hall();
    const [id, wearerId] = [uuidv7(), uuidv7()];
    const own = { ...coat, id: uuidv7(), seriesId: uuidv7() };
    const acts = [
      { kind: 'docket-opened', wearerId, occasion: '', unit: 'cm', preference: 'regular' } as const,
      { kind: 'garment-asked', chartId: own.id } as const,
    ].map((doing) => keptAct(actOn(id, doing)));
    const wearer = { ...bench.wearer, id: wearerId, name: 'Ilse Passer' };
    looked.push({ ...bench, id, number: 77, wearer, acts, charts: [own] });
    const more = keptAct(actOn(id, readingOf('chest-girth', '98')));
    since.push(more);
    expect(benchOf(id)).toEqual({ ...bench, id, number: 77, wearer, acts: [...acts, more], charts: [own] });
    waiting.push(actOn(id, readingOf('chest-girth', '98')));
    const { items } = docketsSchema.parse(answers().answer(`${ROUTES.dockets}?search=passer`));
    expect(items.map(({ number, garments }) => [number, garments[0]!.garment])).toEqual([
      [77, own.sheet.garment],
    ]);
  });

  it('lists as they are searched, without accents too, a part at a time', () => {
    const { answers, expected, pack } = hall();
    const names = (path: string) => wearersSchema.parse(answers().answer(path)).items.map(({ name }) => name);
    expect(names(ROUTES.wearers)).toEqual(['Maren Okonjo', expected.name]);
    expect(names(`${ROUTES.wearers}?search=angstrom%20zo`)).toEqual([expected.name]);
    expect(names(`${ROUTES.wearers}?from=1`)).toEqual([expected.name]);
    const charts = chartSummariesSchema.parse(answers().answer(`${ROUTES.charts}?search=watch`));
    expect([charts.total, charts.items[0]!.id]).toEqual([1, coat.id]);
    expect(pack.inUse).toEqual([coat.id]);
    expect(docketsSchema.parse(answers().answer(`${ROUTES.dockets}?waiting=fitting`)).total).toBe(0);
  });

  it('the muster with what was kept of this device since, at the place it was taken at', () => {
    const { answers, spec, pack, since, expected } = hall();
    const came = spec.act('checked-in', { wearerId: expected.id, missing: null });
    since.push({ place: 5_000_009, receivedAt: HALL_AT, act: came });
    const view = musterViewSchema.parse(answers().answer(pathOf(ROUTES.musters, pack.view.muster.id)));
    const standing = view.muster.people.find(({ wearerId }) => wearerId === expected.id)!.day.standing;
    // What others did between is told once the server is there again: nothing is passed over.
    expect([standing.is, view.place]).toEqual(['waiting', pack.view.place]);
  });

  it('the stores as they were taken, without what went out here, and with it once that is undone', () => {
    const { answers, bench, waiting } = hall();
    const sizes = (path: string) => answers().answer(path) as { sizes: { label: string; count: number }[] }[];
    expect(sizes(docketShelvesPath(bench.id))[0]!.sizes).toEqual([
      jasmine.objectContaining({ label: 'S', count: 2 }),
    ]);
    const handed = actOn(bench.id, {
      kind: 'garments-handed-over',
      garments: [
        {
          ...{ chartId: coat.id, way: 'issued', until: null, untried: null },
          from: { roomId: room, pieceId: null },
          found: { size: 'S', sizes: { size: 'S' } },
        },
      ],
      signature: { by: 'name', name: 'Maren Okonjo' },
    });
    waiting.push(handed);
    expect(sizes(docketShelvesPath(bench.id))[0]!.sizes[0]!.count).toBe(1);
    waiting.push(actOn(bench.id, { kind: 'handing-withdrawn', actId: handed.id }));
    expect(sizes(docketShelvesPath(bench.id))[0]!.sizes[0]!.count).toBe(2);
    expect(answers().answer(docketStockPath(bench.id))).toEqual([]);
  });
});
