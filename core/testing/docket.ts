import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import { bareUnit, readReading } from '../capture/read-reading';
import { chartSheetSchema } from '../chart/sheet-schema';
import type { Act } from '../docket/acts';
import { readingIdsBehind } from '../docket/acts/garment-decided';
import { apply } from '../docket/apply';
import { standingDecision, type Docket } from '../docket/docket';
import { UNSETTLED, type Habits } from '../docket/habits';
import { judgeOne } from '../docket/judge/judge';
import type { Refusal } from '../docket/refusal';
import type { Library, LibraryChart } from '../docket/library';
import { PROTOCOLS } from '../body/protocols';

let counted = 0;
/** An id for a spec: a UUID of version 7 that counts up. */
export function specId(): string {
  counted += 1;
  return `019ca6bc-d880-7771-906b-${counted.toString(16).padStart(12, '0')}`;
}

export const ODALYS = { id: specId(), name: 'Odalys Wren' };
export const TIERNAN = { id: specId(), name: 'Tiernan Oake' };

type Fields<Kind extends Act['kind']> = Omit<
  Extract<Act, { kind: Kind }>,
  'id' | 'docketId' | 'at' | 'by' | 'undoes' | 'kind'
>;

/** A chart for specs: by a chest and a waist unless something else is said. */
export function shelvedChart(changes: object = {}, columns: readonly object[] = JACKET): LibraryChart {
  const sheet = chartSheetSchema.parse({
    maker: 'Ostrel Workwear',
    garment: 'Field jacket',
    unit: 'cm',
    rule: 'widest-decides',
    parts: [{ code: 'size', name: 'Size', sizes: ['M', 'L', 'XL'], columns }],
    ...changes,
  });
  return { id: specId(), sheet };
}

const JACKET = [
  { code: 'chest-girth', unit: 'cm', cells: ['94-102', '102-110', '111-119'] },
  { code: 'waist-girth', unit: 'cm', cells: ['82-90', '90-98', '100-109'] },
];

/** A docket in the making: every act goes through `apply`, as on the server and the screen. */
export class SpecDocket {
  docket: Docket | null = null;
  readonly id = specId();
  readonly acts: Act[] = [];
  library: Library;
  private minute = 0;

  constructor(charts: readonly LibraryChart[] = [], protocols: readonly string[] = []) {
    this.library = {
      charts,
      protocols: Object.entries(PROTOCOLS).map(([id, protocol]) => ({ ...protocol, id })),
      habits: UNSETTLED,
    };
    this.does('docket-opened', { wearerId: specId(), occasion: 'Intake', unit: 'cm', preference: 'regular' });
    for (const { id } of charts) this.does('garment-asked', { chartId: id });
    for (const protocolId of protocols) this.does('protocol-asked', { protocolId });
  }

  /** An act of this docket, not done yet. */
  act<Kind extends Act['kind']>(kind: Kind, fields: Fields<Kind>, base: object = {}): Act {
    const at = new Date(Date.UTC(2026, 4, 4, 8, this.minute++)).toISOString();
    return { id: specId(), docketId: this.id, at, by: ODALYS, kind, ...fields, ...base } as unknown as Act;
  }

  /** Does an act that must be let in. */
  does<Kind extends Act['kind']>(kind: Kind, fields: Fields<Kind>, base: object = {}): Act {
    const act = this.act(kind, fields, base);
    const refusal = this.tries(act);
    if (refusal !== null) throw new Error(`${kind} was refused: ${JSON.stringify(refusal)}`);
    return this.acts.at(-1)!;
  }

  /** Tries an act; says why it is not let in. */
  tries(act: Act): Refusal | null {
    const applied = apply(this.docket, act, this.library);
    if (!applied.ok) return applied.problem;
    this.docket = applied.value.docket;
    this.acts.push(applied.value.act);
    return null;
  }

  /** A reading as the fields of its act. */
  reading(
    code: MeasurementCode,
    typed: string | number,
    changes: Partial<Fields<'reading-taken'>> = {},
  ): Fields<'reading-taken'> {
    const { stance, tension, instruments } = measurement(code);
    const unit = bareUnit(code, 'cm');
    const read = readReading(String(typed), code, unit);
    if (!read.ok) throw new Error(`${typed} is no reading of ${code}`);
    return {
      code,
      typed: String(typed),
      unit,
      length: read.value.length,
      stance,
      tension,
      clothing: 'close-fitting',
      instrument: instruments[0]!,
      origin: 'fitter',
      carriedFrom: null,
      device: null,
      ...changes,
    };
  }

  /** Reads a measurement some times. */
  reads(code: MeasurementCode, ...typed: readonly (string | number)[]): Act[] {
    return typed.map((one) => this.does('reading-taken', this.reading(code, one)));
  }

  /** A decision on a garment by what stands now, as the fields of its act. */
  decision(
    { id, sheet }: LibraryChart,
    changes: Partial<Fields<'garment-decided'>> = {},
  ): Fields<'garment-decided'> {
    const docket = this.docket!;
    return {
      chartId: id,
      outcome: 'accepted',
      sizes: this.verdict({ id, sheet }).sizes,
      reason: null,
      readingIds: readingIdsBehind(docket, sheet),
      after: standingDecision(docket, id)?.id ?? null,
      habits: this.library.habits.version,
      found: null,
      ...changes,
    };
  }

  /** Has the house size by other habits from now on. */
  settles(habits: Partial<Habits>): void {
    this.library = {
      ...this.library,
      habits: { ...this.library.habits, ...habits, version: this.library.habits.version + 1 },
    };
  }

  verdict(chart: LibraryChart) {
    return judgeOne(this.docket!, chart, this.library.habits);
  }
}
