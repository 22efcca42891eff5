import {
  pathOf,
  ROUTES,
  sizingDecisionPath,
  sizingDecisionsPath,
  sizingPlacingPath,
  sizingSheetPath,
  SIZINGS,
} from '@neat-measure/contract';
import {
  decidedManySchema,
  placingSchema,
  type PlacingView,
  sizingListSchema,
  sizingProgressSchema,
  sizingViewSchema,
} from '@neat-measure/contract/musters';
import { judgeDocket, replay, standingDecision } from '@neat-measure/core';
import { inGroup, restsOf, shownRows, sizeChanges, sizedOne } from '@neat-measure/core/group';
import { v7 as uuidv7 } from 'uuid';
import { openBench } from '../../dockets/service';
import { addSizing, beat, findSizing } from '../../sizings/store';
import { Harness } from '../../testing/harness';
import { MusterHall } from '../../testing/musters';
import { problem, reading, Records } from '../../testing/records';
import { runSizing } from './size';

describe('sizing a muster', () => {
  let app: Harness;
  const records = new Records(() => app);
  const musters = new MusterHall(() => app, records);
  beforeEach(async () => (app = await Harness.start()));
  afterEach(() => app.stop());

  const begin = (subjectId: string, id = uuidv7(), of: 'muster' | 'group' = 'muster') =>
    app.send('PUT', pathOf(SIZINGS, id), { of, subjectId });
  /** Sizes and waits until it is done. */
  const sized = async (subjectId: string, of: 'muster' | 'group' = 'muster') => {
    const id = uuidv7();
    expect((await begin(subjectId, id, of)).status).toBe(202);
    while ((await findSizing(app.database, id))!.progress.state === 'running')
      await new Promise((resolve) => setTimeout(resolve, 20));
    return sizingViewSchema.parse((await app.get(pathOf(SIZINGS, id))).body);
  };
  const measure = async (docketId: string, chest: string, waist: string) => {
    for (const typed of [chest, chest]) await records.does(docketId, reading('chest-girth', typed));
    for (const typed of [waist, waist]) await records.does(docketId, reading('waist-girth', typed));
  };
  /** A muster of three: one measured there, one on an earlier docket, and one of whom nothing is known. */
  const three = async () => {
    const { id, wearers, chartId } = await musters.open(3);
    await musters.does(id, { kind: 'checked-in', wearerId: wearers[0]!.wearerId });
    await measure(wearers[0]!.docketId, '98', '86');
    const earlier = await records.docket([chartId], wearers[1]!.wearerId);
    await measure(earlier.id, '106', '94');
    return { id, wearers, chartId };
  };

  it('says what its dockets say, uses what is on record of whoever has none, and what nobody knows it says', async () => {
    const { id, wearers, chartId } = await three();
    const { sizing, wearers: named, progress } = await sized(id);
    expect(progress).toEqual(jasmine.objectContaining({ state: 'done', wearers: 3 }) as never);
    expect(named.map((one) => one.id).sort()).toEqual(wearers.map(({ wearerId }) => wearerId).sort());
    const [jacket] = sizing.garments;
    expect(jacket!.chartId).toBe(chartId);
    const of = (at: number) => {
      const row = sizing.wearerIds.indexOf(wearers[at]!.wearerId);
      const one = sizedOne(jacket!, row)!;
      return [restsOf(sizing, row), one.verdict, one.size];
    };
    expect([0, 1, 2].map(of)).toEqual([
      ['read', 'settled', 'M'],
      ['record', 'settled', 'L'],
      ['nothing', 'incomplete', null],
    ]);
    const bench = await openBench(app.database, wearers[0]!.docketId);
    const [alone] = judgeDocket(replay(bench.acts.map(({ act }) => act))!, bench).garments;
    const here = sizedOne(jacket!, sizing.wearerIds.indexOf(wearers[0]!.wearerId))!;
    expect(inGroup(alone!.verdict).proposed).toBe(here.size);
    // Nothing was opened by looking.
    expect((await app.get(pathOf(ROUTES.dockets, wearers[1]!.docketId))).status).toBe(404);
  });

  it('stands as it was, and a later one tells who changed and why', async () => {
    const { id, wearers } = await three();
    const before = await sized(id);
    await measure(wearers[0]!.docketId, '107', '95');
    const after = await sized(id);
    expect(
      sizeChanges(before.sizing, after.sizing).map((one) => [one.wearerId, one.before?.size, one.why]),
    ).toEqual([[wearers[0]!.wearerId, 'M', 'measured']]);
    const kept = sizingViewSchema.parse((await app.get(pathOf(SIZINGS, before.progress.id))).body);
    expect(kept.sizing).toEqual(before.sizing);
    const listed = sizingListSchema.parse((await app.get(`${SIZINGS}?of=${id}`)).body);
    expect(listed.map((one) => one.id)).toEqual([after.progress.id, before.progress.id]);
  });

  it('sizes a group by the kits of its wearers’ roles, and nobody where there is none', async () => {
    const wearerId = await records.wearer();
    const groupId = uuidv7();
    await app.send('PUT', pathOf('/api/groups', groupId), { name: 'Wardens', wearerIds: [wearerId] });
    const { sizing } = await sized(groupId, 'group');
    expect([sizing.wearerIds, sizing.garments.length]).toEqual([[wearerId], 0]);
    const nobody = uuidv7();
    await app.send('PUT', pathOf('/api/groups', nobody), { name: 'Nobody', wearerIds: [] });
    expect((await sized(nobody, 'group')).sizing.wearerIds).toEqual([]);
    expect(problem(await begin(uuidv7()))).toEqual([404, 'not-found']);
  });

  it('is printed as a PDF, as far as it is asked for; what is asked must be there', async () => {
    const { id } = await three();
    const { progress } = await sized(id);
    const printed = await app.file(`${sizingSheetPath(progress.id)}?shows=certain`);
    expect([printed.status, printed.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    expect(
      Buffer.from(await printed.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    expect(problem(await app.get(sizingSheetPath(uuidv7())))).toEqual([404, 'not-found']);
    expect((await app.get(`${sizingSheetPath(progress.id)}?shows=whatever`)).status).toBe(400);
  });

  it('is begun once, cancelled, and never shown half', async () => {
    const { id } = await musters.open(1);
    const sizingId = uuidv7();
    const by = app.fitter.id;
    await addSizing(app.database, sizingId, { of: 'muster', subjectId: id, kitId: null }, by);
    expect(problem(await app.get(pathOf(SIZINGS, sizingId)))).toEqual([404, 'not-found']);
    // Begun again under its id it is the same one.
    const again = sizingProgressSchema.parse((await begin(id, sizingId)).body);
    expect([again.id, again.state]).toEqual([sizingId, 'running']);
    expect((await app.send('DELETE', pathOf(SIZINGS, sizingId))).status).toBe(204);
    expect(await beat(app.database, sizingId, 1, 2)).toBe(false);
    await runSizing(app.database, sizingId);
    const { state } = (await findSizing(app.database, sizingId))!.progress;
    expect(state).toBe('cancelled');
    // Whoever reckoned was killed: nobody waits for it for ever.
    const killed = uuidv7();
    await addSizing(app.database, killed, { of: 'muster', subjectId: id, kitId: null }, by);
    await app
      .database('sizings')
      .where({ id: killed })
      .update({ beat_at: new Date(Date.now() - 3_600_000) });
    expect((await findSizing(app.database, killed))!.progress.state).toBe('failed');
  });

  it('decides for many alike at once, an act on each, and takes them back together', async () => {
    const { id, wearers, chartId } = await musters.open(4);
    for (const { wearerId } of wearers) await musters.does(id, { kind: 'checked-in', wearerId });
    // Two lie between M and L, one is settled, and one is measured otherwise once they have been sized.
    await measure(wearers[0]!.docketId, '101.8', '86');
    await measure(wearers[1]!.docketId, '101.8', '87');
    await measure(wearers[2]!.docketId, '98', '86');
    await measure(wearers[3]!.docketId, '101.8', '86');
    const { progress, sizing } = await sized(id);
    const rows = shownRows(sizing, { garment: 0, shows: 'all', between: [0, 1] });
    expect(rows.length).toBe(3);
    for (const typed of ['112', '112', '112', '112'])
      await records.does(wearers[3]!.docketId, reading('chest-girth', typed));
    const batch = uuidv7();
    const path = sizingDecisionsPath(progress.id);
    const wanted = {
      ...{ id: batch, chartId, label: 'L', reason: 'Worn over a fleece' },
      docketIds: rows.map((row) => sizing.docketIds[row]),
    };
    const send = async (changes: object = {}) =>
      decidedManySchema.parse((await app.send('POST', path, { ...wanted, ...changes })).body);
    const answer = await send();
    expect(answer.done).toBe(2);
    expect(answer.left.map((one) => [one.docketId, one.why])).toEqual([
      [wearers[3]!.docketId, jasmine.stringMatching(/^Sized otherwise by now/) as unknown as string],
    ]);
    const sizeOf = async (at: number) => {
      const docket = await records.made(wearers[at]!.docketId);
      return standingDecision(docket, chartId)?.size ?? null;
    };
    expect([await sizeOf(0), await sizeOf(1), await sizeOf(2)]).toEqual(['L', 'L', null]);
    expect((await send()).done)
      .withContext('sent again')
      .toBe(2);
    expect((await send({ id: uuidv7() })).left.map(({ why }) => why)).toContain('Decided already.');
    expect((await app.database('acts').where({ kind: 'garment-decided' })).length).toBe(2);
    // One of them was decided anew meanwhile: it stands, and is told.
    const back = async () =>
      decidedManySchema.parse((await app.send('DELETE', sizingDecisionPath(progress.id, batch))).body);
    expect(await back()).toEqual({ done: 2, left: [] });
    expect([await sizeOf(0), await sizeOf(1)]).toEqual([null, null]);
    // Each one’s own proposal, without a reason.
    const own = await send({ id: uuidv7(), label: null, reason: null, docketIds: [wearers[2]!.docketId] });
    expect([own.done, await sizeOf(2)]).toEqual([1, 'M']);
    const none = await send({ id: uuidv7(), label: 'XXS', docketIds: [wearers[0]!.docketId] });
    expect(none.left[0]!.why).toContain('XXS is not a size');
  });

  it('is placed by what lies on the shelves, and nothing is decided by that', async () => {
    const { id, wearers, chartId } = await musters.open(3);
    for (const { wearerId } of wearers) await musters.does(id, { kind: 'checked-in', wearerId });
    // Two may wear M or L, one only M; there is nothing on any shelf.
    await measure(wearers[0]!.docketId, '101.8', '86');
    await measure(wearers[1]!.docketId, '101.8', '86');
    await measure(wearers[2]!.docketId, '98', '86');
    const { progress, sizing } = await sized(id);
    const { seriesId } = sizing.garments[0]!;
    const place = async (changes: object = {}) => {
      const answer = await app.send('POST', sizingPlacingPath(progress.id), {
        ...{ aims: ['without', 'misfit', 'ordered'], mayOrder: true, leastPercent: 10 },
        ...{ pins: [], wearerIds: null, ...changes },
      });
      return answer.status === 200 ? placingSchema.parse(answer.body) : answer;
    };
    const { garments } = (await place()) as PlacingView;
    expect(
      garments.map(({ totals, moved, without }) => [totals.ordered, moved.length, without.length]),
    ).toEqual([[3, 0, 0]]);
    const without = ((await place({ mayOrder: false })) as PlacingView).garments[0]!;
    expect([without.totals.without, without.helps]).toEqual([3, { label: 'M', count: 3 }]);
    const pinned = (
      (await place({ pins: [{ wearerId: wearers[2]!.wearerId, seriesId, label: 'L' }] })) as PlacingView
    ).garments[0]!;
    expect(pinned.moved.map((one) => [one.wearerId, one.to])).toEqual([[wearers[2]!.wearerId, 'L']]);
    expect(pinned.pins[0]!.costs.misfit).toBeGreaterThan(900);
    const one = (await place({ wearerIds: [wearers[2]!.wearerId] })) as PlacingView;
    expect(one.garments[0]!.totals.ordered).toBe(1);
    expect(standingDecision(await records.made(wearers[2]!.docketId), chartId)).toBeNull();
    expect(problem((await place({ aims: ['without', 'without', 'misfit'] })) as never)).toEqual([
      400,
      'invalid',
    ]);
    expect(problem(await app.send('POST', sizingPlacingPath(uuidv7()), {}))).toEqual([400, 'invalid']);
  });

  it('forgets whoever is erased, and keeps everybody else', async () => {
    const { id, wearers } = await three();
    const { progress, sizing } = await sized(id);
    const [gone] = wearers;
    expect(
      (await app.send('DELETE', pathOf(ROUTES.wearers, gone!.wearerId), { keepBody: false })).status,
    ).toBe(204);
    const after = sizingViewSchema.parse((await app.get(pathOf(SIZINGS, progress.id))).body);
    expect(after.wearers.length).toBe(2);
    const row = sizing.wearerIds.indexOf(gone!.wearerId);
    expect(sizedOne(after.sizing.garments[0]!, row)).toBeNull();
    expect(JSON.stringify(after)).not.toContain(gone!.wearerId);
    expect(JSON.stringify(after)).not.toContain(gone!.docketId);
  });
});
