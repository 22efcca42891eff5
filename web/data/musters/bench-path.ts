import {
  dueOf,
  TAPE_PARTS,
  type Muster,
  type MusterPerson,
  type Part,
  type Station,
} from '@neat-measure/core/muster';

/**
 * Where the Bench of a station opens for a wearer: at the tape, at trying on or at handing over, by what of the
 * station's own parts is due first.
 *
 * @param at the part it opens at whatever is due
 */
export function benchPath(muster: Muster, station: Station, person: MusterPerson, at?: Part): string {
  const due = dueOf(muster, person).filter((part) => station.parts.includes(part));
  const first = at ?? due[0] ?? station.parts[0]!;
  const opens =
    TAPE_PARTS.includes(first) || first === 'deciding' ? '' : first === 'trying' ? '&fitting=1' : '&hand=1';
  return `/bench/${person.docketId}?muster=${muster.id}&station=${station.id}${opens}`;
}
