import { MEASUREMENT_CODES } from '@neat-measure/core';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** What is drawn of what: everything odd that requests are made of. */
export const TEXTS = [
  '',
  ' ',
  'x',
  'constructor',
  '__proto__',
  'toString',
  'null',
  'NaN',
  '-1',
  '1e309',
  '0',
  '90-95',
  '>=130',
  '½',
  '\u0000',
  '\ud83d',
  '\udc00',
  '\u202e',
  '漢字',
  'a'.repeat(5_000),
  "'; drop table acts; --",
  '${7*7}',
  '../../etc/passwd',
  '019ca6b1-dc00-7cd2-98f5-f88eee58ad6a',
  '2026-05-04T08:00:00.000Z',
  'chest-girth',
  'derived:x',
  'cm',
  'reading-taken',
];
const NUMBERS = [0, -0, 1, -1, 0.5, 2 ** 31, 2 ** 53, -(2 ** 53), 1e308, 4_294_967_296];
export const KEYS = [
  'id',
  'name',
  'role',
  'version',
  'sheet',
  'source',
  'replaces',
  'parts',
  'columns',
  'cells',
  'sizes',
  'pen',
  'acts',
  'kind',
  'docketId',
  'by',
  'at',
  'code',
  'typed',
  'unit',
  'length',
  'signIn',
  'passphrase',
  'active',
  '__proto__',
  'constructor',
  'derivations',
  'steps',
  'of',
  'do',
  'as',
  'readings',
  'chartId',
  'wearerId',
  'preference',
];

/** Draws what is odd, the same for a seed. */
export class Draw {
  private readonly generator;
  constructor(seed: number) {
    this.generator = xoroshiro128plus(seed);
  }
  int(most: number): number {
    return uniformInt(this.generator, 0, most);
  }
  one<Value>(of: readonly Value[]): Value {
    return of[this.int(of.length - 1)]!;
  }
  value(depth = 0): unknown {
    switch (this.int(depth > 4 ? 4 : 7)) {
      case 0:
        return null;
      case 1:
        return this.int(1) === 1;
      case 2:
        return this.one(NUMBERS);
      case 3:
      case 4:
        return this.one(this.int(3) === 0 ? MEASUREMENT_CODES : TEXTS);
      case 5:
        return Array.from({ length: this.int(6) }, () => this.value(depth + 1));
      default:
        return this.object(depth);
    }
  }
  object(depth = 0): object {
    return Object.fromEntries(
      Array.from({ length: this.int(8) }, () => [this.one(KEYS), this.value(depth + 1)]),
    );
  }
  /** Something right with one thing in it made wrong, as deep as it comes. */
  bent(of: unknown): unknown {
    if (this.int(4) === 0 || typeof of !== 'object' || of === null) return this.value();
    const copy: Record<string, unknown> = Array.isArray(of) ? ([...of] as never) : { ...of };
    const keys = Object.keys(copy);
    if (keys.length === 0) return this.value();
    const key = this.one(keys);
    copy[key] = this.bent(copy[key]);
    // Now and then it is not there at all.
    return this.int(6) === 0 && !Array.isArray(of)
      ? Object.fromEntries(Object.entries(copy).filter(([name]) => name !== key))
      : copy;
  }
}
