import { inches, sayVestRemark, vestRemarks, type MeasurementCode } from '../index';
import { scale, wholeSheet } from '../testing/whole-sheet';

const vest = wholeSheet({
  kind: 'vest',
  parts: [
    scale('front-length', 'notch-to-belt-seated', ['13', '15']),
    scale('back-length', 'nape-to-belt', ['15', '18'], {}, ['15', '18']),
  ],
});
const said = (sizes: Record<string, string>, values: [MeasurementCode, number][], kind = vest) =>
  vestRemarks(kind, { sizes }, new Map(values.map(([code, value]) => [code, inches(value)] as const))).map(
    (one) => sayVestRemark(one, 'in/8'),
  );

describe('what is told of a vest', () => {
  it('is what sitting takes away, and a front and back that are four inches apart or more', () => {
    expect(said({ 'front-length': '13', 'back-length': '15' }, [])).toEqual([]);
    expect(said({ 'front-length': '13', 'back-length': '18' }, [])).toEqual([
      'Front and back are 5 in apart (13 in and 18 in). The two are usually equally long: measure both again.',
    ]);
    expect(
      said({}, [
        ['notch-to-belt-standing', 15],
        ['notch-to-belt-seated', 13],
      ]),
    ).toEqual(['Sitting takes 2 in off the front: 15 in standing, 13 in seated.']);
    expect(said({}, [['notch-to-belt-seated', 13]])).toEqual([]);
    expect(said({ 'front-length': '13', 'back-length': '18' }, [], { ...vest, kind: 'shirt' })).toEqual([]);
  });
});
