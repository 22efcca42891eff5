import { list } from '../words/list';
import type { Finding, Place } from './finding';

/**
 * A finding as a sentence: where it is, what is wrong, and how to mend it.
 *
 * @example sayFinding({ code: 'no-sizes' }) // 'The table has a heading but no sizes. Add one line a size, the smallest first.'
 */
export function sayFinding(finding: Finding): string {
  const at = 'place' in finding ? `${sayPlace(finding.place)}: ` : '';
  return at + sayFault(finding);
}

/**
 * A place as a person looks for it: the size and column by name, then line and column by number.
 *
 * @example sayPlace({ line: 2, column: 3, heading: 'Chest' }) // 'Chest (line 2, column 3)'
 */
export function sayPlace({ line, column, heading, size }: Place): string {
  const names = [size && size !== '' ? `size ${size}` : '', heading && heading !== '' ? heading : ''].filter(
    (name) => name !== '',
  );
  const numbers = `line ${line}, column ${column}`;
  return names.length === 0 ? capital(numbers) : capital(`${names.join(', ')} (${numbers})`);
}

function sayFault(finding: Finding): string {
  switch (finding.code) {
    case 'file-too-large':
      return `The file is ${megabytes(finding.bytes)} MB; a size table may be ${megabytes(finding.most)} MB. Check that it is the right file.`;
    case 'file-empty':
      return 'The file is empty. It needs a heading line and one line a size.';
    case 'file-binary':
      return 'The file is not text: it may be a spreadsheet or a picture. Save it as CSV and bring that.';
    case 'file-not-utf8':
      return 'The file holds letters in an old encoding. Save it as CSV UTF-8 and bring that.';
    case 'file-quotes':
      return `A quotation mark opened near line ${finding.line} is never closed. Close it, or take it out.`;
    case 'no-size-column':
      return `the first column must be headed “size”, here it is “${finding.found}”. Rename it, or move the sizes to the front.`;
    case 'no-measurement-column':
      return 'The table has no measurement. Add a column such as chest-girth (cm) behind the sizes.';
    case 'no-sizes':
      return 'The table has a heading but no sizes. Add one line a size, the smallest first.';
    case 'too-many-sizes':
      return `The table has ${finding.count} sizes; at most ${finding.most} are taken. Check that it is a size table.`;
    case 'unknown-measurement':
      return `“${finding.name}” is no measurement known here. Nearest: ${finding.nearest.join(', ')}. Write the one that is meant.`;
    case 'unit-missing':
      return `the unit is missing. Write ${finding.name} ${sayUnits(finding.units)}.`;
    case 'unit-unknown':
      return `“${finding.unit}” is no unit of it. Write ${finding.name} ${sayUnits(finding.units)}.`;
    case 'heading-words-unknown':
      return `“${finding.words}” says nothing known of a column. Write only what is meant of ease 8-14, reported, next-up, next-down, or overarm-girth.`;
    case 'mass-is-no-size':
      return `${finding.name} is recorded and never decides a size. Take the column out.`;
    case 'measurement-twice':
      return `${finding.name} stands in the table twice. Take one column out.`;
    case 'size-missing':
      return 'this line has no size. Write its label, or take the line out.';
    case 'size-too-long':
      return `the label is too long; at most ${finding.most} letters are taken. Shorten it.`;
    case 'size-twice':
      return `this size already stands on line ${finding.firstLine}. Rename one, or take it out.`;
    case 'cell-missing':
      return 'the cell is empty. Write an interval such as 86-90, or an open end such as >=130.';
    case 'cell-extra':
      return `“${finding.text}” stands beyond the last heading. Give it a heading, or take it out.`;
    case 'cell-unreadable':
      return `“${finding.text}” is no interval. ${sayCellMend(finding.problem.code)}`;
    case 'interval-upside-down':
      return `“${finding.text}” is upside down. Write ${finding.mend}.`;
    case 'interval-empty':
      return `“${finding.text}” starts where it ends, so it holds next to nothing. Write both ends.`;
    case 'nominal-among-intervals':
      return `“${finding.text}” is one value in a column of intervals. Write both its ends, such as 88-92.`;
    case 'classes-alike':
      return `${list(finding.classes)} differ in nothing that is measured, so nobody can be told which is theirs. Take one of them alone.`;
    case 'nothing-by-size':
      return `Every measurement goes by size and by ${list(finding.classes)} together, so neither can be told first. Take one of them alone, or each as a chart.`;
    case 'labels-unplaced':
      return `these labels are not one a size, or there are more than ${finding.most} systems of them. Leave the column out.`;
    case 'axis-unsaid':
      return `It is not said what the sizes ${finding.axis === 'down' ? 'down the side' : 'along the top'} measure. Say which measurement it is, and in which unit.`;
    case 'nominal-alone':
      return `“${finding.text}” is the only value of its column, so how far it reaches is unknown. Write both its ends.`;
    case 'not-growing':
      return `“${finding.text}” falls behind “${finding.before}” of the size before. List the smallest size first, and check both cells.`;
  }
}

function sayCellMend(code: string): string {
  return code === 'unknown-unit'
    ? 'The heading names the unit; take the letters out of the cell.'
    : 'Write 86-90, a single value such as 90, or an open end such as >=130 or <82.';
}

/** Units as they stand behind a heading: `(cm), (in) or (mm)`. */
function sayUnits(units: readonly string[]): string {
  const written = units.map((unit) => `(${unit})`);
  return `${written.slice(0, -1).join(', ')} or ${written.at(-1)!}`;
}

function megabytes(bytes: number): string {
  return (bytes / 1_000_000).toFixed(1);
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
