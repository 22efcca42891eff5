import { judgeDocket, replay, settledValues, standingDecision } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { checkAudit, sealAudit } from '../../audit/seals';
import { openBench } from '../../dockets/service';
import { listDockets } from '../../dockets/store';
import { fillEarlierHouse, type EarlierHouse } from '../../testing/earlier-house';
import { linesBehind } from '../../devices/store';
import { submissionsOf } from '../../links/store';
import { findSettings } from '../../settings/store';
import { newDatabase } from '../../testing/new-database';
import { killedAfter } from '../../testing/killed-after';
import type { Database } from '../database';
import { alone, migrate } from '../prepare';
import { MIGRATIONS } from './index';

/** Everything the house had is there, in the words of this version. */
async function expectWhole(database: Database, version: string, house: EarlierHouse): Promise<void> {
  const bench = await openBench(database, house.docketId);
  const docket = replay(bench.acts.map(({ act }) => act))!;
  const said = {
    wearer: bench.wearer.name,
    occasion: docket.occasion,
    unit: docket.unit,
    standing: docket.readings.filter(({ withdrawnAt }) => withdrawnAt === null).map(({ id }) => id),
    withdrawn: docket.readings.filter(({ withdrawnAt }) => withdrawnAt !== null).map(({ id }) => id),
    value: settledValues(docket.readings, bench.habits).get('chest-girth'),
    decided: standingDecision(docket, house.chartId)?.id,
    size: standingDecision(docket, house.chartId)?.size,
    proposed: judgeDocket(docket, bench).garments.map(({ verdict }) => verdict.proposed),
    by: [...new Set(docket.readings.map(({ by }) => by.name))],
  };
  expect(said)
    .withContext(version)
    .toEqual({
      wearer: 'Ibrahima Lund',
      occasion: 'Uniform issue',
      unit: 'cm',
      standing: house.readingIds as string[],
      withdrawn: [house.withdrawnId],
      value: 985_000 as never,
      decided: house.decisionId,
      size: 'M',
      proposed: ['M'],
      by: ['Odalys Wren'],
    });
  const { items } = await listDockets(database, { search: '', from: 0 });
  expect(items.map(({ garments }) => garments.map(({ decided, stage }) => [decided, stage])))
    .withContext(version)
    .toEqual([[['M', 'to-try']]]);
  expect((await findSettings(database)).idleMinutes)
    .withContext(version)
    .toBe(version < '0011' ? 480 : 45);
  expect((await linesBehind(database, ['tape-7'], 0)).length)
    .withContext(version)
    .toBe(version < '0004' ? 0 : 1);
  expect((await submissionsOf(database, house.wearerId)).length)
    .withContext(version)
    .toBe(version < '0005' ? 0 : 1);
  await sealAudit(database, 0);
  expect((await checkAudit(database)).broken)
    .withContext(version)
    .toEqual([]);
}

describe('an upgrade', () => {
  for (const version of MIGRATIONS.slice(0, -1)) {
    it(`from ${version} keeps everything a house had`, async () => {
      const { database, url, drop } = await newDatabase();
      try {
        await migrate(url, version);
        const house = await fillEarlierHouse(database);
        await migrate(url);
        await expectWhole(database, version, house);
      } finally {
        await drop();
      }
    }, 30_000);
  }

  it('leaves what was reserved under its earlier name where it lies', async () => {
    const { database, url, drop } = await newDatabase();
    try {
      await migrate(url, '0020-put-by');
      const [articleId, roomId, id, docketId, chartId] = [uuidv7(), uuidv7(), uuidv7(), uuidv7(), uuidv7()];
      const at = new Date();
      await database('articles').insert({ id: articleId, series_id: uuidv7(), label: 'M', version: 0 });
      const own = { docket_id: docketId, chart_id: chartId, held_chart_id: chartId, article_id: articleId };
      await database('put_by').insert({ id, ...own, room_id: roomId, at });
      const moved = { batch_id: id, article_id: articleId, by_id: uuidv7(), at, count: 1 };
      const [shelf, kept] = [`${roomId}/shelf`, `${roomId}/put-by`];
      await database('stock_movements').insert([
        { ...moved, kind: 'moved', from_place: shelf, to_place: kept },
        { ...moved, kind: 'moved', from_place: kept, to_place: shelf },
      ]);
      await migrate(url);
      const places = await database('stock_movements').orderBy('place').select('from_place', 'to_place');
      const reserved = `${roomId}/reserved`;
      expect(places.map((one) => [one.from_place, one.to_place])).toEqual([
        [shelf, reserved],
        [reserved, shelf],
      ]);
      expect((await database('reservations').pluck('id')) as string[]).toEqual([id]);
    } finally {
      await drop();
    }
  });

  it('keeps everything wherever it is killed on its way, statement by statement', async () => {
    const { database, url, drop } = await newDatabase();
    try {
      await migrate(url, '0007-chart-versions');
      const house = await fillEarlierHouse(database);
      const done = async () => (await database('schema_migrations').pluck('name')).length;
      let [statements, before, kills] = [1, await done(), 0];
      while ((await done()) < MIGRATIONS.length) {
        await alone(url, killedAfter(statements)).catch((error: Error) =>
          expect(error.message).toContain('killed'),
        );
        const now = await done();
        statements = now > before ? 1 : statements + 1;
        before = now;
        kills += 1;
      }
      expect(kills).toBeGreaterThan(30);
      await expectWhole(database, '0007-chart-versions', house);
    } finally {
      await drop();
    }
  }, 60_000);
});
