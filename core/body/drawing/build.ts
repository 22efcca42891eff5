import { mm, type Length } from '../../quantity/length';
import type { MeasurementCode } from '../catalogue/codes';

/** What is known of a person, for the drawing: a mass in grams, the rest in micrometres. */
export type BodyValues = ReadonlyMap<MeasurementCode, Length>;

/** A place on the figure as it is drawn, by its height on the ground, and how much wider a person is there. */
type Level = readonly [y: number, factor: number];

/** How a person's build differs from the figure's own. */
export interface Build {
  /** Of trunk and legs, from the neck to the ankle. */
  readonly levels: readonly Level[];
  readonly shoulders: number;
  readonly arms: number;
  /** Where on the ground the fork is. */
  readonly fork: number;
  /** How broad for its length. */
  readonly hand: number;
  readonly leftFoot: number;
  readonly rightFoot: number;
}

/** The height that is assumed of whoever has not been measured. */
const USUAL_HEIGHT = mm(1_720);
/** Where the fork of the figure is, and its ankle bone, on the ground; and how high the figure is. */
export const FORK = 262;
const ANKLE = 464;
const FIGURE_HEIGHT = 490;

/**
 * The figure's own girths as shares of its height, by where on the ground they are: working values
 * of ours, read off the drawing and the 507 bodies' means.
 */
const TRUNK: readonly (readonly [y: number, share: number, codes: readonly MeasurementCode[]])[] = [
  [140, 0.555, ['bust-girth', 'chest-girth', 'above-bust-girth']],
  [194, 0.475, ['waist-girth']],
  [212, 0.5, ['abdominal-girth', 'navel-girth', 'trouser-waist-girth']],
  [252, 0.56, ['hip-girth', 'high-hip-girth']],
];
const NECK = [70, 0.215, ['neck-girth']] as const;
const LEGS: typeof TRUNK = [
  [282, 0.325, ['thigh-girth']],
  [354, 0.215, ['knee-girth', 'above-knee-girth']],
  [388, 0.21, ['calf-girth']],
  [460, 0.135, ['ankle-girth']],
];
const SHOULDERS = 0.235;
const ARM = 0.175;
/** From the fork to the ankle bone, of the height. */
const LEG = (ANKLE - FORK) / FIGURE_HEIGHT;
/** A usual weight for a usual height, in grams and micrometres. */
const USUAL = { weight: 70_000, height: mm(1_720) };

/** The figure as it is drawn. */
export const USUAL_BUILD: Build = buildOf(new Map());

/**
 * The build of a person by what has been measured of them: height, girths, inside leg, shoulders, hand
 * and feet. What is not known follows what is; of nobody it is the figure's own.
 *
 * @example widthAt(buildOf(new Map([['waist-girth', cm(130)]])), 200) > widthAt(buildOf(new Map([['waist-girth', cm(70)]])), 200) // true
 */
export function buildOf(values: BodyValues): Build {
  const height = values.get('height') ?? USUAL_HEIGHT;
  const factor = (codes: readonly MeasurementCode[], share: number): number | null => {
    const value = codes.map((code) => values.get(code)).find((one) => one !== undefined);
    return value === undefined ? null : within(value / height / share, 0.6, 2.6);
  };
  const trunk = TRUNK.map(([y, share, codes]) => [y, factor(codes, share)] as const);
  const known = trunk.flatMap(([, one]) => (one === null ? [] : [one]));
  const stout = known.length > 0 ? mean(known) : byWeight(values, height);
  // A limb that is not known differs less than the trunk does.
  const like = (share: number) => 1 + share * (stout - 1);
  const levels: Level[] = [
    [NECK[0], factor(NECK[2], NECK[1]) ?? like(0.4)],
    ...trunk.map(([y, one]): Level => [y, one ?? stout]),
    ...LEGS.map(([y, share, codes]): Level => [y, factor(codes, share) ?? like(y < 300 ? 0.8 : 0.5)]),
  ];
  const leg = values.get('inside-leg-length');
  return {
    levels,
    shoulders: factor(['shoulder-width'], SHOULDERS) ?? like(0.4),
    arms: factor(['upper-arm-girth'], ARM) ?? like(0.6),
    fork: leg === undefined ? FORK : ANKLE - within(leg / height, LEG - 0.07, LEG + 0.07) * FIGURE_HEIGHT,
    hand: broad(values, 'hand-girth', 'hand-length', 1.06),
    leftFoot: broad(values, 'foot-width-left', 'foot-length-left', 0.4),
    rightFoot: broad(values, 'foot-width-right', 'foot-length-right', 0.4),
  };
}

/** How much wider a person is than the figure at a height on its ground, between the levels that are known. */
export function widthAt({ levels }: Build, y: number): number {
  const after = levels.findIndex(([at]) => at >= y);
  if (after === 0) return levels[0]![1];
  if (after < 0) return levels.at(-1)![1];
  const [[from, before], [to, then]] = [levels[after - 1]!, levels[after]!];
  return before + ((then - before) * (y - from)) / (to - from);
}

/** Round a trunk of one length, a girth grows with the root of the mass. */
function byWeight(values: BodyValues, height: Length): number {
  const weight = values.get('weight');
  if (weight === undefined) return 1;
  const taller = height / USUAL.height;
  return within(Math.sqrt(weight / USUAL.weight / taller) / taller, 0.6, 2.6);
}

function broad(values: BodyValues, across: MeasurementCode, along: MeasurementCode, usual: number): number {
  const [width, length] = [values.get(across), values.get(along)];
  return width === undefined || length === undefined ? 1 : within(width / length / usual, 0.7, 1.5);
}

function mean(numbers: readonly number[]): number {
  return numbers.reduce((sum, one) => sum + one, 0) / numbers.length;
}

function within(number: number, least: number, most: number): number {
  return Math.min(Math.max(number, least), most);
}
