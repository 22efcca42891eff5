import * as fc from 'fast-check';
import {
  changedRows,
  garmentRow,
  kindOf,
  lastDone,
  lastHanding,
  RIGHT,
  trialsOf,
  type Act,
  type Docket,
} from '../testing/all';
import { movementsOf } from '../stock/movements-of';
import type { Whereabouts } from '../stock/movement';
import { shelvedChart, SpecDocket, specId } from '../testing/docket';

const ROOM = specId();
const OTHER_ROOM = specId();
const SIGNED = { by: 'name', name: 'Ibrahima Lund' } as const;

/** Something somebody may do to one of the garments, whether or not it is let in. */
type Deed = (one: SpecDocket, chart: SpecDocket['library']['charts'][number]) => Act | null;

const lastTrial = (one: SpecDocket, chartId: string) => trialsOf(one.docket!, chartId).at(-1);

const DEEDS: readonly Deed[] = [
  (one, chart) => one.act('garment-decided', one.decision(chart)),
  (one, chart) =>
    one.act(
      'garment-decided',
      one.decision(chart, { outcome: 'overridden', sizes: { size: 'XL' }, reason: 'Over a fleece' }),
    ),
  (one, chart) => one.act('garment-decided', one.decision(chart, { outcome: 'made-to-measure', sizes: {} })),
  (one, chart) => one.act('garment-decided', one.decision(chart, { outcome: 'later', sizes: {} })),
  (one, { id }) => one.act('rule-overruled', { chartId: id, rule: 'closest', preference: 'roomy' }),
  (one, { id }) => one.act('garment-dropped', { chartId: id }),
  (one, { id }) => one.act('garment-asked', { chartId: id }),
  (one) => one.act('reading-taken', one.reading('chest-girth', 99)),
  (one, { id }) =>
    one.act('garment-tried', { chartId: id, sizes: { size: 'L' }, carrier: null, found: null }),
  (one, { id }) => {
    const trial = lastTrial(one, id);
    if (trial === undefined) return null;
    const seen = { chartId: id, trialId: trial.id, check: 'button', answer: RIGHT, reason: null };
    return one.act('fit-checked', seen);
  },
  (one, { id }) => {
    const trial = lastTrial(one, id);
    return trial === undefined ? null : one.act('trial-withdrawn', { chartId: id, trialId: trial.id });
  },
  (one, { id }) => {
    const trial = lastTrial(one, id);
    if (trial === undefined) return null;
    const kept = { chartId: id, trialId: trial.id, outcome: 'kept', reason: 'They like it so' } as const;
    return one.act('garment-fitted', { ...kept, found: null });
  },
  (one) => {
    // All of the docket at once, as at a desk; what cannot go yet is refused with the rest.
    const garments = one.docket!.garments.map(({ chartId }, at) => ({
      chartId,
      way: 'issued' as const,
      until: null,
      untried: null,
      ...(at === 0 ? {} : { from: { roomId: ROOM, pieceId: null } }),
      found: null,
    }));
    return garments.length === 0 ? null : one.act('garments-handed-over', { garments, signature: SIGNED });
  },
  (one, { id }) => {
    const fields = { chartId: id, way: 'issued', until: null, untried: null, found: null } as const;
    const garments = [{ ...fields, from: { roomId: ROOM, pieceId: null } }];
    return one.act('garments-handed-over', { garments, signature: SIGNED });
  },
  (one, { id }) => {
    const fields = { chartId: id, way: 'hired', until: '2030-12-04', untried: null, found: null } as const;
    const garments = [{ ...fields, from: { roomId: ROOM, pieceId: null } }];
    return one.act('garments-handed-over', { garments, signature: SIGNED });
  },
  (one, { id }) => one.act('hire-extended', { chartId: id, until: '2030-12-06' }),
  (one, { id }) => {
    const handing = lastHanding(one.docket!, id);
    return handing === null ? null : one.act('handing-withdrawn', { actId: handing.actId });
  },
  (one, { id }) => {
    const from = lastHanding(one.docket!, id)?.from;
    const back = { chartId: id, why: 'tight', area: 'chest', note: null, goes: 'drying' } as const;
    return one.act('garment-came-back', { ...back, ...(from === undefined ? {} : { to: OTHER_ROOM }) });
  },
  (one, { id }) =>
    one.act('garment-came-back', {
      chartId: id,
      why: 'changed-mind',
      area: null,
      note: null,
      goes: 'stock',
    }),
  (one, { id }) => one.act('return-withdrawn', { chartId: id }),
  (one) => {
    const undoing = lastDone(one.acts, one.library)?.undoing ?? null;
    return undoing === null ? null : one.act(undoing.kind, undoing as never);
  },
];

