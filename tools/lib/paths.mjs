import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project's root folder. */
export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

/** Where the running application and the tests keep what they store; never in git. */
export const DATA = resolve(ROOT, process.env.NEAT_MEASURE_DATA ?? '.data');

/** Stamps of what was installed and built. */
export const BUILD = join(ROOT, '.build');
