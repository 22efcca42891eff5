import fc from 'fast-check';
import {
  beyondMark,
  CATALOGUE,
  chainOf,
  CHAINS,
  checkBody,
  markWords,
  measurement,
  micrometres,
  mm,
  placingsOf,
  stanceOfChain,
  TAPE_PATHS,
  type Length,
  type MeasurementCode,
} from '../index';

describe('the chains', () => {
  const all = Object.values(CHAINS);

  it('hold every mark in one chain alone', () => {
    const marks = all.flatMap((chain) => chain.marks.map(({ code }) => code));
    expect(new Set(marks).size).toBe(marks.length);
    for (const chain of all)
      for (const { code } of chain.marks) expect(chainOf(code)).withContext(code).toBe(chain);
    expect(chainOf('chest-girth')).toBeNull();
  });

  for (const chain of all) {
    it(`${chain.code} keeps one stance, but for tiptoe with the tape in place`, () => {
      const stances = new Set(chain.marks.map(({ code }) => measurement(code).stance));
      stances.delete('tiptoe');
      expect([...stances]).toEqual([stanceOfChain(chain)]);
    });

    it(`${chain.code} grows as the catalogue’s limits do, and takes in all that they allow`, () => {
      chain.marks.forEach(({ code, beyond }, at) => {
        expect(beyond.least).withContext(code).toBeLessThan(beyond.most);
        expect(beyond.least).withContext(code).toBeGreaterThanOrEqual(0);
        const { least, most } = measurement(code).limits;
        const before = chain.marks[at - 1];
        if (before === undefined) expect([beyond.least, beyond.most]).toEqual([least, most]);
        else {
          const from = measurement(before.code).limits;
          // The smallest and the largest bodies the catalogue lets in are let through by the chain.
          expect(beyond.least)
            .withContext(code)
            .toBeLessThanOrEqual(least - from.least);
          expect(from.most + beyond.most)
            .withContext(code)
            .toBeGreaterThanOrEqual(most);
        }
      });
    });

    it(`${chain.code} is drawn as one tape, each mark further along it`, () => {
      const shown = chain.marks.filter(({ code }) => measurement(code).stance !== 'tiptoe');
      const lengths = shown.map(({ code }) => TAPE_PATHS[code].points.length);
      expect(lengths).toEqual([...lengths].sort((a, b) => a - b));
      const last = TAPE_PATHS[shown.at(-1)!.code];
      for (const { code } of shown) {
        expect(TAPE_PATHS[code].view).toBe(last.view);
        expect(last.points.slice(0, TAPE_PATHS[code].points.length)).toEqual([...TAPE_PATHS[code].points]);
      }
    });
  }

  it('say a mark as it is met on the way', () => {
    expect(markWords('shoulder-to-bust')).toBe('bust point');
    expect(markWords('chest-girth')).toBe('chest');
  });
});

describe('beyondMark', () => {
  it('adds up what was left out between', () => {
    const near = beyondMark('waist-to-hip', 'waist-to-knee')!;
    const far = beyondMark('waist-to-hip', 'waist-to-ankle')!;
    expect([far.least - near.least, far.most - near.most]).toEqual([mm(200), mm(600)]);
  });
  it('knows no order but the body’s', () => {
    expect(beyondMark('waist-to-knee', 'waist-to-hip')).toBeNull();
    expect(beyondMark('waist-to-knee', 'waist-to-knee')).toBeNull();
    expect(beyondMark('arm-length', 'waist-to-hip')).toBeNull();
  });
});

describe('the checks along a chain', () => {
  /** Any marks of a chain with lengths that grow within the limits from one to the next. */
  const grown = fc.constantFrom(...Object.values(CHAINS)).chain((chain) =>
    fc
      .tuple(
        fc.subarray([...chain.marks.keys()], { minLength: 2 }),
        fc.tuple(...chain.marks.map(({ beyond }) => fc.integer({ min: beyond.least, max: beyond.most }))),
      )
      .map(([kept, steps]) => {
        let sum = 0;
        const lengths = steps.map((step) => micrometres((sum += step)));
        return kept.map((at): [MeasurementCode, Length] => [chain.marks[at]!.code, lengths[at]!]);
      }),
  );
  const asked = (values: readonly [MeasurementCode, Length][]) =>
    checkBody(new Map(values)).filter(({ check }) => check === 'chain-order');

  it('ask nothing of marks that grow within their limits, whichever were left out', () => {
    fc.assert(
      fc.property(grown, (values) => expect(asked(values)).toEqual([])),
      { numRuns: 300 },
    );
  });

  it('ask wherever two marks are exchanged', () => {
    fc.assert(
      fc.property(grown, fc.nat(), (values, pick) => {
        const at = pick % (values.length - 1);
        const [one, other] = [values[at]!, values[at + 1]!];
        if (one[1] === other[1]) return;
        const swapped = values.map(([code, length]): [MeasurementCode, Length] =>
          code === one[0] ? [code, other[1]] : code === other[0] ? [code, one[1]] : [code, length],
        );
        expect(asked(swapped).length).toBeGreaterThan(0);
      }),
      { numRuns: 300 },
    );
  });

  it('let through whatever lies between what every mark alone is let through by', () => {
    // The difference of two marks that are each possible is never asked for more than the chain says.
    for (const { marks } of Object.values(CHAINS))
      for (const [at, { code }] of marks.entries())
        for (const { code: before } of marks.slice(0, at)) {
          const { least, most } = beyondMark(before, code)!;
          const own = new Map([
            [before, measurement(before).limits.least],
            [code, micrometres(measurement(before).limits.least + least)],
          ]);
          expect(checkBody(own).filter(({ check }) => check === 'chain-order')).toEqual([]);
          expect(most).toBeGreaterThan(least);
        }
  });
});

/** Taken without a tape, or by another school in the place of one that is in the record. */
const OF_OTHER_SCHOOLS = new Set<MeasurementCode>([
  'height',
  'height-in-shoes',
  'heel-height',
  'inside-leg-to-ankle-top',
  'crotch-length-worn',
]);

describe('the placings of the full record', () => {
  it('are laid once for all that is read along them', () => {
    const codes = CATALOGUE.map(({ code }) => code);
    const placings = placingsOf(codes);
    const lengths = (code: MeasurementCode) => ['length', 'height', 'foot'].includes(measurement(code).kind);
    const paper = (code: MeasurementCode) => measurement(code).stance === 'on-paper';
    const laid = (keep: (code: MeasurementCode) => boolean) => {
      const own = placings.filter((one) => keep(one.codes[0]!));
      const outlines = own.filter((one) => paper(one.codes[0]!)).length;
      // One outline of a foot gives its length and its width.
      return own.length - outlines / 2;
    };
    const any = () => true;
    const taped = (code: MeasurementCode) => lengths(code) && !OF_OTHER_SCHOOLS.has(code);
    const share = (keep: (code: MeasurementCode) => boolean) => laid(keep) / codes.filter(keep).length;
    // eslint-disable-next-line no-console
    console.log(
      `chains: ${codes.filter(taped).length} lengths in ${laid(taped)} placings (${Math.round(share(taped) * 100)} %); ` +
        `with girths, of which none can share a tape, ${codes.length} in ${laid(any)} (${Math.round(share(any) * 100)} %)`,
    );
    expect(share(taped)).toBeLessThanOrEqual(0.6);
    expect(placings.flatMap((one) => one.codes).sort()).toEqual([...codes].sort());
  });
});
