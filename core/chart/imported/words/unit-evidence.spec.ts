import { isUnit, unitOfHeading, unitOfNote, unitsOfCell } from './unit-evidence';

describe('what names a unit', () => {
  for (const [text, unit] of [
    ['Chest (cm)', 'cm'],
    ['Chest [in]', 'in'],
    ['Chest (")', 'in'],
    ['Chest (in cm)', 'cm'],
    ['Chest (inches, to fit)', 'in'],
    ['Chest, in', 'in'],
    ['Chest / mm', 'mm'],
    ['Chest cm', 'cm'],
    ['Chest in inches', 'in'],
    ['cm Chest', 'cm'],
    ['chest_girth_cm', 'cm'],
    ['in', 'in'],
    ['Brust in Zentimeter', 'cm'],
    ['Poitrine en pouces', 'in'],
    ['Pecho (pulgadas)', 'in'],
  ] as const)
    it(`takes ${unit} from the heading “${text}”`, () => expect(unitOfHeading(text)).toBe(unit));

  for (const text of [
    'Chest in',
    'Fits in small',
    'The “Harbour” chest',
    'Inseam',
    'Chest',
    'In stock',
    'Pins',
  ])
    it(`takes none from the heading “${text}”`, () => expect(unitOfHeading(text)).toBeNull());

  for (const [text, unit] of [
    ['All measures in cm', 'cm'],
    ['All measurements are in inches.', 'in'],
    ['Size chart (cm)', 'cm'],
    ['Size chart (in)', 'in'],
    ['Alle Maße in cm', 'cm'],
    ['Toutes les mesures en cm', 'cm'],
    ['Medidas en pulgadas', 'in'],
    ['(mm)', 'mm'],
  ] as const)
    it(`takes ${unit} from the line “${text}”`, () => expect(unitOfNote(text)).toBe(unit));

  for (const text of [
    'Model is 188 cm tall and wears M',
    'The model in the picture is 6 ft in size L',
    'Wash inside out, dry in shade',
    'Cut 2 cm generous',
    'Our “Tide” range',
    'Made in small numbers',
  ])
    it(`takes none from the line “${text}”`, () => expect(unitOfNote(text)).toBeNull());

  it('takes every unit that stands behind a number in a cell', () => {
    expect(unitsOfCell('34" - 36"')).toEqual(['in', 'in']);
    expect(unitsOfCell('86 cm – 91 cm')).toEqual(['cm', 'cm']);
    expect(unitsOfCell('34 in / 86 cm')).toEqual(['in', 'cm']);
    expect(unitsOfCell('38½″')).toEqual(['in']);
    expect(unitsOfCell('86-91')).toEqual([]);
    expect(unitsOfCell('2 inserts')).toEqual([]);
  });

  it('takes a capital M for a size, and no unit', () => {
    expect([isUnit('M'), isUnit('m'), isUnit('CM'), unitOfNote('M')]).toEqual([false, true, true, null]);
  });
});
