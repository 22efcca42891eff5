import { mm } from '../../quantity/length';
import { kilograms } from '../../quantity/mass';
import type { Measurement } from '../measurement';

/** Height, barefoot and in shoes, and weight. */
export const HEIGHTS: readonly Measurement[] = [
  {
    code: 'height',
    name: 'Height',
    short: 'Height',
    place:
      'From the floor to the crown. No shoes, heels together, back and head to the wall; paper between pencil and wall; a flat object square to the wall, mark, measure up.',
    kind: 'height',
    stance: 'standing',
    tension: 'skin',
    instruments: ['wall-and-square'],
    spoils: ['Shoes on', 'Chin lifted', 'Hair piled on the crown'],
    notToBeConfusedWith: ['hollow-to-hem', 'height-in-shoes'],
    standardError: mm(4),
    limits: { least: mm(900), most: mm(2300) },
  },
  {
    code: 'height-in-shoes',
    name: 'Height in shoes',
    short: 'In shoes',
    place:
      'From the floor to the crown, in the shoes that will be worn. Heels together, back and head to the wall, paper between pencil and wall; a flat object square to the wall, mark, measure up.',
    kind: 'height',
    stance: 'standing',
    tension: 'skin',
    instruments: ['wall-and-square'],
    spoils: ['Other shoes than will be worn', 'Chin lifted', 'Hair piled on the crown'],
    notToBeConfusedWith: ['height'],
    standardError: mm(4),
    limits: { least: mm(900), most: mm(2450) },
  },
  {
    code: 'weight',
    name: 'Weight',
    short: 'Weight',
    place:
      'On a scale on a hard floor, no shoes, standing still in the middle. For the record; it is never a size.',
    kind: 'mass',
    stance: 'standing',
    tension: 'skin',
    instruments: ['scale'],
    spoils: ['Shoes, belt or full pockets', 'Scale on carpet', 'Holding on to something'],
    notToBeConfusedWith: ['height'],
    standardError: kilograms(0.3),
    limits: { least: kilograms(20), most: kilograms(300) },
  },
];
