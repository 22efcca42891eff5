import type { ProtocolBody } from '../protocol';
import {
  ALWAYS,
  at,
  DUTY,
  FEET,
  FOOTWEAR,
  onDemand,
  PROTECTIVE,
  protocol,
  SHOES,
  SUIT,
  taken,
} from './building-blocks';
import type { ProtocolCode } from './codes';
import { TO_ORDER } from './to-order';

/**
 * The protocols that ship with the application, by their codes. Common practice, no source;
 * each may be copied and edited.
 */
export const PROTOCOLS: Readonly<Record<ProtocolCode, ProtocolBody>> = {
  'outerwear-top': protocol(
    'Outerwear top',
    'The body as it is; the widest girth decides, the rest is taken in.',
    ALWAYS,
    taken('chest-girth', 'waist-girth', 'hip-girth', 'cervicale-to-wrist', 'height'),
  ),
  trousers: protocol(
    'Trousers',
    'Ready-made: waist where they are worn, and the inside leg.',
    [...ALWAYS, SHOES],
    taken('trouser-waist-girth', 'hip-girth', 'inside-leg-length'),
  ),
  shirt: protocol(
    'Shirt',
    'Neck at the skin, the maker adds the ease; sleeve from the nape.',
    ALWAYS,
    taken('neck-girth', 'chest-girth', 'waist-girth', 'cervicale-to-wrist'),
  ),
  'jacket-and-suit': protocol(
    'Jacket and suit',
    'The chest is the number; the length goes by height.',
    [...ALWAYS, SHOES],
    taken(
      'chest-girth',
      'overarm-girth',
      'waist-girth',
      'trouser-waist-girth',
      'hip-girth',
      'height',
      'shoulder-width',
      'cervicale-to-wrist',
      'inside-leg-length',
    ),
  ),
  'formal-hire': protocol(
    'Formal hire',
    'Waist and seat drawn tight; sleeve from the nape to the wrist; outseam from the worn waistband.',
    [...ALWAYS, SHOES],
    [
      ...taken('neck-girth', 'overarm-girth', 'chest-girth'),
      ...at('drawn-tight', 'waist-girth', 'hip-girth'),
      ...taken('height', 'cervicale-to-wrist', 'outseam', 'foot-length-left', 'foot-length-right'),
    ],
  ),
  'uniform-intake': protocol(
    'Uniform intake',
    'Girths up and lengths down to the maker’s steps; skirt extras on demand.',
    ALWAYS,
    [
      ...taken(
        'height',
        'head-girth',
        'neck-girth',
        'chest-girth',
        'waist-girth',
        'hip-girth',
        'inside-leg-length',
      ),
      ...FEET,
      ...onDemand('waist-to-hip', 'waist-to-knee'),
    ],
  ),
  'vest-a': protocol(
    'Concealable vest, method a',
    'Front from notch to belt standing, less 1 in; back from the collar, times 0.80; widest girth plus the overlap.',
    DUTY,
    taken('chest-girth', 'abdominal-girth', 'notch-to-belt-standing', 'collar-to-belt'),
    { cautions: [PROTECTIVE] },
  ),
  'vest-b': protocol(
    'Concealable vest, method b',
    'Girths with a little slack; front seated, from 1 in below the notch to 1 in above the belt; back standing, from just below the collar to 1 in above the belt.',
    DUTY,
    [
      ...at('one-finger', 'chest-girth', 'abdominal-girth'),
      ...taken('notch-to-belt-seated', 'collar-to-belt'),
    ],
    { cautions: [PROTECTIVE] },
  ),
  'vest-c': protocol(
    'Concealable vest, method c',
    'Girths snug and level, up to the whole inch; the seated front decides, the standing one is recorded beside it to show what sitting takes away; back from the nape bone, down.',
    DUTY,
    [
      ...at('snug', 'chest-girth', 'abdominal-girth'),
      ...taken('notch-to-belt-standing', 'notch-to-belt-seated', 'nape-to-belt'),
    ],
    { cautions: [PROTECTIVE] },
  ),
  'womens-vest-unstructured': protocol(
    'Women’s vest, unstructured',
    'Half of chest and girth gives the width; upper and lower front add up to the length; back from the collar, times 0.80.',
    DUTY,
    taken(
      'bust-girth',
      'abdominal-girth',
      'clavicle-to-apex',
      'apex-to-belt',
      'notch-to-belt-seated',
      'collar-to-belt',
    ),
    { cautions: [PROTECTIVE] },
  ),
  'womens-vest-structured': protocol(
    'Women’s vest, structured',
    'The cup from chest less underbust, the rest as for the unstructured.',
    DUTY,
    taken(
      'bust-girth',
      'underbust-girth',
      'abdominal-girth',
      'clavicle-to-apex',
      'apex-to-belt',
      'notch-to-belt-seated',
      'collar-to-belt',
    ),
    { cautions: [PROTECTIVE] },
  ),
  'one-piece-suit': protocol(
    'One-piece suit',
    'Girths, then the trunk round, and the three torso lengths down the back in one placing: to the waist, to hip level, to the fork.',
    ALWAYS,
    taken(
      'chest-girth',
      'waist-girth',
      'hip-girth',
      'trunk-girth',
      'height',
      'back-waist-length',
      'nape-to-hip',
      'nape-to-crotch',
      'inside-leg-length',
    ),
    { cautions: [SUIT], waist: 'natural' },
  ),
  dress: protocol(
    'Dress',
    'The bust decides; waist and hip are altered. Hem in the shoes to be worn.',
    ['The undergarment that will be worn beneath', SHOES, ...ALWAYS.slice(1)],
    taken('bust-girth', 'waist-girth', 'hip-girth', 'shoulder-to-bust', 'hollow-to-hem'),
  ),
  bra: protocol(
    'Bra',
    'Band from the underbust, cup from the difference by the maker’s own table.',
    ['A close, unpadded undergarment', ...ALWAYS.slice(2)],
    taken('bust-girth', 'underbust-girth'),
  ),
  headwear: protocol(
    'Headwear',
    'A thumb’s width above the brow.',
    ['Hair as it will be worn'],
    taken('head-girth'),
  ),
  gloves: protocol(
    'Gloves',
    'Girth and length; the larger decides.',
    ['Rings off', 'The hand used most'],
    taken('hand-girth', 'hand-length'),
    { cautions: [FOOTWEAR.replace('socks', 'liners')] },
  ),
  footwear: protocol(
    'Footwear',
    'Both feet; the longer and the wider count.',
    ['The socks that will be worn', 'Late in the day, if it can be chosen'],
    FEET,
    { cautions: [FOOTWEAR] },
  ),
  ...TO_ORDER,
};
