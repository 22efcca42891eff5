import fc from 'fast-check';
import { asTyped, deviceLength, inches, mm, parseDeviceLine, parseLength, sayDeviceProblem } from '../index';

const LINE = { v: 1, device: 'tape-7', seq: 42, value: 982.5, unit: 'mm', at: '2026-05-04T08:00:00.000Z' };
const read = (changes: object) => parseDeviceLine(JSON.stringify({ ...LINE, ...changes }));

describe('parseDeviceLine', () => {
  it('reads a line, and leaves out what it does not know', () => {
    const line = read({ battery: 80 });
    expect(line.ok && line.value).toEqual(LINE as never);
    expect(line.ok && deviceLength(line.value)).toBe(mm(982.5));
  });

  const refused: [string, object, string][] = [
    ['another version', { v: 2 }, 'v'],
    ['no device', { device: '' }, 'device'],
    ['a device that is no name', { device: 'a b' }, 'device'],
    ['a broken count', { seq: 1.5 }, 'seq'],
    ['a length below nothing', { value: -1 }, 'value'],
    ['a length in words', { value: '98' }, 'value'],
    ['an unknown unit', { unit: 'ell' }, 'unit'],
    ['no moment', { at: 'now' }, 'at'],
    ['a docket that is none', { docket: '12' }, 'docket'],
  ];
  for (const [name, changes, field] of refused) {
    it(`refuses ${name}, naming the field`, () => {
      const line = read(changes);
      expect(line.ok ? '' : sayDeviceProblem(line.problem)).toContain(`Wrong or missing: ${field}.`);
    });
  }

  it('refuses a line that is longer than any device writes, whatever it says', () => {
    const line = read({ battery: 'x'.repeat(1_000) });
    expect(!line.ok && line.problem).toEqual({ code: 'too-long', most: 1_000 });
  });

  it('refuses what is no line at all', () => {
    for (const text of ['', '{', '[]', 'null', '42', 'x'.repeat(2_000)]) {
      const line = parseDeviceLine(text);
      expect(line.ok).toBeFalse();
      if (!line.ok) expect(sayDeviceProblem(line.problem)).toMatch(/\.$/);
    }
  });

  it('says that the line itself is wrong where no field of it is', () => {
    const line = parseDeviceLine('42');
    expect(line.ok ? null : line.problem).toEqual({ code: 'wrong-fields', fields: ['the line'] });
    const fields = read({ v: 2, value: '98' });
    expect(fields.ok ? null : fields.problem).toEqual({ code: 'wrong-fields', fields: ['v', 'value'] });
  });

  it('is typed exactly', () => {
    expect(asTyped({ value: 38.625, unit: 'in' })).toBe('981.075 mm');
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20_000 }), (eighths) => {
        const typed = parseLength(asTyped({ value: eighths / 8, unit: 'in' }), 'cm');
        expect(typed.ok && typed.value.length).toBe(inches(eighths / 8));
      }),
    );
  });
});
