import { pathOf, problemSchema, ROUTES } from '@neat-measure/contract';
import { importCsv, sheetAround, type ChartSheet } from '@neat-measure/core';
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

/** A reading to be saved. */
export function reading(docketId: string, code: string, typed: string, changes: object = {}): object {
  return {
    docketId,
    code,
    typed,
    unit: 'cm',
    stance: 'standing',
    tension: 'skin',
    clothing: 'close-fitting',
    instrument: 'tape',
    origin: 'fitter',
    takenAt: new Date().toISOString(),
    carriedFrom: null,
    device: null,
    ...changes,
  };
}

/** A docket to be saved, with nothing on it but its charts. */
export function docketSave(wearerId: string, chartIds: string[]) {
  return {
    wearerId,
    occasion: 'Uniform issue',
    unit: 'cm',
    preference: 'regular',
    chartIds,
    protocolIds: [] as string[],
    overrides: {} as Record<string, unknown>,
    extraCodes: [] as string[],
    version: 0,
  };
}

/** Records in the application of a spec, each saved under an id of its own. */
export class Records {
  constructor(private readonly app: () => Harness) {}

  async save(route: string, body: object): Promise<string> {
    const id = uuidv7();
    const { status, body: said } = await this.app().put(pathOf(route, id), body);
    expect(status).withContext(JSON.stringify(said)).toBe(200);
    return id;
  }

  /** A wearer's docket with a jacket on it, or with other charts. */
  async docket(chartIds?: string[]) {
    const wearerId = await this.save(ROUTES.wearers, {
      name: 'Ibrahima Lund',
      role: 'Patrol warden',
      version: 0,
    });
    const charts = chartIds ?? [await this.save(ROUTES.charts, chartSave())];
    const docket = docketSave(wearerId, charts);
    return { id: await this.save(ROUTES.dockets, docket), chartId: charts[0]!, docket };
  }

  /** The same with chest and waist read once each. */
  async measured(chest: string, waist: string) {
    const opened = await this.docket();
    const readingIds = [
      await this.save(ROUTES.readings, reading(opened.id, 'chest-girth', chest)),
      await this.save(ROUTES.readings, reading(opened.id, 'waist-girth', waist)),
    ];
    return { ...opened, readingIds };
  }
}
