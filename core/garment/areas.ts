import type { MeasurementCode } from '../body/catalogue/codes';

/**
 * Where on the wearer a garment is looked at once it is on. An area is what an answer speaks of, what
 * is altered, and where it is learned how a chart runs; which part of a chart sizes it is found by what
 * that part measures.
 */
export interface AreaFacts {
  /** As it stands in a sentence: "let out the chest". */
  readonly name: string;
  readonly along: 'girth' | 'length';
  /** What a part that sizes it goes by, the best first. */
  readonly measures: readonly MeasurementCode[];
  /** Words in a part's code or name by which it is known before anything it measures. */
  readonly cues: readonly string[];
  /** Whether too much there can be taken away, and too little given, by a tailor. Common practice, no source. */
  readonly taken: boolean;
  readonly given: boolean;
}

const CHESTS = ['chest-girth', 'bust-girth', 'above-bust-girth', 'overarm-girth'] as const;
const WAISTS = ['trouser-waist-girth', 'waist-girth', 'abdominal-girth', 'navel-girth'] as const;

const AREAS = {
  chest: area('chest', 'girth', CHESTS, ['chest', 'bust'], true, false),
  bust: area('bust', 'girth', ['bust-girth', 'chest-girth'], ['bust', 'chest'], true, false),
  shoulder: area('shoulder', 'girth', ['shoulder-width', ...CHESTS], ['shoulder', 'chest'], false, false),
  collar: area('collar', 'girth', ['neck-girth'], ['collar', 'neck'], false, false),
  waist: area('waist', 'girth', [...WAISTS, 'hip-girth'], ['waist'], true, true),
  hip: area('hip', 'girth', ['hip-girth', 'high-hip-girth', ...WAISTS], ['hip', 'seat'], true, true),
  trunk: area(
    'trunk',
    'length',
    ['trunk-girth', 'crotch-length', 'height', 'chest-girth'],
    ['trunk', 'torso'],
    false,
    false,
  ),
  sleeve: area(
    'sleeve',
    'length',
    ['cervicale-to-wrist', 'arm-length', 'height'],
    ['sleeve', 'arm', 'length'],
    true,
    true,
  ),
  length: area('length', 'length', ['back-waist-length', 'height'], ['length'], true, false),
  leg: area(
    'leg',
    'length',
    ['inside-leg-length', 'outside-leg-length', 'outseam', 'height'],
    ['leg', 'inseam', 'outseam'],
    true,
    true,
  ),
  hem: area('hem', 'length', ['outside-leg-length', 'height'], ['length', 'hem'], true, true),
  'front-width': area(
    'front panel',
    'girth',
    [...CHESTS, ...WAISTS],
    ['front width', 'front', 'panel'],
    false,
    false,
  ),
  'back-width': area(
    'back panel',
    'girth',
    [...CHESTS, ...WAISTS],
    ['back width', 'back', 'panel'],
    false,
    false,
  ),
  'front-length': area(
    'front',
    'length',
    [
      'notch-to-belt-seated',
      'notch-to-belt-standing',
      'apex-to-belt',
      'clavicle-to-apex',
      'front-waist-length',
    ],
    ['front length'],
    false,
    false,
  ),
  'back-length': area(
    'back',
    'length',
    ['collar-to-belt', 'nape-to-belt', 'back-waist-length'],
    ['back length'],
    false,
    false,
  ),
  band: area('band', 'girth', ['underbust-girth'], ['band'], false, false),
  cup: area('cup', 'girth', ['bust-girth'], ['cup'], false, false),
  seals: area('seals', 'girth', [], ['seal'], false, false),
  boot: area(
    'boot',
    'length',
    ['foot-length-left', 'foot-length-right'],
    ['boot', 'foot', 'length'],
    false,
    false,
  ),
  'boot-width': area('boot', 'girth', ['foot-width-left', 'foot-width-right'], ['width'], false, false),
  hand: area('hand', 'girth', ['hand-girth', 'hand-length'], ['hand'], false, false),
  head: area('head', 'girth', ['head-girth'], ['head'], false, false),
} satisfies Record<string, AreaFacts>;

export type FitArea = keyof typeof AREAS;
/** A part of a chart, of which a maker's own check tells. */
export type PartPlace = `part:${string}`;
/** Of what an answer tells. */
export type FitPlace = FitArea | PartPlace;
export const FIT_AREAS = Object.keys(AREAS) as FitArea[];

/**
 * What is known of an area.
 *
 * @example areaFacts('front-length').name // 'front'
 */
export function areaFacts(code: FitArea): AreaFacts {
  return AREAS[code];
}

/**
 * A part as the place that a maker's own check tells of.
 *
 * @example partPlace('hood') // 'part:hood'
 */
export function partPlace(part: string): PartPlace {
  return `part:${part}`;
}

/**
 * Whether a place is a part of a chart.
 *
 * @example isPart(partPlace('hood')) // true
 */
export function isPart(place: FitPlace): place is PartPlace {
  return place.startsWith('part:');
}

function area(
  name: string,
  along: AreaFacts['along'],
  measures: readonly MeasurementCode[],
  cues: readonly string[],
  taken: boolean,
  given: boolean,
): AreaFacts {
  return { name, along, measures, cues, taken, given };
}
