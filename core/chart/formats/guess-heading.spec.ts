import { guessHeading } from '../../index';

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
    ['Neck in inches', 'neck-girth'],
  ] as const)
    it(`takes “${text}” unasked`, () => expect(guessHeading(text).code).toBe(code));

  for (const text of [
    'Leg opening',
    'What size',
    'Hat size',
    'Chest (finished)',
    'Finished chest',
    'Half chest',
    'Chest ease',
    'Chest length',
    'Knee width',
    'That of the chestnut',
    'Neck opening',
    'Waist',
    'Sleeve',
    'Rise',
  ])
    it(`asks what “${text}” means`, () => expect(guessHeading(text).code).toBeNull());

  it('offers no head for a “what”, and the inside leg for a leg opening', () => {
    expect(guessHeading('What size').candidates).not.toContain('head-girth');
    expect(guessHeading('Leg opening').candidates).toContain('inside-leg-length');
  });
});
