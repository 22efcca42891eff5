import type { MeasurementCode } from '../body/catalogue/codes';
import type { MeasurementKind } from '../body/measurement';

/** A measurement as ISO 8559-1 names and bounds it. */
export interface StandardName {
  readonly code: MeasurementCode;
  /** The standard's term. */
  readonly term: string;
  readonly kind: MeasurementKind;
  /** Words for its places, of which each must be found where the catalogue says where the tape goes. */
  readonly places: readonly RegExp[];
}

const name = (
  code: MeasurementCode,
  term: string,
  kind: MeasurementKind,
  ...places: RegExp[]
): StandardName => ({ code, term, kind, places });

/**
 * Names and places of ISO 8559-1:2017, Size designation of clothes, part 1: anthropometric definitions
 * for body measurement. From memory: the standard was not at hand. What it has no name for goes by its
 * code's own clear word.
 */
export const ISO_8559_NAMES: readonly StandardName[] = [
  name('height', 'stature', 'height', /crown/i),
  name('head-girth', 'head girth', 'girth', /largest/),
  name('neck-girth', 'neck girth', 'girth', /neck/),
  name('neck-base-girth', 'neck base girth', 'girth', /base/),
  name('shoulder-length', 'shoulder length', 'length', /neck meets shoulder/, /shoulder point/),
  name('shoulder-width', 'shoulder width', 'length', /back/, /shoulder bone/),
  name('across-back', 'back width', 'length', /armhole fold to armhole fold/),
  name('across-front', 'across front width', 'length', /armhole fold to armhole fold/),
  name('chest-girth', 'chest girth', 'girth', /arms/),
  name('bust-girth', 'bust girth', 'girth', /bust/),
  name('above-bust-girth', 'upper chest girth', 'girth', /above the bust/),
  name('underbust-girth', 'underbust girth', 'girth', /under the bust/),
  name('bust-span', 'bust point to bust point', 'length', /bust point to bust point/),
  name('waist-girth', 'waist girth', 'girth', /natural waist/i),
  name('abdominal-girth', 'belly girth', 'girth', /widest/),
  name('high-hip-girth', 'top hip girth', 'girth', /hip bones/),
  name('hip-girth', 'hip girth', 'girth', /fullest/),
  name('trunk-girth', 'torso girth', 'girth', /shoulder/, /fork/),
  name('thigh-girth', 'thigh girth', 'girth', /fullest/),
  name('above-knee-girth', 'lower thigh girth', 'girth', /above the knee/),
  name('knee-girth', 'knee girth', 'girth', /knee/),
  name('calf-girth', 'calf girth', 'girth', /calf/),
  name('ankle-girth', 'ankle girth', 'girth', /ankle bone/),
  name('upper-arm-girth', 'upper arm girth', 'girth', /upper arm/),
  name('elbow-girth', 'elbow girth', 'girth', /arm bent/),
  name('forearm-girth', 'forearm girth', 'girth', /fullest/),
  name('wrist-girth', 'wrist girth', 'girth', /bone/),
  name('armscye-girth', 'armscye girth', 'girth', /shoulder point/, /under the arm/),
  name('hand-girth', 'hand girth', 'girth', /knuckles/, /without the thumb/),
  name('hand-length', 'hand length', 'length', /wrist crease/, /middle finger/),
  name('arm-length', 'shoulder to wrist length', 'length', /shoulder point/, /elbow/, /wrist bone/),
  name('shoulder-to-elbow', 'upper arm length', 'length', /shoulder point/, /elbow/),
  name('cervicale-to-wrist', '7th cervical to wrist length', 'length', /nape bone/, /wrist bone/),
  name('back-waist-length', 'back waist length', 'length', /nape bone/, /natural waist/),
  name(
    'front-waist-length',
    'neck shoulder point to waist level',
    'length',
    /neck meets shoulder/,
    /natural waist/,
  ),
  name(
    'shoulder-to-bust',
    'neck shoulder point to bust point',
    'length',
    /neck meets shoulder/,
    /bust point/,
  ),
  name('shoulder-to-hip', 'neck shoulder point to hip level', 'length', /neck meets shoulder/, /hip level/),
  name('notch-to-waist', 'front neck point to waist level', 'length', /throat/, /natural waist/),
  name('shoulder-to-armpit', 'armscye depth, side', 'length', /top of the shoulder/, /armpit/),
  name('side-waist-length', 'underarm to waist length', 'length', /under the arm/, /natural waist/),
  name('waist-to-hip', 'waist to hip length', 'length', /natural waist/, /hip level/),
  name('waist-to-high-hip', 'waist to top hip length', 'length', /natural waist/, /high hip/),
  name('waist-to-knee', 'waist to knee length', 'length', /natural waist/, /kneecap/),
  name('outside-leg-length', 'outside leg length', 'length', /natural waist/, /floor/),
  name('inside-leg-length', 'inside leg length', 'length', /fork/, /ankle bone/),
  name('hip-to-floor', 'hip height', 'length', /floor/, /hip level/),
  name('knee-to-floor', 'knee height', 'length', /floor/, /knee/),
  name('crotch-length', 'total crotch length', 'length', /through the legs/),
  name('crotch-length-front', 'front crotch length', 'length', /front/, /fork/),
  name('crotch-length-back', 'back crotch length', 'length', /fork/, /back/),
  name('body-rise', 'body rise', 'length', /seated/i, /chair/),
  name('foot-length-left', 'foot length', 'foot', /heel/, /toe/),
  name('foot-width-left', 'foot width', 'foot', /widest/),
];
