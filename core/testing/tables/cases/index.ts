import type { MadeCase } from './case';
import { CELLS_AND_UNITS } from './cells-and-units';
import { CLASS_TABLES } from './classes';
import { FILES } from './files';
import { ODDITIES } from './oddities';
import { SEVERAL, TWINS } from './twins';
import { WORDS } from './words';

/** Every case of the corpus. */
export const CASES: readonly MadeCase[] = [
  ...CELLS_AND_UNITS,
  ...FILES,
  ...WORDS,
  ...TWINS,
  ...SEVERAL,
  ...CLASS_TABLES,
  ...ODDITIES,
];
