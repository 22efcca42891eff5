/** Private letters that mark what was raised, until it is known what it was raised for. */
export const RAISED_START = '\ue000';
export const RAISED_END = '\ue001';

/**
 * The text of a cell: raised figures before a stroke are a fraction's, behind a number alone they point at a
 * note; every other space is one space.
 *
 * @param notes marks that point at notes, set in brackets behind it
 */
export function plainText(text: string, notes: string): string {
  const plain = text
    .replace(/\s*\ue000(\d+)\ue001\s*[/⁄∕]\s*(\d+)/g, ' $1/$2')
    .replace(/\s*\ue000([½¼¾])\ue001/g, ' $1')
    .replace(/\s*\ue000(\d+)\ue001/g, ' [$1]')
    .replace(/[ \t\u00a0\u2007\u202f\r]+/g, ' ')
    .replace(/ ?\n[\n ]*/g, '\n')
    .trim();
  return notes.trim() === '' ? plain : `${plain} [${notes.trim()}]`;
}
