import fc from 'fast-check';
import {
  bother,
  byPlacing,
  measurement,
  MEASUREMENT_CODES,
  planDocket,
  planSteps,
  shoesFor,
  sayConflict,
  type ChainCode,
  type MeasurementCode,
} from '../index';

function orders<Value>(values: readonly Value[]): Value[][] {
  if (values.length < 2) return [[...values]];
  return values.flatMap((value, index) =>
    orders([...values.slice(0, index), ...values.slice(index + 1)]).map((rest) => [value, ...rest]),
  );
}

describe('byPlacing', () => {
  it('joins the marks of one chain that follow each other, and nothing that is taken alone', () => {
    const steps = [null, null, 'arm', 'arm', 'side', 'side', null, 'arm'].map((chain) => ({
      chain: chain as ChainCode | null,
    }));
    expect(byPlacing(steps).map((placing) => placing.length)).toEqual([1, 1, 2, 2, 1, 1]);
  });
});

describe('shoesFor', () => {
  it('takes them off for what they would falsify, and keeps on what is measured to them', () => {
    const off = MEASUREMENT_CODES.filter((code) => shoesFor(code) === 'off');
    expect(off.filter((code) => measurement(code).kind !== 'foot').sort()).toEqual([
      'heel-girth',
      'height',
      'hip-to-floor',
      'knee-to-floor',
      'outside-leg-length',
      'shoulder-to-floor',
      'trouser-waist-to-floor',
      'waist-to-floor-tiptoe',
      'weight',
    ]);
    expect(MEASUREMENT_CODES.filter((code) => shoesFor(code) === 'on').sort()).toEqual([
      'height-in-shoes',
      'hollow-to-hem',
      'outseam',
    ]);
  });
});

describe('bother', () => {
  it('counts going from one side to the other where the stance stays', () => {
    const one = MEASUREMENT_CODES.find((code) => code.endsWith('-left'))!;
    const other = one.replace('-left', '-right') as MeasurementCode;
    expect([bother([one, one]), bother([one, other]), bother([one, other, one])]).toEqual([0, 1, 2]);
  });
});

describe('planSteps', () => {
  it('takes each measurement once, and each stance together', () => {
    const steps = planSteps([
      'notch-to-belt-seated',
      'chest-girth',
      'nape-to-belt',
      'waist-girth',
      'chest-girth',
      'foot-length-left',
      'height',
    ]);
    expect(steps).toEqual([
      'height',
      'chest-girth',
      'waist-girth',
      'nape-to-belt',
      'notch-to-belt-seated',
      'foot-length-left',
    ]);
    expect(new Set(steps.map((code) => measurement(code).stance)).size).toBe(4);
  });

  it('takes one foot after the other, and shoes off once', () => {
    expect(
      planSteps([
        'foot-length-left',
        'foot-length-right',
        'foot-width-left',
        'foot-width-right',
        'height',
        'outseam',
      ]),
    ).toEqual([
      'outseam',
      'height',
      'foot-length-left',
      'foot-width-left',
      'foot-length-right',
      'foot-width-right',
    ]);
  });

  it('bothers the wearer no more than any other order of the same steps', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...MEASUREMENT_CODES), { minLength: 1, maxLength: 6 }),
        (codes) => {
          const least = Math.min(...orders(codes).map(bother));
          expect(bother(planSteps(codes))).toBe(least);
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe('planDocket', () => {
  it('joins what several ask for, and says who does', () => {
    const { steps, conflicts } = planDocket([
      { by: 'Field jacket', code: 'chest-girth' },
      { by: 'Fleece', code: 'chest-girth' },
      { by: 'Field jacket', code: 'waist-girth' },
    ]);
    expect(
      steps.map(({ code, wantedBy }) => [code, wantedBy] as [MeasurementCode, readonly string[]]),
    ).toEqual([
      ['chest-girth', ['Field jacket', 'Fleece']],
      ['waist-girth', ['Field jacket']],
    ]);
    expect(conflicts).toEqual([]);
  });

  it('names all of more than two places', () => {
    const { conflicts } = planDocket([
      { by: 'Jacket', code: 'waist-girth' },
      { by: 'Trousers', code: 'trouser-waist-girth' },
      { by: 'Vest', code: 'navel-girth' },
    ]);
    expect(conflicts.map(sayConflict).join()).toMatch(
      /^Jacket, Vest and Trousers|^Jacket, Trousers and Vest/,
    );
  });

  it('takes it for no conflict that everybody who asks wants both places', () => {
    const both = (by: string) => [
      { by, code: 'waist-girth' as const },
      { by, code: 'trouser-waist-girth' as const },
    ];
    expect(planDocket([...both('Suit'), ...both('Uniform')]).conflicts).toEqual([]);
    expect(planDocket([...both('Suit'), { by: 'Jacket', code: 'waist-girth' }]).conflicts.length).toBe(1);
  });

  it('names two charts that say one word and mean two places', () => {
    const { conflicts } = planDocket([
      { by: 'Field jacket', code: 'waist-girth' },
      { by: 'Trousers', code: 'trouser-waist-girth' },
    ]);
    expect(conflicts.map(sayConflict)).toEqual([
      'Field jacket and Trousers may both say “waist” and mean different places: natural waist and trouser waist. Each is measured on its own.',
    ]);
  });

  it('finds no conflict in one asker who wants both places', () => {
    const both = ['waist-girth', 'trouser-waist-girth'] as const;
    expect(planDocket(both.map((code) => ({ by: 'Suit', code }))).conflicts).toEqual([]);
  });

  it('names a tape that is to lie differently, and takes it as the first says', () => {
    const { steps, conflicts } = planDocket([
      { by: 'Hire suit', code: 'waist-girth', tension: 'drawn-tight' },
      { by: 'Field jacket', code: 'waist-girth', tension: 'skin' },
      { by: 'Parka', code: 'waist-girth' },
    ]);
    expect(steps[0]!.tension).toBe('drawn-tight');
    expect(conflicts.map(sayConflict)[0]).toContain(
      'Hire suit: drawn tight; Field jacket: touching, not pressing',
    );
  });
});
