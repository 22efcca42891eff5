import { distance } from 'fastest-levenshtein';
import { CATALOGUE, measurement } from './catalogue';
import type { MeasurementCode } from './catalogue/codes';

/**
 * The codes nearest to a name that is none, for "did you mean": the best match first, then
 * what must not be confused with it (`waist` offers all four waists), then the next best. A
 * code or plain name that contains the word matches best, then the fewest letters to change.
 *
 * @param name what somebody wrote
 * @param most how many to offer at the most
 *
 * @example nearestCodes('chest')[0] // 'chest-girth'
 */
export function nearestCodes(name: string, most = 4): MeasurementCode[] {
  const wanted = name
    .trim()
    .toLowerCase()
    .replace(/[\s_]+/g, '-');
  const word = wanted.replace(/-(girth|length|width)$/, '');
  const ranked = CATALOGUE.map(({ code, name: plain }) => ({
    code,
    holds: word.length >= 3 && (code.includes(word) || plain.toLowerCase().includes(word)),
    changes: Math.min(distance(wanted, code), distance(name.trim().toLowerCase(), plain.toLowerCase())),
  }))
    .sort((a, b) => Number(b.holds) - Number(a.holds) || a.changes - b.changes)
    .map(({ code }) => code);
  const best = ranked[0]!;
  return [...new Set([best, ...measurement(best).notToBeConfusedWith, ...ranked])].slice(0, most);
}
