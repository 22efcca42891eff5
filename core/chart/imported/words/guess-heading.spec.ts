import { guessHeading } from '../../../testing/all';

describe('guessHeading', () => {
  for (const [text, code] of [
    ['Chest', 'chest-girth'],
    ['Chest (cm)', 'chest-girth'],
    ['To fit chest (in)', 'chest-girth'],
    ['Chest circumference, cm', 'chest-girth'],
    ['Body height', 'height'],
    ['Inside leg length', 'inside-leg-length'],
    ['Inseam', 'inside-leg-length'],
    ['chest_girth', 'chest-girth'],
    ['Hips', 'hip-girth'],
    ['Collar girth', 'neck-girth'],
    ['Hand circumference', 'hand-girth'],
    ['Thigh girth', 'thigh-girth'],
    ['Widest girth', 'abdominal-girth'],
    ['Nape to waist', 'back-waist-length'],
    ['Neck in inches', 'neck-girth'],
  ] as const)
    it(`takes “${text}” unasked`, () => expect(guessHeading(text).code).toBe(code));

  for (const text of [
    'Leg opening',
    'What size',
    'Hat size',
    'Chest ease',
    'Chest length',
    'Knee width',
    'That of the chestnut',
    'Neck opening',
    'Waist',
    'Hand (cm)',
    'Contorno de pecho',
    'Taille (cm)',
    'Größe (cm)',
    'Leg',
    'Leg length',
    'Girth (cm)',
    'Back length (cm)',
    'Front length',
    'Rückenlänge',
    'Body length',
    'Length (cm)',
    'Sleeve',
    'Rise',
  ])
    it(`asks what “${text}” means`, () => expect(guessHeading(text).code).toBeNull());

  it('knows a garment’s own measure, and half the way round', () => {
    expect(guessHeading('Finished chest').of).toBe('garment');
    expect(guessHeading('Chest (finished)').of).toBe('garment');
    expect(guessHeading('Half chest').of).toBe('flat');
    expect(guessHeading('Brustweite, liegend').of).toBe('flat');
    expect(guessHeading('Chest').of).toBe('body');
  });

  for (const [text, code] of [
    ['Körpergröße', 'height'],
    ['Hüftumfang', 'hip-girth'],
    ['Hueftumfang (cm)', 'hip-girth'],
    ['Schrittlänge', 'inside-leg-length'],
    ['Kopfumfang', 'head-girth'],
    ['Tour de hanches', 'hip-girth'],
    ['Entrejambe', 'inside-leg-length'],
    ['Tour de cou', 'neck-girth'],
    ['Stature', 'height'],
    ['Cadera', 'hip-girth'],
    ['Entrepierna', 'inside-leg-length'],
    ['Longueur du pied', 'longer-foot'],
    ['Foot width', 'wider-foot'],
  ] as const)
    it(`takes “${text}” unasked`, () => expect(guessHeading(text).code).toBe(code));

  it('takes a word with a slip for the only one that is near, and says so', () => {
    expect(guessHeading('Chset').slip).toEqual({ wrote: 'chset', read: 'chest' });
    expect(guessHeading('Hüftumfamg').code).toBe('hip-girth');
    expect(guessHeading('Wzist').code).withContext('a waist or a wrist').toBeNull();
  });

  it('says which words are not known', () => {
    expect(guessHeading('Chest opening').unknown).toEqual(['opening']);
    expect(guessHeading('Gusset').unknown).toEqual(['gusset']);
    expect(guessHeading('Chest and hip').code).toBeNull();
    expect(guessHeading('Inside leg Short')).toEqual(
      jasmine.objectContaining({ code: 'inside-leg-length', class: 'Short' }),
    );
  });

  it('offers no head for a “what”, and the inside leg for a leg opening', () => {
    expect(guessHeading('What size').candidates).not.toContain('head-girth');
    expect(guessHeading('Leg opening').candidates).toContain('inside-leg-length');
  });
});
