import { benchSchema, pathOf, problemSchema, ROUTES, type Bench } from '@neat-measure/contract';
import {
  bareUnit,
  measurement,
  readReading,
  replay,
  sheetAround,
  type ChartSheet,
  type Docket,
  type Doing,
  type Length,
  type MeasurementCode,
} from '@neat-measure/core';
import { importCsv } from '@neat-measure/core/sheets';
import { v7 as uuidv7 } from 'uuid';
import type { Answer, Harness } from './harness';

const JACKET =
  'size,chest-girth (cm),waist-girth (cm)\nM,94-102,82-90\nL,102-110,90-98\nXL,111-119,100-109\n';

/** A one-part sheet from a size table. */
export function sheetFrom(csv: string, head: Partial<ChartSheet> = {}): ChartSheet {
  const part = importCsv(csv);
  if (!part.ok) throw new Error(JSON.stringify(part.problem));
  return {
    ...sheetAround(part.value, { maker: 'Ostrel Workwear', garment: 'Field jacket', rule: 'widest-decides' }),
    ...head,
  };
}

/** A chart to be saved; a jacket of three sizes with gaps, unless something else is said. */
export function chartSave(changes: object = {}, csv = JACKET): object {
  return { sheet: sheetFrom(csv), source: 'jacket.csv', replaces: null, ...changes };
}

/** What an answer says is wrong: its status and kind. Every detail is a sentence. */
export function problem({ status, type, body }: Answer): [number, string | undefined] {
  expect(type).toContain('application/problem+json');
  const read = problemSchema.parse(body);
  expect(read.status).toBe(status);
  expect(read.detail).toMatch(/[.?]$/);
  return [status, read.type.split('/').at(-1)];
}

/** A reading to be taken. */
export function reading(code: MeasurementCode, typed: string, changes: Partial<Fields> = {}): Doing {
  const { stance, instruments } = measurement(code);
  const unit = changes.unit ?? bareUnit(code, 'cm');
  const read = readReading(typed, code, unit);
  return {
    kind: 'reading-taken',
    code,
    typed,
    unit,
    length: read.ok ? read.value.length : (0 as Length),
    stance,
    tension: 'skin',
    clothing: 'close-fitting',
    instrument: instruments[0]!,
    origin: 'fitter',
    carriedFrom: null,
    device: null,
    ...changes,
  };
}
type Fields = Extract<Doing, { kind: 'reading-taken' }>;

/** Records in the application of a spec, each saved under an id of its own. */
export class Records {
  constructor(private readonly app: () => Harness) {}

  async save(route: string, body: object): Promise<string> {
    const id = uuidv7();
    if (route === ROUTES.charts) await this.makeRoom(body);
    const { status, body: said } = await this.app().put(pathOf(route, id), body);
    expect(status).withContext(JSON.stringify(said)).toBe(200);
    return id;
  }

  /** Takes from the shelf what other specs have put there under the same name: two of one name cannot stand there. */
  private async makeRoom(body: object): Promise<void> {
    const { sheet, replaces } = body as { sheet: ChartSheet; replaces: string | null };
    if (replaces !== null) return;
    const { maker, garment } = sheet;
    await this.app()
      .database('charts')
      .where({ maker, garment, retired_at: null })
      .update({ retired_at: new Date() });
  }

  /** Does something that must be let in; its id. */
  async does(docketId: string, doing: Doing, base: object = {}): Promise<string> {
    const answer = await this.app().does(docketId, doing, base);
    if (answer.outcome === 'refused') throw new Error(answer.detail);
    return answer.id;
  }

  wearer(): Promise<string> {
    return this.save(ROUTES.wearers, { name: 'Ibrahima Lund', role: 'Patrol warden', version: 0 });
  }

  /** A wearer's docket with a jacket on it, or with other charts. */
  async docket(chartIds?: string[], wearerId?: string) {
    const charts = chartIds ?? [await this.save(ROUTES.charts, chartSave())];
    const [id, wearer] = [uuidv7(), wearerId ?? (await this.wearer())];
    await this.does(id, opening(wearer));
    for (const chartId of charts) await this.does(id, { kind: 'garment-asked', chartId });
    return { id, wearerId: wearer, chartId: charts[0]! };
  }

  /** The same with chest and waist read once each. */
  async measured(chest: string, waist: string) {
    const opened = await this.docket();
    const readingIds = [
      await this.does(opened.id, reading('chest-girth', chest)),
      await this.does(opened.id, reading('waist-girth', waist)),
    ];
    return { ...opened, readingIds };
  }

  /** A docket as the Bench gets it. */
  async bench(id: string): Promise<Bench> {
    return benchSchema.parse((await this.app().get(pathOf(ROUTES.dockets, id))).body);
  }

  /** The docket that its acts make. */
  async made(id: string): Promise<Docket> {
    return replay((await this.bench(id)).acts.map(({ act }) => act))!;
  }
}

/** A docket to be opened. */
export function opening(wearerId: string): Doing {
  return { kind: 'docket-opened', wearerId, occasion: 'Uniform issue', unit: 'cm', preference: 'regular' };
}
