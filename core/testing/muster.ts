import { MUSTER_ACTS, type MusterAct } from '../muster/acts';
import type { MusterLibrary } from '../muster/acts/act';
import { personOn, type Muster, type PersonDay } from '../muster/muster';
import type { Part } from '../muster/parts';
import type { MusterRefusal } from '../muster/refusal';
import { ODALYS, specId } from './docket';

type Fields<Kind extends MusterAct['kind']> = Omit<
  Extract<MusterAct, { kind: Kind }>,
  'id' | 'musterId' | 'at' | 'by' | 'undoes' | 'kind'
>;

/** A muster in the making: every act goes through the machine, as on the server and the screen. */
export class SpecMuster {
  muster: Muster | null = null;
  readonly id = specId();
  readonly acts: MusterAct[] = [];
  /** What is missing on dockets, as the server would find it. */
  readonly missing = new Map<string, readonly Part[]>();
  readonly library: MusterLibrary = { missingOn: (docketId) => this.missing.get(docketId) ?? null };
  minute = 0;

  constructor(stations: Readonly<Record<string, readonly Part[]>> = {}, people = 0) {
    this.does('muster-opened', {
      name: 'Winter intake',
      place: 'Boathouse hall',
      day: '2026-12-01',
      lastDay: '2026-12-01',
      unit: 'cm',
    });
    for (const [name, parts] of Object.entries(stations))
      this.does('station-opened', { stationId: specId(), name, parts: [...parts] });
    if (people > 0) this.add(people);
  }

  /** The moment of a minute of the day. */
  static at(minute: number): string {
    return new Date(Date.UTC(2026, 11, 1, 8, minute)).toISOString();
  }

  /** An act of this muster, not done yet. */
  act<Kind extends MusterAct['kind']>(kind: Kind, fields: Fields<Kind>, base: object = {}): MusterAct {
    const at = SpecMuster.at(this.minute++);
    return { id: specId(), musterId: this.id, at, by: ODALYS, kind, ...fields, ...base } as never;
  }

  /** Does an act that must be let in. */
  does<Kind extends MusterAct['kind']>(kind: Kind, fields: Fields<Kind>, base: object = {}): MusterAct {
    const act = this.act(kind, fields, base);
    const refusal = this.tries(act);
    if (refusal !== null) throw new Error(`${kind} was refused: ${JSON.stringify(refusal)}`);
    return this.acts.at(-1)!;
  }

  /** Tries an act; why it is not let in. */
  tries(act: MusterAct): MusterRefusal | null {
    const applied = MUSTER_ACTS.apply(this.muster, act, this.library);
    if (!applied.ok) return applied.problem;
    this.muster = applied.value.state;
    this.acts.push(applied.value.act);
    return null;
  }

  /** Puts some wearers on the list. */
  add(count: number): readonly string[] {
    const people = Array.from({ length: count }, () => ({
      wearerId: specId(),
      docketId: specId(),
      groupId: null,
      kitId: null,
    }));
    this.does('people-added', { people });
    return people.map(({ wearerId }) => wearerId);
  }

  /** A wearer by their place on the list. */
  person(at: number) {
    return this.muster!.people[at]!;
  }

  day(at: number): PersonDay {
    return this.person(at).day;
  }

  station(at: number) {
    return this.muster!.stations[at]!;
  }

  /** Checks a wearer in who misses some parts. */
  checksIn(at: number, missing?: readonly Part[]): MusterAct {
    const { wearerId, docketId } = this.person(at);
    if (missing !== undefined) this.missing.set(docketId, missing);
    return this.does('checked-in', { wearerId, missing: null });
  }

  calls(at: number, station: number): MusterAct {
    return this.does('called', { wearerId: this.person(at).wearerId, stationId: this.station(station).id });
  }

  /** Finishes with a wearer who misses some parts then. */
  finishes(at: number, station: number, missing: readonly Part[]): MusterAct {
    const { wearerId, docketId } = this.person(at);
    this.missing.set(docketId, missing);
    return this.does('finished', { wearerId, stationId: this.station(station).id, missing: null });
  }

  /** What of a wearer is still on the muster. */
  has(wearerId: string): boolean {
    return personOn(this.muster!, wearerId) !== undefined;
  }
}
