import { distance } from 'fastest-levenshtein';
import { CATALOGUE } from './catalogue';
import type { MeasurementCode } from './catalogue/codes';

/**
 * The codes nearest to a name that is none, for "did you mean". A code or plain name that
 * contains the word comes first (`waist` offers the four waists), then the fewest letters
 * to change.
 *
 * @param name what somebody wrote
 * @param most how many to offer at the most
 */
export function nearestCodes(name: string, most = 4): MeasurementCode[] {
  const wanted = name
    .trim()
    .toLowerCase()
    .replace(/[\s_]+/g, '-');
  const word = wanted.replace(/-(girth|length|width)$/, '');
  return CATALOGUE.map(({ code, name: plain }) => ({
    code,
    holds: word.length >= 3 && (code.includes(word) || plain.toLowerCase().includes(word)),
    changes: Math.min(distance(wanted, code), distance(name.trim().toLowerCase(), plain.toLowerCase())),
  }))
    .sort((a, b) => Number(b.holds) - Number(a.holds) || a.changes - b.changes)
    .slice(0, most)
    .map(({ code }) => code);
}
