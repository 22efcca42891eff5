import fc from 'fast-check';
import { micrometres } from '../index';
import { writtenLength, writtenLengthSchema } from './written-length';

describe('a length as a chart file writes it', () => {
  it('keeps its sign, and takes the shortest unit that says it exactly', () => {
    const written = (length: number) => writtenLength(micrometres(length));
    expect(written(25_400)).toBe('1 in');
    expect(written(-25_400)).toBe('-1 in');
    expect(written(0)).toBe('0 in');
    expect(written(3_175)).toBe('0.125 in');
    expect(written(12_345)).toBe('1.2345 cm');
  });

  it('is read back as the very same, whatever it is', () => {
    fc.assert(
      fc.property(fc.integer({ min: -2_500_000, max: 2_500_000 }), (length) => {
        expect(writtenLengthSchema.parse(writtenLength(micrometres(length)))).toBe(micrometres(length));
      }),
    );
  });
});
