import fc from 'fast-check';
import { create, all } from 'mathjs';
import {
  cm,
  formatDistance,
  formatLength,
  formatNumber,
  inches,
  lengthFigures,
  LENGTH_UNITS,
  micrometres,
  MICROMETRES_PER,
  mm,
  parseLength,
  roundLength,
  sayMeasureProblem,
  shownStep,
  plainUnit,
  type ShownLength,
  type Length,
  type LengthUnit,
} from '../index';

const read = (text: string, unit: LengthUnit = 'in') => {
  const parsed = parseLength(text, unit);
  return parsed.ok ? parsed.value : parsed.problem;
};
const lengthOf = (text: string, unit: LengthUnit = 'in') => {
  const parsed = parseLength(text, unit);
  return parsed.ok ? parsed.value.length : null;
};

describe('a length', () => {
  it('is a whole number of micrometres', () => {
    expect(inches(1 / 8)).toBe(3_175 as Length);
    expect(cm(0.5)).toBe(5_000 as Length);
    expect(() => micrometres(0.5)).toThrowError(RangeError);
  });

  it('agrees with a general unit library on every factor', () => {
    const math = create(all!);
    for (const unit of LENGTH_UNITS)
      expect(MICROMETRES_PER[unit]).toBeCloseTo(
        math.unit(1, unit === 'in' ? 'inch' : unit).toNumber('um'),
        6,
      );
  });
});

describe('parseLength', () => {
  it('takes feet and inches for what they are, whatever unit a bare number has', () => {
    const read = parseLength('5 ft 6 in', 'cm');
    expect(read.ok && [read.value.length, read.value.unit, read.value.bare]).toEqual([
      inches(66),
      'in',
      false,
    ]);
  });

  it('takes any number of spaces for one', () => {
    const read = parseLength('34   1/2', 'in');
    expect(read.ok && read.value.length).toBe(inches(34.5));
  });

  // Every form the trade writes.
  const forms: [string, LengthUnit, Length][] = [
    ['38', 'in', inches(38)],
    ['38.5', 'in', inches(38.5)],
    ['38,5', 'in', inches(38.5)],
    ['.5', 'in', inches(0.5)],
    ['38 1/2', 'in', inches(38.5)],
    ['38½', 'in', inches(38.5)],
    ['38 ½', 'in', inches(38.5)],
    ['½', 'in', inches(0.5)],
    ['38-1/2', 'in', inches(38.5)],
    ['38–1/2', 'in', inches(38.5)],
    ['38 3⁄8', 'in', inches(38.375)],
    ['97cm', 'in', cm(97)],
    ['97,5 cm', 'in', cm(97.5)],
    ['970mm', 'in', mm(970)],
    ['1.70 m', 'in', cm(170)],
    ['38"', 'cm', inches(38)],
    ['38 1/2 in', 'cm', inches(38.5)],
    ['38 1/2 in.', 'cm', inches(38.5)],
    ["5'7", 'cm', inches(67)],
    ["5'", 'cm', inches(60)],
    ['5\'7 1/2"', 'cm', inches(67.5)],
    ['5’7½”', 'cm', inches(67.5)],
    ['5 ft 7', 'cm', inches(67)],
    ['5 feet 7 inches', 'cm', inches(67)],
    ['  38  1/2 ', 'in', inches(38.5)],
    ['38 1/16', 'in', micrometres(966_788)],
  ];
  for (const [text, unit, length] of forms) {
    it(`reads ${text}`, () => expect(lengthOf(text, unit)).toBe(length));
  }

  it('takes a hundred metres, and nothing past them', () => {
    expect(read('100 m')).toEqual(jasmine.objectContaining({ length: cm(10_000) }));
    expect(parseLength('100.001 m', 'cm').ok).toBeFalse();
  });

  it('says which unit was written and whether the number stood bare', () => {
    expect(read('38')).toEqual({ length: inches(38), unit: 'in', bare: true });
    expect(read('97 cm')).toEqual({ length: cm(97), unit: 'cm', bare: false });
  });

  const refused: [string, string][] = [
    ['', 'empty'],
    ['   ', 'empty'],
    ['abc', 'unreadable'],
    ['-38', 'unreadable'],
    ['3 8 1/2', 'unreadable'],
    ['38..5', 'unknown-unit'],
    ['38 yards', 'unknown-unit'],
    ['38 1/0', 'improper-fraction'],
    ['38 9/8', 'improper-fraction'],
    ['94/88', 'improper-fraction'],
    [`5'7 8/8"`, 'improper-fraction'],
    ["5'14", 'inches-not-below-a-foot'],
    ["5'12", 'inches-not-below-a-foot'],
    ['999999', 'too-long'],
    ['1e5', 'unknown-unit'],
  ];
  for (const [text, code] of refused) {
    it(`refuses “${text}” as ${code}, and says what to do`, () => {
      const parsed = parseLength(text, 'in');
      expect(parsed.ok).toBeFalse();
      if (!parsed.ok) {
        expect(parsed.problem.code as string).toBe(code);
        expect(sayMeasureProblem(parsed.problem)).toMatch(/\.$/);
      }
    });
  }

  it('never throws and never gives anything but whole micrometres, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 20, unit: fc.constantFrom(...'0123456789.,/- \'"cmiftn½x') }),
        fc.constantFrom(...LENGTH_UNITS),
        (text, unit) => {
          const parsed = parseLength(text, unit);
          return !parsed.ok || Number.isSafeInteger(parsed.value.length);
        },
      ),
    );
  });

  it('reads eighths of an inch and halves of a centimetre exactly', () => {
    fc.assert(
      fc.property(fc.nat(800), fc.nat(7), (whole, eighth) => {
        expect(lengthOf(`${whole} ${eighth}/8`, 'in') as number).toBe(whole * 25_400 + eighth * 3_175);
        expect(lengthOf(`${whole}${eighth > 3 ? ',5' : ''}`, 'cm') as number).toBe(
          whole * 10_000 + (eighth > 3 ? 5_000 : 0),
        );
      }),
    );
  });
});

