import type { MadeCase } from './case';
import { CELLS_AND_UNITS } from './cells-and-units';
import { CLASS_TABLES } from './classes';
import { FILES } from './files';
import { GARMENTS_AND_ACROSS } from './garments-and-across';
import { LABELS_AND_LINES } from './labels-and-lines';
import { MATRICES } from './matrices';
import { ODDITIES } from './oddities';
import { SEVERAL, TWINS } from './twins';
import { WORDS } from './words';

/** Every case of the corpus. */
export const CASES: readonly MadeCase[] = [
  ...CELLS_AND_UNITS,
  ...FILES,
  ...WORDS,
  ...LABELS_AND_LINES,
  ...GARMENTS_AND_ACROSS,
  ...TWINS,
  ...SEVERAL,
  ...CLASS_TABLES,
  ...MATRICES,
  ...ODDITIES,
];