/** Does deeds on a docket of three garments, as they are drawn, and hands each that was let in to a check. */
function playOut(
  draws: readonly (readonly [number, number])[],
  check: (before: Docket, act: Act, after: Docket) => void,
) {
  const charts = ['jacket', 'trousers', 'hat'].map((kind) => shelvedChart({ kind, garment: `Test ${kind}` }));
  const one = new SpecDocket(charts);
  one.reads('chest-girth', 98, 98);
  one.reads('waist-girth', 85, 85);
  for (const chart of charts) one.does('garment-decided', one.decision(chart));
  for (const [deed, garment] of draws) {
    const act = DEEDS[deed]!(one, charts[garment]!);
    const before = one.docket!;
    if (act !== null && one.tries(act) === null) check(before, one.acts.at(-1)!, one.docket!);
  }
  return one;
}

const DRAWS = fc.array(fc.tuple(fc.nat(DEEDS.length - 1), fc.nat(2)), { minLength: 10, maxLength: 60 });

describe('what follows from an act', () => {
  it('is every row that it changes in the lists, whatever was done before', () => {
    const kinds = new Set<string>();
    fc.assert(
      fc.property(DRAWS, (draws) => {
        playOut(draws, (before, act, after) => {
          const told = new Map(changedRows(before, act, after).map((row) => [row.chartId, row]));
          for (const { chartId } of [...before.garments, ...after.garments]) {
            const was = garmentRow(before, chartId);
            const is = garmentRow(after, chartId);
            if (JSON.stringify(was) === JSON.stringify(is)) continue;
            expect(told.get(chartId)).withContext(act.kind).toEqual({ chartId, before: was, after: is });
            kinds.add(act.kind);
          }
        });
      }),
      { numRuns: 150 },
    );
    // It means something only where it was tried.
    for (const kind of ['handing-withdrawn', 'return-withdrawn', 'trial-withdrawn', 'garment-fitted'])
      expect(kinds).toContain(kind);
  });

  it('is evidence wherever it changes what was seen of a garment', () => {
    const seen = ({ trials, handings }: Docket) =>
      JSON.stringify([trials, handings.flatMap(({ back }) => back ?? [])]);
    fc.assert(
      fc.property(DRAWS, (draws) => {
        playOut(draws, (before, act, after) => {
          if (seen(before) !== seen(after)) expect(kindOf(act).evidence).withContext(act.kind).toBeTrue();
        });
      }),
      { numRuns: 80 },
    );
  });

  it('moves every garment of the stores from where it is, so that each is somewhere once', () => {
    let moved = 0;
    fc.assert(
      fc.property(DRAWS, (draws) => {
        const places = new Map<string, Whereabouts>();
        playOut(draws, (before, _act, after) => {
          for (const { handing, from, to } of movementsOf(before, after)) {
            const id = `${handing.actId} ${handing.chartId}`;
            expect(places.get(id) ?? { in: 'room', roomId: ROOM, compartment: 'shelf' }).toEqual(from);
            places.set(id, to);
            moved += 1;
          }
          const withWearer = after.handings.filter(({ from, back }) => from !== undefined && back === null);
          const out = [...places.values()].filter((place) => place.in === 'wearer');
          expect(out.length).toBe(withWearer.length);
        });
      }),
      { numRuns: 150 },
    );
    expect(moved).toBeGreaterThan(100);
  });

  it('is found anew when it is let in, and is nothing that was sent', () => {
    fc.assert(
      fc.property(DRAWS, (draws) => {
        playOut(draws, (_before, act) => {
          const { finds } = kindOf(act);
          if (finds === undefined) return;
          expect(finds.without(act)).not.toEqual(act);
          expect(JSON.stringify(finds.without(act))).not.toContain('"found":{');
        });
      }),
      { numRuns: 40 },
    );
  });
});
