import { sayFinding } from '../say-finding';
import type { JsonFinding } from './chart-json';

/**
 * A finding of a JSON chart as a sentence.
 *
 * @example importChartJson('{').problem.map(sayJsonFinding) // ['The file is not JSON. It breaks off near line 1. Check brackets, commas and quotation marks.']
 */
export function sayJsonFinding(finding: JsonFinding): string {
  if (finding.code !== 'sheet-fault' && finding.code !== 'not-json') return sayFinding(finding);
  if (finding.code === 'sheet-fault')
    return finding.path === '' ? finding.message : `${finding.path}: ${finding.message}`;
  const where = finding.line === null ? '' : ` It breaks off near line ${finding.line}.`;
  return `The file is not JSON.${where} Check brackets, commas and quotation marks.`;
}
