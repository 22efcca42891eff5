import {
  CATALOGUE,
  isMeasurementCode,
  measurement,
  MEASUREMENT_CODES,
  nearestCodes,
  readReading,
  bareUnit,
  sayReadingProblem,
  inches,
  cm,
  mm,
  withinLimits,
} from '../../index';

describe('the catalogue', () => {
  it('has every code once, and no other', () => {
    expect(CATALOGUE.map(({ code }) => code).sort()).toEqual([...MEASUREMENT_CODES].sort());
  });

  for (const one of CATALOGUE) {
    it(`describes ${one.code} wholly`, () => {
      expect(one.short.length).toBeLessThanOrEqual(14);
      expect(one.place).toMatch(/\.$/);
      expect(one.limits.least).toBeLessThan(one.limits.most);
      expect(one.standardError).toBeGreaterThan(0);
      expect(one.spoils.length).toBeGreaterThan(0);
      expect(one.notToBeConfusedWith).not.toContain(one.code);
      expect(one.instruments.length).toBeGreaterThan(0);
    });
  }

  it('keeps the four waists apart, each naming the others', () => {
    const waists = ['waist-girth', 'navel-girth', 'abdominal-girth', 'trouser-waist-girth'] as const;
    for (const waist of waists)
      for (const other of waists)
        if (other !== waist) expect(measurement(waist).notToBeConfusedWith).toContain(other);
  });

  it('knows a code from a name', () => {
    expect(isMeasurementCode('chest-girth')).toBeTrue();
    expect(isMeasurementCode('chest')).toBeFalse();
  });
});

describe('nearestCodes', () => {
  it('offers the waists for “waist”', () =>
    expect(nearestCodes('Waist')).toEqual([
      'waist-girth',
      'navel-girth',
      'abdominal-girth',
      'trouser-waist-girth',
    ]));
  it('mends a slip of the keys', () => expect(nearestCodes('chset-girth')[0]).toBe('chest-girth'));
  it('finds a measurement by its plain name', () =>
    expect(nearestCodes('Hip and seat')[0]).toBe('hip-girth'));
});

describe('readReading', () => {
  it('offers other units for a bare number alone: one that was named is meant', () => {
    const offers = (text: string) => {
      const read = readReading(text, 'chest-girth', 'cm');
      return read.ok || read.problem.code !== 'impossible' ? null : read.problem.offers.length;
    };
    expect([offers('38'), offers('38 cm')]).toEqual([1, 0]);
    const heavy = readReading('900', 'weight', 'kg');
    expect(!heavy.ok && heavy.problem.code === 'impossible' && heavy.problem.offers).toEqual([]);
  });

  it('takes a number in the docket’s unit, and one that names its own', () => {
    expect(readReading('38 1/2', 'chest-girth', 'in')).toEqual({
      ok: true,
      value: { length: inches(38.5), unit: 'in', bare: true },
    });
    expect(readReading('97cm', 'chest-girth', 'in')).toEqual({
      ok: true,
      value: { length: cm(97), unit: 'cm', bare: false },
    });
  });

  it('offers the unit in which an impossible bare number is possible', () => {
    const reading = readReading('97', 'chest-girth', 'in');
    expect(reading.ok).toBeFalse();
    if (reading.ok || reading.problem.code !== 'impossible') return;
    expect(reading.problem.offers).toEqual([{ unit: 'cm', length: cm(97) }]);
    expect(sayReadingProblem(reading.problem, 'in/8')).toBe(
      '97 in is outside any chest (23 5/8 in to 70 7/8 in). 97 cm?',
    );
  });

  it('offers nothing when no unit makes it possible, or when the unit was written', () => {
    for (const text of ['7', '20 in', '3000 mm']) {
      const reading = readReading(text, 'chest-girth', 'in');
      expect(!reading.ok && reading.problem.code === 'impossible' && reading.problem.offers.length).toBe(0);
      if (!reading.ok) expect(sayReadingProblem(reading.problem, 'in/8')).toContain('Read the tape again.');
    }
  });

  it('hands on what cannot be read at all', () => {
    const reading = readReading('3o', 'chest-girth', 'in');
    expect(reading.ok).toBeFalse();
    if (!reading.ok) expect(sayReadingProblem(reading.problem, 'in/8')).toContain('“o”');
  });

  it('counts a foot in millimetres whatever the docket’s unit', () => {
    expect(bareUnit('foot-length-left', 'in')).toBe('mm');
    expect(bareUnit('chest-girth', 'in')).toBe('in');
    expect((['in', 'lb', 'cm', 'kg'] as const).map((unit) => bareUnit('weight', unit))).toEqual([
      'lb',
      'lb',
      'kg',
      'kg',
    ]);
  });

  it('includes both limits', () => {
    expect(withinLimits('chest-girth', mm(600))).toBeTrue();
    expect(withinLimits('chest-girth', mm(1800))).toBeTrue();
    expect(withinLimits('chest-girth', mm(599))).toBeFalse();
  });
});
