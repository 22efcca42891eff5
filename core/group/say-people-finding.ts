import { shownIn } from '../quantity/format-length';
import { sayReadingProblem } from '../capture/say-reading-problem';
import { sayFinding } from '../chart/say-finding';
import type { PeopleFinding, PersonProblem } from './read-people';

/**
 * What keeps a list of people from being read, as a sentence with its place and the mend.
 *
 * @example readPeopleHeadings({ line: 1, cells: ['chest-girth (cm)'] }).problem.map(sayPeopleFinding) // ['The first column must be headed “id”, here it is “chest-girth (cm)”. Rename it, or move the ids to the front.']
 */
export function sayPeopleFinding(finding: PeopleFinding): string {
  switch (finding.code) {
    case 'no-id-column':
      return `The first column must be headed “id”, here it is “${finding.found}”. Rename it, or move the ids to the front.`;
    case 'heading-unreadable':
      return sayFinding({ place: finding.place, ...finding.problem });
    default:
      return sayFinding(finding);
  }
}

/**
 * What keeps one row from being read, by its line.
 *
 * @example sayPersonProblem({ code: 'id-missing', line: 7 }) // 'Line 7: this row has no id. Give it one.'
 */
export function sayPersonProblem(problem: PersonProblem): string {
  switch (problem.code) {
    case 'id-missing':
      return `Line ${problem.line}: this row has no id. Give it one.`;
    case 'id-twice':
      return `Line ${problem.line}: ${problem.id} is already on line ${problem.firstLine}. Rename one or remove it.`;
    case 'too-many-cells':
      return `Line ${problem.line}, ${problem.id}: there are more cells than headings. Check the commas of this row.`;
    case 'value-unreadable':
      return `Line ${problem.line}, ${problem.id}, ${problem.heading}: ${sayReadingProblem(problem.problem, shownIn(problem.unit, 8))}`;
  }
}
