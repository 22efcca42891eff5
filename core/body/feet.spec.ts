import { countingFeet, mm, type Length, type MeasurementCode } from '../index';

describe('countingFeet', () => {
  const feet = (values: Partial<Record<MeasurementCode, Length>>) =>
    countingFeet(new Map(Object.entries(values) as [MeasurementCode, Length][]));

  it('takes the longer and the wider foot, each by itself', () => {
    const values = {
      'foot-length-left': mm(250),
      'foot-length-right': mm(247),
      'foot-width-left': mm(98),
      'foot-width-right': mm(100),
    };
    expect(feet(values)).toEqual({ length: mm(250), width: mm(100) });
  });

  it('waits for both feet', () =>
    expect(feet({ 'foot-length-left': mm(250) })).toEqual({ length: null, width: null }));
});

describe('one foot alone', () => {
  it('counts for nothing, whichever it is', () => {
    for (const side of ['left', 'right'] as const)
      expect(countingFeet(new Map([[`foot-length-${side}`, mm(250)]] as const)).length).toBeNull();
  });
});
