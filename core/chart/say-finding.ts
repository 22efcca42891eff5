import { list } from '../words/list';
import type { Finding, Place } from './finding';

/**
 * A finding as a sentence: where it is, what is wrong, and how to mend it.
 *
 * @example sayFinding({ code: 'no-sizes' }) // 'The table has a heading but no sizes. Add one line per size, the smallest first.'
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
      return 'The file is empty. It needs a heading line and one line per size.';
    case 'file-binary':
      return 'The file is not text: it may be a spreadsheet or a picture. Save it as CSV and import that.';
    case 'file-not-utf8':
      return 'The file holds letters in an old encoding. Save it as CSV UTF-8 and import that.';
    case 'file-quotes':
      return `A quotation mark opened near line ${finding.line} is never closed. Close it or remove it.`;
    case 'no-size-column':
      return `the first column must be headed “size”, here it is “${finding.found}”. Rename it, or move the sizes to the front.`;
    case 'no-measurement-column':
      return 'The table has no measurement. Add a column such as chest-girth (cm) after the sizes.';
    case 'no-sizes':
      return 'The table has a heading but no sizes. Add one line per size, the smallest first.';
    case 'too-many-sizes':
      return `The table has ${finding.count} sizes; at most ${finding.most} are allowed. Check that the file is a size chart.`;
    case 'unknown-measurement':
      return `“${finding.name}” is not a known measurement. Nearest: ${finding.nearest.join(', ')}. Write the one you mean.`;
    case 'unit-missing':
      return `the unit is missing. Write ${finding.name} ${sayUnits(finding.units)}.`;
    case 'unit-unknown':
      return `“${finding.unit}” is not a unit for it. Write ${finding.name} ${sayUnits(finding.units)}.`;
    case 'heading-words-unknown':
      return `“${finding.words}” is not a known remark on a column. Write only ease 8-14, reported, next-up, next-down, or overarm-girth.`;
    case 'mass-is-no-size':
      return `${finding.name} is recorded and never decides a size. Remove the column.`;
    case 'measurement-twice':
      return `${finding.name} is in the table twice. Remove one column.`;
    case 'size-missing':
      return 'this line has no size. Enter a label or remove the line.';
    case 'size-too-long':
      return `the label is too long; at most ${finding.most} letters are allowed. Shorten the label.`;
    case 'size-twice':
      return `this size is already on line ${finding.firstLine}. Rename one or remove it.`;
    case 'cell-missing':
      return 'the cell is empty. Write an interval such as 86-90, or an open end such as >=130.';
    case 'cell-extra':
      return `“${finding.text}” is beyond the last heading. Add a heading or remove the value.`;
    case 'cell-unreadable':
      return `“${finding.text}” is not an interval. ${sayCellMend(finding.problem.code, finding.text)}`;
    case 'interval-upside-down':
      return finding.mend === null
        ? `“${finding.text}” ends long before it begins. Check both its ends.`
        : `“${finding.text}” is reversed. Write ${finding.mend}.`;
    case 'interval-empty':
      return `“${finding.text}” starts where it ends, so it holds almost nothing. Write both ends.`;
    case 'nominal-among-intervals':
      return `“${finding.text}” is one value in a column of intervals. Write both its ends, such as 88-92.`;
    case 'classes-alike':
      return `${list(finding.classes)} differ in no measurement, so they cannot be told apart. Import one of them only.`;
    case 'nothing-by-size':
      return `Every measurement depends on the size and on ${list(finding.classes)} together, so neither can be decided first. Import one of them only, or each as its own chart.`;
    case 'labels-unplaced':
      return `there is not one label per size, or there are more than ${finding.most} systems of them. Leave the column out.`;
    case 'axis-unsaid':
      return `The chart does not state what the sizes ${finding.axis === 'down' ? 'down the side' : 'along the top'} measure. Choose the measurement and the unit.`;
    case 'nominal-alone':
      return `“${finding.text}” is the only value of its column, so how far it reaches is unknown. Write both its ends.`;
    case 'not-growing':
      return `“${finding.text}” is smaller than “${finding.before}” of the size before. List the smallest size first, and check both cells.`;
  }
}

function sayCellMend(code: string, text: string): string {
  return code === 'unknown-unit' && /\p{L}/u.test(text)
    ? 'The heading names the unit; remove the letters from the cell.'
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
