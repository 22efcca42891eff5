import {
  checkBody,
  cm,
  inches,
  mm,
  offMark,
  saySuspicion,
  sayOffMark,
  type CheckCode,
  type Length,
  type MeasurementCode,
} from '../../index';
import { bodies507 } from '../../reference/bodies-507';
import { bodyDimensions507 } from '../../reference/body-dimensions-507';

const body = (values: Partial<Record<MeasurementCode, number>>) =>
  new Map(Object.entries(values).map(([code, value]) => [code as MeasurementCode, mm(value)]));
const asked = (values: Partial<Record<MeasurementCode, number>>) =>
  checkBody(body(values)).map(({ check }) => check);

/** Sets of values that fail a check, and nearly the same that do not. Common practice, no source. */
const CASES: readonly (readonly [
  CheckCode,
  Partial<Record<MeasurementCode, number>>,
  Partial<Record<MeasurementCode, number>>,
])[] = [
  [
    'dart',
    { 'shoulder-to-underbust': 340, 'shoulder-to-underbust-side': 341 },
    { 'shoulder-to-underbust': 340, 'shoulder-to-underbust-side': 340 },
  ],
  [
    'crotch-halves',
    { 'crotch-length-front': 330, 'crotch-length-back': 400, 'crotch-length': 699 },
    { 'crotch-length-front': 330, 'crotch-length-back': 400, 'crotch-length': 700 },
  ],
  [
    'leg-heights',
    { 'waist-to-hip': 200, 'hip-to-floor': 820, 'outside-leg-length': 1066 },
    { 'waist-to-hip': 200, 'hip-to-floor': 820, 'outside-leg-length': 1065 },
  ],
  [
    'chain-order',
    { 'shoulder-to-bust': 280, 'front-waist-length': 270 },
    { 'shoulder-to-bust': 280, 'front-waist-length': 430 },
  ],
  [
    'chain-order',
    { 'outside-leg-length': 1050, 'waist-to-floor-tiptoe': 1050 },
    { 'outside-leg-length': 1050, 'waist-to-floor-tiptoe': 1110 },
  ],
  [
    'arc-over-girth',
    { 'bust-girth': 900, 'bust-front-arc': 850 },
    { 'bust-girth': 900, 'bust-front-arc': 480 },
  ],
  ['arc-over-girth', { 'hip-girth': 1000, 'hip-back-arc': 950 }, { 'hip-girth': 1000, 'hip-back-arc': 520 }],
  ['limb-girths', { 'thigh-girth': 380, 'knee-girth': 400 }, { 'thigh-girth': 560, 'knee-girth': 400 }],
  ['limb-girths', { 'heel-girth': 250, 'ankle-girth': 260 }, { 'heel-girth': 340, 'ankle-girth': 260 }],
  [
    'limb-girths',
    { 'hand-entry-girth': 160, 'wrist-girth': 170 },
    { 'hand-entry-girth': 240, 'wrist-girth': 170 },
  ],
  [
    'limb-girths',
    { 'upper-arm-girth': 260, 'forearm-girth': 280 },
    { 'upper-arm-girth': 300, 'forearm-girth': 280 },
  ],
  [
    'both-legs',
    { 'both-thighs-girth': 600, 'thigh-girth': 560 },
    { 'both-thighs-girth': 980, 'thigh-girth': 560 },
  ],
  ['knee-bent', { 'knee-girth-bent': 350, 'knee-girth': 400 }, { 'knee-girth-bent': 420, 'knee-girth': 400 }],
  [
    'knuckle-over-hand',
    { 'hand-length': 140, 'wrist-to-knuckle': 120 },
    { 'hand-length': 190, 'wrist-to-knuckle': 95 },
  ],
  [
    'worn-waist-height',
    { 'outside-leg-length': 1000, 'trouser-waist-to-floor': 1040 },
    { 'outside-leg-length': 1050, 'trouser-waist-to-floor': 1000 },
  ],
];

describe('the checks of the full record', () => {
  for (const [check, wrong, right] of CASES) {
    it(`asks about ${check}: ${Object.keys(wrong).join(', ')}`, () => {
      expect(asked(wrong)).toContain(check);
      expect(asked(right)).not.toContain(check);
      for (const suspicion of checkBody(body(wrong)))
        for (const unit of ['cm', 'in/8'] as const)
          expect(saySuspicion(suspicion, unit)).toMatch(/^[A-Z].* .*[.?]$/);
    });
  }

  it('says what the halves add up to', () => {
    const [one] = checkBody(
      body({ 'crotch-length-front': 330, 'crotch-length-back': 450, 'crotch-length': 700 }),
    );
    expect(saySuspicion(one!, 'cm')).toBe(
      'Through the legs, front half and through the legs, back half add up to 78 cm; through the legs is 70 cm. The two halves add up to the whole. Was the fork the same for all three?',
    );
  });

  it('raises hardly a false alarm on the 507 bodies', () => {
    const own: ReadonlySet<CheckCode> = new Set([
      'chain-order',
      'dart',
      'crotch-halves',
      'leg-heights',
      'arc-over-girth',
      'limb-girths',
      'knee-bent',
      'knuckle-over-hand',
      'worn-waist-height',
      'both-legs',
    ]);
    const forearms = bodyDimensions507().map((one) => cm(one['ForearmG']!));
    const bodies = bodies507().map((one, at) => new Map(one).set('forearm-girth', forearms[at]! as Length));
    const alarms = bodies.filter((one) => checkBody(one).some(({ check }) => own.has(check))).length;
    // eslint-disable-next-line no-console
    console.log(
      `checks of the full record: ${alarms} false alarms on ${bodies.length} bodies, by thigh, knee, calf, ankle, upper arm, forearm, wrist`,
    );
    expect(alarms / bodies.length).toBeLessThanOrEqual(0.01);
  });
});

describe('offMark', () => {
  const at = (code: MeasurementCode, length: Length) => ({ code, length });

  it('asks at once where a mark does not lie beyond the one before', () => {
    const off = offMark('front-waist-length', cm(27), at('shoulder-to-bust', cm(28)))!;
    expect(off.is).toBe(cm(-1));
    expect(sayOffMark(off, 'cm')).toBe(
      'Front to waist is not beyond the mark before it, bust point. Each mark is read from where the tape is held: read it again.',
    );
  });

  it('asks where it lies further than any body has it, and not where it fits', () => {
    const far = offMark('shoulder-to-bust', inches(30), at('shoulder-to-above-bust', inches(8)))!;
    expect(sayOffMark(far, 'in/8')).toContain('lies 22 in beyond armpit level');
    expect(offMark('front-waist-length', cm(43), at('shoulder-to-bust', cm(28)))).toBeNull();
    expect(offMark('chest-girth', cm(43), at('shoulder-to-bust', cm(98)))).toBeNull();
  });
});
