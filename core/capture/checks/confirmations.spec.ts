import { cm, openSuspicions, suspectCodes, type Length, type MeasurementCode } from '../../index';

describe('confirmations', () => {
  const values = (waist: Length) =>
    new Map<MeasurementCode, Length>([
      ['waist-girth', waist],
      ['hip-girth', cm(108)],
    ]);
  const confirmation = {
    check: 'waist-over-hip' as const,
    values: [
      { code: 'hip-girth' as const, value: cm(108) },
      { code: 'waist-girth' as const, value: cm(112) },
    ],
  };

  it('close a suspicion for the values they were given on', () => {
    const open = openSuspicions(values(cm(112)), []);
    expect([...suspectCodes(open)]).toEqual(['waist-girth', 'hip-girth']);
    expect(openSuspicions(values(cm(112)), [confirmation])).toEqual([]);
  });

  it('leave what is only a hint to be relied on', () => {
    const open = openSuspicions(
      new Map<MeasurementCode, Length>([
        ['overarm-girth', cm(130)],
        ['bust-girth', cm(100)],
        ['hip-girth', cm(100)],
      ]),
      [],
    );
    expect(open.map(({ weight }) => weight)).toContain('hint');
    expect([...suspectCodes(open.filter(({ weight }) => weight === 'hint'))]).toEqual([]);
  });

  it('do not hold for another value or another check', () => {
    const [hip, waist] = confirmation.values;
    const open = (...some: readonly (typeof hip)[]) =>
      openSuspicions(values(cm(112)), [{ ...confirmation, values: some as never }]).length;
    expect(open(hip!, waist!)).toBe(0);
    expect(open(hip!, { ...waist!, value: cm(111) } as never)).toBe(1);
    expect(open(hip!, { code: 'chest-girth', value: cm(112) } as never)).toBe(1);
    expect(open(hip!)).withContext('of one of the two').toBe(1);
    expect(open(hip!, waist!, { code: 'chest-girth', value: cm(112) } as never))
      .withContext('of more than the two')
      .toBe(1);
    expect(openSuspicions(values(cm(113)), [confirmation]).length).toBe(1);
    expect(openSuspicions(values(cm(112)), [{ ...confirmation, check: 'waist-over-chest' }]).length).toBe(1);
  });
});
