import { pathOf, ROUTES } from '@neat-measure/contract';
import { musterViewSchema } from '@neat-measure/contract/musters';
import type { Part } from '@neat-measure/core/muster';
import { v7 as uuidv7 } from 'uuid';
import type { Harness } from './harness';
import { chartSave, type Records } from './records';

/** How the musters of specs are opened. */
export const OPENING = {
  kind: 'muster-opened',
  name: 'Winter intake',
  place: 'Boathouse hall',
  unit: 'cm',
} as const;
/** On which days. */
export const DAYS = { day: '2026-12-01', lastDay: '2026-12-02' } as const;

/** Musters in the application of a spec. */
export class MusterHall {
  constructor(
    private readonly app: () => Harness,
    private readonly records: Records,
  ) {}

  /** Does something that must be let in. */
  async does(id: string, doing: object, base: object = {}) {
    const answer = await this.app().musters(id, doing, base);
    if (answer.outcome === 'refused') throw new Error(answer.detail);
    return answer;
  }

  /** Does something that may be refused: with which code, and in which words. */
  async refused(id: string, doing: object, base: object = {}): Promise<(string | undefined)[]> {
    const answer = await this.app().musters(id, doing, base);
    return answer.outcome === 'refused' ? [answer.code, answer.detail] : [answer.outcome];
  }

  /** A muster with a tape and a desk, and some wearers who get a jacket. */
  async open(people = 2, chart: object = {}) {
    const { records } = this;
    const id = uuidv7();
    await this.does(id, { ...OPENING, ...DAYS });
    const [tape, desk] = [uuidv7(), uuidv7()];
    const station = (stationId: string, name: string, parts: readonly Part[]) =>
      this.does(id, { kind: 'station-opened', stationId, name, parts });
    await station(tape, 'Tape', ['girths', 'lengths', 'deciding']);
    await station(desk, 'Handing over', ['handing']);
    const chartId = await records.save(ROUTES.charts, chartSave(chart));
    const kitId = await records.save(ROUTES.kits, {
      name: `Jacket ${id}`,
      series: [chartId],
      protocols: [],
      roles: [],
      version: 0,
    });
    const wearers: { wearerId: string; docketId: string; kitId: string }[] = [];
    for (let one = 0; one < people; one += 1)
      wearers.push({ wearerId: await records.wearer(), docketId: uuidv7(), kitId });
    if (people > 0) await this.does(id, { kind: 'people-added', people: wearers });
    return { id, tape, desk, wearers, chartId, kitId };
  }

  async view(id: string) {
    return musterViewSchema.parse((await this.app().get(pathOf(ROUTES.musters, id))).body);
  }

  /** Somebody on a muster, as they stand. */
  async person(id: string, wearerId: string) {
    return (await this.view(id)).muster.people.find((one) => one.wearerId === wearerId)!;
  }
}
