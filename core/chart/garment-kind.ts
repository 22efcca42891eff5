/** What a chart sizes. The kind brings its fit checks and cautions; the chart says the rest. */
export const GARMENT_KINDS = [
  'outerwear',
  'jacket',
  'waistcoat',
  'shirt',
  'trousers',
  'dress',
  'bra',
  'one-piece',
  'vest',
  'dry-suit',
  'waders',
  'boots',
  'gloves',
  'hat',
  'other',
] as const;
export type GarmentKind = (typeof GARMENT_KINDS)[number];

/** Each kind as the shelf heads it. */
export const KIND_WORDS: Readonly<Record<GarmentKind, string>> = {
  outerwear: 'Outerwear',
  jacket: 'Jackets',
  waistcoat: 'Waistcoats',
  shirt: 'Shirts',
  trousers: 'Trousers',
  dress: 'Dresses',
  bra: 'Bras',
  'one-piece': 'One-piece suits',
  vest: 'Protective vests',
  'dry-suit': 'Dry suits',
  waders: 'Waders',
  boots: 'Boots and shoes',
  gloves: 'Gloves',
  hat: 'Hats',
  other: 'Other garments',
};

/**
 * What must be said wherever a garment of this kind is sized: the tool proposes from the
 * maker's chart and certifies nothing.
 */
export const KIND_CAUTIONS: Readonly<Partial<Record<GarmentKind, string>>> = {
  vest: 'A size proposed from the maker’s chart does not certify protection. Follow the maker’s sizing instructions and the issuing authority’s policy; have a trained person check the fit standing and seated, front panel over back panel; never trade coverage for comfort on this proposal alone.',
  'dry-suit':
    'Dry suits keep people alive: follow the maker’s instructions, and have a trained person check seals, reach and squat on the wearer.',
  waders:
    'For work in water, follow the maker’s instructions and local practice, and check the boot with the socks to be worn.',
  boots: 'For hazardous work, follow the maker’s instructions, and try on with the socks to be worn.',
  gloves: 'For hazardous work, follow the maker’s instructions; fist and pinch before they are issued.',
};