describe('formatDistance', () => {
  it('calls nothing nothing, and what is too little to be shown less than that', () => {
    expect([0, 200, 1_000].map((um) => formatDistance(micrometres(um), 'cm'))).toEqual([
      '0 cm',
      'less than 0.1 cm',
      '0.1 cm',
    ]);
  });
});

describe('formatLength', () => {
  it('writes fractions of an inch reduced, tenths of a centimetre, whole millimetres', () => {
    expect(formatLength(inches(41.25), 'in/8')).toBe('41 1/4 in');
    expect(formatLength(inches(41), 'in/8')).toBe('41 in');
    expect(formatLength(inches(0.375), 'in/8')).toBe('3/8 in');
    expect(formatLength(inches(0), 'in/8')).toBe('0 in');
    expect(formatLength(cm(97.5), 'cm')).toBe('97.5 cm');
    expect(formatLength(cm(97), 'cm')).toBe('97 cm');
    expect(formatLength(inches(38), 'mm')).toBe('965 mm');
    expect(formatLength(micrometres(-inches(1)), 'in/8')).toBe('−1 in');
    expect(lengthFigures(inches(41.25), 'in/8')).toEqual({
      sign: '',
      whole: '41',
      fraction: '1/4',
      unit: 'in',
    });
  });

  it('writes sixteenths where the house does, and nothing else otherwise', () => {
    expect(formatLength(inches(41.0625), 'in/16')).toBe('41 1/16 in');
    expect(formatLength(inches(41.97), 'in/16')).toBe('42 in');
    expect(formatLength(inches(41.25), 'in/16')).toBe('41 1/4 in');
    expect(formatDistance(micrometres(700), 'in/16')).toBe('less than 1/16 in');
    expect(formatLength(cm(41.2), 'cm')).toBe('41.2 cm');
    for (let parts = 0; parts < 800; parts++) {
      const length = inches(parts / 16);
      expect(lengthOf(formatNumber(length, 'in/16'), 'in')).toBe(length);
    }
    expect(formatLength(inches(41.0625), 'in/8')).toBe('41 1/8 in');
  });

  it('never shows a sign before nothing', () => expect(formatNumber(micrometres(-100), 'in/8')).toBe('0'));

  it('reads back to what it showed', () => {
    fc.assert(
      fc.property(
        fc.nat(30_000),
        fc.constantFrom<ShownLength[]>('mm', 'cm', 'in/8', 'in/16'),
        (steps, unit) => {
          const length = micrometres(Math.round(steps * shownStep(unit)));
          expect(lengthOf(formatNumber(length, unit), plainUnit(unit))).toBe(length);
          expect(lengthOf(formatLength(length, unit), 'mm')).toBe(length);
        },
      ),
    );
  });
});

describe('roundLength', () => {
  const step = inches(1);
  it('goes up, down or to the nearest step, a half upward', () => {
    expect(roundLength(inches(15.2), { mode: 'nearest', step })).toBe(inches(15));
    expect(roundLength(inches(15.5), { mode: 'nearest', step })).toBe(inches(16));
    expect(roundLength(inches(15.125), { mode: 'up', step })).toBe(inches(16));
    expect(roundLength(inches(15.875), { mode: 'down', step })).toBe(inches(15));
  });

  it('goes down to the largest offered length, or to none', () => {
    const offered = [inches(11.5), inches(12.5)];
    expect(roundLength(inches(12), { mode: 'down-to-offered', offered })).toBe(inches(11.5));
    expect(roundLength(inches(12.5), { mode: 'down-to-offered', offered })).toBe(inches(12.5));
    expect(roundLength(inches(11), { mode: 'down-to-offered', offered })).toBeNull();
  });

  it('refuses a step that is not positive', () =>
    expect(() => roundLength(step, { mode: 'up', step: mm(0) })).toThrowError(RangeError));

  it('lands on the grid, within a step, on the side its name says', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -5_000_000, max: 5_000_000 }),
        fc.integer({ min: 1, max: 60_000 }),
        (count, grid) => {
          const [length, to] = [micrometres(count), micrometres(grid)];
          const [up, down, nearest] = (['up', 'down', 'nearest'] as const).map(
            (mode) => roundLength(length, { mode, step: to })!,
          );
          expect(Math.abs(up! % to)).toBe(0);
          expect(up! - length).toBeLessThan(to);
          expect(up! >= length && down! <= length && length - down! < to).toBeTrue();
          expect(Math.abs(nearest! - length)).toBeLessThanOrEqual(Math.min(up! - length, length - down!));
        },
      ),
    );
  });
});
