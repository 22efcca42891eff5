import { cm, madeToMeasureNeeds, mm, sayNeeds, type Length, type MeasurementCode } from '../index';
import { scale, wholeSheet } from '../testing/whole-sheet';

describe('what made to measure needs', () => {
  const sheet = wholeSheet({
    derivations: [
      {
        code: 'derived:longer',
        name: 'Longer foot',
        steps: [{ do: 'max', as: 'longer', of: ['foot-length-left', 'foot-length-right'] }],
      },
    ],
    parts: [
      scale('size', 'chest-girth', ['60', '70'], {}),
      scale('boot', 'derived:longer', ['250', '260'], {}),
    ],
  });
  const values = new Map<MeasurementCode, Length>([
    ['chest-girth', cm(84.5)],
    ['foot-length-left', mm(254)],
    ['calf-girth', cm(38)],
  ]);

  it('is every measurement the chart goes by, behind its arithmetic too, and nothing else', () => {
    expect(madeToMeasureNeeds(sheet, values)).toEqual([
      { code: 'chest-girth', value: cm(84.5) },
      { code: 'foot-length-left', value: mm(254) },
      { code: 'foot-length-right', value: null },
    ]);
  });

  it('names what decides before what is only reported, wherever it stands', () => {
    const reported = wholeSheet({
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes: ['S', 'M'],
          columns: [
            { code: 'height', unit: 'in', role: 'advisory', cells: ['60-66', '66-70'] },
            { code: 'chest-girth', unit: 'in', cells: ['36-38', '38-40'] },
          ],
        },
      ],
    });
    expect(madeToMeasureNeeds(reported, new Map()).map(({ code }) => code)).toEqual([
      'chest-girth',
      'height',
    ]);
  });

  it('is said with what is still to measure, feet in millimetres', () => {
    expect(sayNeeds(madeToMeasureNeeds(sheet, values), 'cm')).toBe(
      'chest 84.5 cm, left foot length 254 mm; still to measure: right foot length',
    );
    expect(sayNeeds(madeToMeasureNeeds(sheet, new Map()), 'in/8')).toBe(
      'still to measure: chest, left foot length, right foot length',
    );
  });
});
