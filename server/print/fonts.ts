import { openSync, type Font } from 'fontkit';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const require = createRequire(import.meta.url);

/** The packages whose files print writes with: nothing is fetched, and every machine prints alike. */
const FOLDERS = {
  atkinson: folderOf('@fontsource/atkinson-hyperlegible-next'),
  noto: folderOf('@fontsource/noto-sans'),
  hebrew: folderOf('@fontsource/noto-sans-hebrew'),
  arabic: folderOf('@fontsource/noto-sans-arabic'),
};

function folderOf(name: string): string {
  return join(dirname(require.resolve(`${name}/package.json`)), 'files');
}

/** The files of one script, in the order they are asked; the application's own font first. */
const FILES: readonly (readonly [name: string, folder: string, start: string])[] = [
  ['Atkinson', FOLDERS.atkinson, 'atkinson-hyperlegible-next-latin'],
  ['AtkinsonExtended', FOLDERS.atkinson, 'atkinson-hyperlegible-next-latin-ext'],
  ['NotoLatin', FOLDERS.noto, 'noto-sans-latin'],
  ['NotoLatinExtended', FOLDERS.noto, 'noto-sans-latin-ext'],
  ['NotoVietnamese', FOLDERS.noto, 'noto-sans-vietnamese'],
  ['NotoGreek', FOLDERS.noto, 'noto-sans-greek'],
  ['NotoGreekExtended', FOLDERS.noto, 'noto-sans-greek-ext'],
  ['NotoCyrillic', FOLDERS.noto, 'noto-sans-cyrillic'],
  ['NotoCyrillicExtended', FOLDERS.noto, 'noto-sans-cyrillic-ext'],
  ['NotoDevanagari', FOLDERS.noto, 'noto-sans-devanagari'],
  ['NotoHebrew', FOLDERS.hebrew, 'noto-sans-hebrew-hebrew'],
  ['NotoArabic', FOLDERS.arabic, 'noto-sans-arabic-arabic'],
];

/** Where fonts may be read from. */
export const FONT_FOLDERS: readonly string[] = Object.values(FOLDERS);

/** Every font by its name, as the printer wants them. */
export const FONTS = Object.fromEntries(
  FILES.map(([name, folder, start]) => [
    name,
    { normal: join(folder, `${start}-400-normal.woff`), bold: join(folder, `${start}-700-normal.woff`) },
  ]),
);

/** Some letters that one font writes. */
export interface Run {
  readonly font: string;
  readonly text: string;
}

const OPENED = new Map<string, Font>();

function opened(name: string): Font {
  const known = OPENED.get(name) ?? (openSync(FONTS[name]!.normal) as Font);
  OPENED.set(name, known);
  return known;
}

const LETTERS = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/**
 * A text in runs, each in the first font that has all its letters: what one lacks is written by
 * another. A letter that none has is told by its number, and never left out or shown as a box.
 *
 * @example runsOf('Zoë Łuk') // [{ font: 'Atkinson', text: 'Zoë ' }, { font: 'AtkinsonExtended', text: 'Ł' }, …]
 */
export function runsOf(text: string): Run[] {
  const runs: { font: string; text: string }[] = [];
  for (const { segment } of LETTERS.segment(text.normalize('NFC'))) {
    const points = [...segment].map((letter) => letter.codePointAt(0)!).filter((point) => !isUnseen(point));
    const last = runs.at(-1);
    const has = (name: string) => points.every((point) => opened(name).hasGlyphForCodePoint(point));
    const found =
      last !== undefined && /^\s+$/.test(segment) && has(last.font)
        ? last.font
        : FILES.map(([name]) => name).find(has);
    const written =
      found === undefined
        ? points.map((point) => `[U+${point.toString(16).toUpperCase().padStart(4, '0')}]`).join('')
        : String.fromCodePoint(...points);
    const font = found ?? FILES[0]![0];
    if (last?.font === font) last.text += written;
    else runs.push({ font, text: written });
  }
  return runs;
}

/** What joins or parts letters and has no shape of its own: no font has it, and none needs it. */
function isUnseen(point: number): boolean {
  return (
    point === 0xfeff ||
    (point >= 0x200b && point <= 0x200f) ||
    (point >= 0xfe00 && point <= 0xfe0f) ||
    point < 0x20
  );
}
