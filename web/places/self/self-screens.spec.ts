import { SHIPPED_PROTOCOLS, type SelfStep } from '@neat-measure/contract';
import {
  allowedDifference,
  micrometres,
  planDocket,
  tensionIn,
  type MeasurementCode,
} from '@neat-measure/core';
import {
  askedIn,
  faultsIn,
  placeAfter,
  placeBefore,
  placingsOfSheet,
  valueOf,
  type Place,
  type Typed,
} from './self-screens';

/** The steps of a shipped protocol, as the server sends them. */
const stepsOf = (id: string): SelfStep[] => {
  const protocol = SHIPPED_PROTOCOLS.find((one) => one.id === id)!;
  const needs = protocol.steps.map((step) => ({
    by: protocol.name,
    code: step.code,
    tension: tensionIn(protocol, step),
    waist: protocol.waist,
  }));
  return planDocket(needs).steps.map(({ code, tension, clothing, chain, waist }) => ({
    code,
    tension,
    clothing,
    chain,
    waist,
    allowed: micrometres(allowedDifference(code) * 2),
  }));
};

describe('the screens of measuring oneself', () => {
  for (const { id } of SHIPPED_PROTOCOLS) {
    it(`lead through ${id}, each measurement twice, and back again`, () => {
      const steps = stepsOf(id);
      const placings = placingsOfSheet(steps);
      // In millimetres, each a little more than the one before, so that chains grow.
      let typed: Typed = {};
      const asked = new Map<MeasurementCode, number>();
      let place: Place | null = { placing: 0, round: 0 };
      const way: Place[] = [];
      while (place !== null) {
        way.push(place);
        expect(way.length).withContext('it comes to an end').toBeLessThan(400);
        const { round } = place;
        for (const { code } of askedIn(placings[place.placing]!, typed, round, 'cm')) {
          asked.set(code, (asked.get(code) ?? 0) + 1);
          typed = { ...typed, [code]: [...(typed[code] ?? []), code === 'weight' ? '70' : '90'] };
        }
        place = placeAfter(placings, place, typed, 'cm');
      }
      expect([...asked.keys()].sort()).toEqual(steps.map(({ code }) => code).sort());
      for (const times of asked.values()) expect(times).toBe(2);
      expect(placeBefore(way[0]!)).toBeNull();
      expect(placeBefore(way.at(-1)!)).toEqual({ placing: placings.length - 1, round: 0 });
    });
  }

  it('ask nothing a second time that was left out the first', () => {
    const placings = placingsOfSheet(stepsOf('bra'));
    expect(placeAfter(placings, { placing: 0, round: 0 }, {}, 'cm')).toEqual({ placing: 1, round: 0 });
    expect(placeAfter(placings, { placing: placings.length - 1, round: 0 }, {}, 'cm')).toBeNull();
  });

  it('take a mark that is confirmed for that length alone', () => {
    const [arm] = placingsOfSheet(stepsOf('bespoke-by-post')).filter(([first]) => first!.chain === 'arm');
    const typed = { 'shoulder-to-elbow': ['40'], 'arm-length': ['38'] };
    expect(faultsIn(arm!, typed, 0, 'cm', new Set())['arm-length']?.asks).toBeTrue();
    expect(faultsIn(arm!, typed, 0, 'cm', new Set(['arm-length 380000']))).toEqual({});
    expect(faultsIn(arm!, typed, 0, 'cm', new Set(['arm-length 390000']))['arm-length']?.asks).toBeTrue();
    expect(valueOf(arm![0]!, { 'shoulder-to-elbow': ['rubbish'] }, 'cm')).toBeNull();
  });
});
