import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { say } from '../run.mjs';

/** A command for npm as a page gives it: behind what is set for it, and without the remark that follows it. */
const COMMAND = /^(?:[A-Z_]+=(?:'[^']*'|\S+) )*npm (?:start|test|run)\b.*$/;

/**
 * A page of the docs that is walked: every command is taken from it, and every claim that is tried must stand there,
 * so that page and application cannot part.
 */
export class Page {
  #walked;
  #plain;
  /** How many claims were tried. */
  tried = 0;

  /**
   * @param folder the checkout it stands in
   * @param name from there
   * @param walked the commands that were given so far, on whichever page; shared by all pages
   */
  constructor(folder, name, walked) {
    this.name = name;
    // Fenced blocks are pictures and tables: what is to be given is indented, or stands in a sentence.
    this.text = readFileSync(join(folder, name), 'utf8').replace(/^```[^]*?^```$/gm, '');
    this.#plain = this.text.replace(/\s+/g, ' ');
    this.#walked = walked;
  }

  /** Every command the page names, indented or within a sentence, as it is written there. */
  get commands() {
    const indented = [...this.text.matchAll(/^ {4}(\S.*)$/gm)].map(([, line]) =>
      line.replace(/\s+# .*$/, ''),
    );
    const spoken = [...this.text.matchAll(/`([^`]+)`/g)].map(([, code]) => code.replace(/\s+/g, ' '));
    return [...new Set([...indented, ...spoken].filter((one) => COMMAND.test(one)))];
  }

  /** The command of the page that is, or has in it, some words; it is about to be given. */
  command(words) {
    const found = this.commands.filter((one) => one.includes(words));
    // Within a sentence it is named without what stands behind it where it is given.
    const given = found.find((one) => one === words) ?? found.sort((a, b) => b.length - a.length)[0];
    if (given === undefined) throw new Error(`${this.name} has no command with “${words}”`);
    this.#walked.add(given);
    return given;
  }

  /** A claim of the page that is tried now. */
  claim(words, holds) {
    if (!this.#plain.includes(words)) throw new Error(`${this.name} no longer says: “${words}”`);
    if (!holds) throw new Error(`${this.name}: it is not so: “${words}”`);
    this.tried += 1;
    say(`  so it is: ${words}`);
  }

  /** The block of indented lines that begins with some words, as a file. */
  block(begins) {
    const [block] = this.text.split(/\n(?! {4})/).flatMap((part) => {
      const lines = part
        .split('\n')
        .filter((line) => line.startsWith('    '))
        .map((line) => line.slice(4));
      return lines[0]?.startsWith(begins) ? [lines.join('\n')] : [];
    });
    if (block === undefined) throw new Error(`${this.name} has no example that begins with “${begins}”`);
    return `${block}\n`;
  }
}

/**
 * The commands that pages name and nobody has given.
 *
 * @param walked the commands that were given; a bare one within a sentence (`npm run size`) is walked where it was
 * given with anything behind it
 * @param elsewhere `{ command: why it is walked elsewhere }`
 */
export function notWalked(pages, walked, elsewhere) {
  const given = [...walked].map((one) => one.replace(/^(?:[A-Z_]+=(?:'[^']*'|\S+) )*/, ''));
  const isWalked = (one) =>
    walked.has(one) || one in elsewhere || given.some((line) => line === one || line.startsWith(`${one} `));
  return pages.flatMap((page) =>
    page.commands.filter((one) => !isWalked(one)).map((one) => `${page.name}: ${one}`),
  );
}
