import { cm, inches, sayUnitSlip, unitSlip, type MeasurementCode } from '../index';

const nothing = new Map();
const offered = (text: string, code: MeasurementCode, unit: 'in' | 'cm' | 'mm', known = nothing) =>
  unitSlip(text, code, unit, known)?.offer.unit ?? null;

describe('unitSlip', () => {
  it('asks about a number that is a rare body in its own unit and an ordinary one in another', () => {
    expect(offered('66', 'trouser-waist-girth', 'in')).toBe('cm');
    expect(offered('78', 'hip-girth', 'in')).toBe('cm');
    expect(offered('5', 'apex-to-side', 'cm')).toBe('in');
    expect(sayUnitSlip(unitSlip('78', 'hip-girth', 'in', nothing)!, 'in/8')).toBe(
      '78 in is far from the usual hip and seat. 78 cm?',
    );
    expect(sayUnitSlip(unitSlip('78', 'hip-girth', 'in', nothing)!, 'cm')).toContain('78 in (198.1 cm)');
  });

  it('asks nothing of ordinary bodies, of what has its unit written, and of what is no girth or length', () => {
    for (const [text, code] of [
      ['42', 'chest-girth'],
      ['48', 'trouser-waist-girth'],
      ['60', 'hip-girth'],
      ['32 1/2', 'inside-leg-length'],
    ] as const)
      expect(offered(text, code, 'in'))
        .withContext(text)
        .toBeNull();
    expect(offered('98', 'chest-girth', 'cm')).toBeNull();
    // A small neck is nearer to a usual one in no other unit, and a large calf only just.
    expect(offered('19', 'neck-girth', 'in')).toBeNull();
    expect(offered('21', 'calf-girth', 'in')).toBeNull();
    expect(offered('66 in', 'trouser-waist-girth', 'in')).toBeNull();
    expect(offered('66"', 'trouser-waist-girth', 'in')).toBeNull();
    expect(unitSlip('262', 'foot-length-left', 'mm', nothing)).toBeNull();
    expect(unitSlip('80', 'weight', 'kg', nothing)).toBeNull();
    expect(unitSlip('x', 'chest-girth', 'in', nothing)).toBeNull();
  });

  it('goes by the girths that are known of a large body, and by what was read of it before', () => {
    expect(offered('66', 'trouser-waist-girth', 'in', new Map([['chest-girth', inches(64)]]))).toBeNull();
    expect(offered('78', 'hip-girth', 'in', new Map([['hip-girth', inches(77)]]))).toBeNull();
    expect(offered('66', 'trouser-waist-girth', 'in', new Map([['chest-girth', cm(90)]]))).toBe('cm');
    expect(offered('66', 'trouser-waist-girth', 'in', new Map([['height', inches(80)]])))
      .withContext('a height says nothing of a girth')
      .toBe('cm');
  });
});
