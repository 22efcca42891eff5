import {
  compileChart,
  failure,
  FIT_PREFERENCES,
  HOUSE_RULES,
  inBrief,
  isColumnCode,
  readPeopleHeadings,
  readPersonRow,
  SeenIds,
  sayPeopleFinding,
  sayPersonProblem,
  SIZED_HEADING,
  PeopleSizer,
  sizedCsv,
  sizePerson,
  success,
  WORKING_UNITS,
  writeCsv,
  type ChartSheet,
  type FitPreference,
  type HouseRule,
  type Outcome,
  type PeopleHeading,
  type Person,
  type WorkingUnit,
  shownIn,
} from '@neat-measure/core';
import { chartSheetSchema } from '@neat-measure/core/sheets';
import { createReadStream, createWriteStream } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { basename, resolve } from 'node:path';
import type { Readable, Writable } from 'node:stream';
import { parseArgs } from 'node:util';
import { readChartFile } from './chart-file';
import { BrokenList, streamRows } from './people-stream';
import { AGAIN, ONCE, tableFlagsSchema, together, type TableFlags } from './table-answers';

const USAGE = `npm run size -- --chart FILE --people FILE [options]

Sizes a list of people against one chart, without a server.
  --chart       a chart as JSON, or a maker's table as CSV, XLSX, ODS or HTML
  --people      a list as CSV: id, then one column a measurement; - reads standard input
  --out         where to write id,verdict,size,alternates,reason; standard output if left out
  --rule        ${HOUSE_RULES.join(' | ')}, instead of the chart's own
  --key         the column that decides under key-decides
  --preference  ${FIT_PREFERENCES.join(' | ')}; regular if left out
  --show        ${WORKING_UNITS.join(' | ')} for the reasons; the chart's own if left out
  --reasons     the reason of every size; otherwise only where the verdict is not settled
  --json        one JSON object a line instead of CSV, with parts, odds and the maker's arithmetic
Questions that a maker's table leaves open are listed with the flags that answer them: --table, --means 'Chest=chest-girth',
--unit in, --ease, --times, --so, --to-next, --either-side, --leave-out, --size-line, --across, --only-class.
  --answers     a file that holds such flags as JSON, {"unit": ["in"]}, so that the same table is read the same way again
Rows that cannot be read are reported on standard error with their line number; all others are sized.
The list is read as a stream: only its ids stay in memory.
Exit code 1 if any row or file could not be read.`;

/** How often progress is told, in rows. */
const PROGRESS_ROWS = 100_000;

/** Where the command reads and writes. */
export interface Streams {
  readonly input: Readable;
  readonly output: Writable;
  /** Takes each line for standard error. */
  readonly tell: (line: string) => void;
}

interface Asked {
  readonly chart: string;
  readonly people: string;
  readonly out: string | undefined;
  readonly rule: HouseRule | undefined;
  readonly key: string | undefined;
  readonly preference: FitPreference | undefined;
  readonly show: WorkingUnit | undefined;
  readonly answers: string | undefined;
  readonly flags: TableFlags;
  readonly reasons: boolean;
  readonly json: boolean;
}

/**
 * Sizes people against a chart, from file to file or along a pipe.
 *
 * @param args the command's arguments
 * @returns the exit code
 */
export async function sizeFiles(args: readonly string[], streams: Streams): Promise<number> {
  const { tell } = streams;
  const asked = readArguments(args);
  if (asked === 'help') {
    streams.output.write(`${USAGE}\n`);
    return 0;
  }
  if (typeof asked === 'string') {
    [asked, '', USAGE].forEach(tell);
    return 1;
  }
  const sheet = await readChart(asked);
  if (!sheet.ok) {
    sheet.problem.forEach(tell);
    return 1;
  }
  try {
    return await sizeStream(asked, sheet.value, streams);
  } catch (error) {
    tell(sayBroken(error as NodeJS.ErrnoException, asked));
    return 1;
  }
}

async function sizeStream(
  asked: Asked,
  sheet: ChartSheet,
  { input, output, tell }: Streams,
): Promise<number> {
  const chart = compileChart(sheet);
  // The command knows no house: it writes eighths.
  const shown = shownIn(asked.show ?? sheet.unit, 8);
  const options = { preference: asked.preference };
  const people = asked.people === '-' ? input : createReadStream(fromCaller(asked.people));
  const out = asked.out === undefined ? output : createWriteStream(fromCaller(asked.out));
  // A place that cannot be written fails before anything is awaited from it.
  const failed = new Promise<never>((_, fail) => out.once('error', fail));
  failed.catch(() => undefined);
  const once = (event: 'drain' | 'finish') =>
    Promise.race([new Promise<void>((go) => out.once(event, () => go())), failed]);

  const sizer = new PeopleSizer(chart, options, shown);
  const account = (person: Person) => sizePerson(chart, person, options);
  const written = (round: readonly Person[]): string => {
    if (round.length === 0) return '';
    if (asked.json)
      return round.map((person) => `${JSON.stringify({ id: person.id, ...account(person) })}\n`).join('');
    const sized = asked.reasons ? round.map((person) => inBrief(account(person), shown)) : sizer.size(round);
    return sizedCsv(round, sized);
  };

  let headings: readonly PeopleHeading[] | null = null;
  let width = 0;
  let [rows, unread] = [0, 0];
  let round: Person[] = [];
  const firstLines = new SeenIds();
  const put = async (text: string) => {
    if (text !== '' && !out.write(text)) await once('drain');
  };
  const flush = async () => {
    const text = written(round);
    round = [];
    await put(text);
  };
  const finish = async () => {
    if (asked.out === undefined) return;
    const finished = once('finish');
    out.end();
    await finished;
  };
  try {
    for await (const row of streamRows(people)) {
      if (headings === null) {
        const read = readPeopleHeadings(row);
        if (!read.ok) {
          tell(`${basename(asked.people)}: the headings have faults.`);
          read.problem.forEach((finding) => tell(`  ${sayPeopleFinding(finding)}`));
          return 1;
        }
        [headings, width] = [read.value, row.cells.length];
        if (!asked.json) await put(writeCsv([SIZED_HEADING]));
        continue;
      }
      rows += 1;
      const person = readPersonRow(row, width, headings, firstLines);
      if (person.ok) round.push(person.value);
      else {
        unread += 1;
        person.problem.forEach((problem) => tell(sayPersonProblem(problem)));
      }
      if (round.length === sizer.capacity) await flush();
      if (rows % PROGRESS_ROWS === 0) tell(`${rows} rows sized …`);
    }
  } catch (error) {
    // Who was read before it broke off is sized all the same.
    if (error instanceof BrokenList) {
      await flush();
      await finish();
    }
    throw error;
  }
  if (headings === null) {
    tell(`${basename(asked.people)}: the file is empty. It needs a heading line and one line per wearer.`);
    return 1;
  }
  await flush();
  await finish();
  if (unread > 0) tell(`${unread} of ${rows} rows could not be read.`);
  return unread > 0 ? 1 : 0;
}

/** The arguments, `help`, or what is wrong with them. */
function readArguments(args: readonly string[]): Asked | 'help' | (string & {}) {
  const text = { type: 'string' } as const;
  const options = {
    chart: text,
    people: text,
    out: text,
    rule: text,
    key: text,
    preference: text,
    show: text,
    answers: text,
    ...Object.fromEntries(ONCE.map((name) => [name, text])),
    ...Object.fromEntries(AGAIN.map((name) => [name, { ...text, multiple: true }])),
  };
  try {
    const { values } = parseArgs({
      args: [...args],
      options: {
        ...options,
        reasons: { type: 'boolean' },
        json: { type: 'boolean' },
        help: { type: 'boolean' },
      },
    });
    if (values.help === true) return 'help';
    if (values.chart === undefined || values.people === undefined)
      return 'Both --chart and --people are needed.';
    const wrong = (['rule', 'preference', 'show'] as const).find(
      (name) => values[name] !== undefined && !(KNOWN[name] as readonly string[]).includes(values[name]),
    );
    if (wrong !== undefined) return `--${wrong} takes ${KNOWN[wrong].join(', ')}.`;
    const given = Object.fromEntries(Object.entries(values).filter(([name]) => name in FLAGS));
    const flags = tableFlagsSchema.safeParse(given);
    if (!flags.success)
      return flags.error.issues.map(({ path, message }) => `--${path.join('.')}: ${message}`).join(' ');
    const { reasons = false, json = false } = values;
    return { ...values, reasons, json, flags: flags.data } as Asked;
  } catch (error) {
    return (error as Error).message;
  }
}

const FLAGS = tableFlagsSchema.shape;
const KNOWN = { rule: HOUSE_RULES, preference: FIT_PREFERENCES, show: WORKING_UNITS } as const;

/** The chart, with its rule as asked. */
async function readChart(asked: Asked): Promise<Outcome<ChartSheet, readonly string[]>> {
  const flags = await readFlags(asked);
  if (!flags.ok) return flags;
  const read = await readChartFile(fromCaller(asked.chart), flags.value);
  if (!read.ok || (asked.rule === undefined && asked.key === undefined)) return read;
  const sheet = read.value;
  if (asked.key !== undefined && !isColumnCode(asked.key))
    return failure([`--key ${asked.key} is not a known measurement.`]);
  const ruled = chartSheetSchema.safeParse({
    ...sheet,
    rule: asked.rule ?? sheet.rule,
    key: asked.key ?? sheet.key,
    // A rule that is asked for is asked of every part.
    parts: sheet.parts.map((part) => ({ ...part, rule: asked.rule === undefined ? part.rule : null })),
  });
  if (ruled.success) return success(ruled.data);
  return failure([
    `${basename(asked.chart)}: the chart has faults.`,
    ...ruled.error.issues.map(({ message }) => `  ${message}`),
  ]);
}

/** What is said of the chart's table, on the line and in a file of answers. */
async function readFlags({ answers, flags }: Asked): Promise<Outcome<TableFlags, readonly string[]>> {
  if (answers === undefined) return success(flags);
  try {
    const read = tableFlagsSchema.safeParse(JSON.parse(await readFile(fromCaller(answers), 'utf8')));
    if (read.success) return success(together(read.data, flags));
    const faults = read.error.issues.map(({ path, message }) => `  ${path.join('.')}: ${message}`);
    return failure([`${answers} holds an unknown answer:`, ...faults]);
  } catch (error) {
    return failure([`${answers} cannot be read as JSON: ${(error as Error).message}.`]);
  }
}

/** What broke off a stream, as a sentence. */
function sayBroken(error: NodeJS.ErrnoException, { people, out }: Asked): string {
  if (error instanceof BrokenList)
    return `${basename(people)}: ${error.message}.${error.why === 'endless' ? ' Check that it is a list of wearers.' : ''}`;
  if (out !== undefined && error.path === fromCaller(out))
    return `${out} could not be written: ${error.message}. Choose another path.`;
  return `${people} cannot be read. Check the path, relative to the folder you are in.`;
}

/** npm moves to the project's root; a path is meant from where the person stands. */
function fromCaller(path: string): string {
  return resolve(process.env['INIT_CWD'] ?? '.', path);
}

// Whoever reads only the beginning of what is written (`| head`) has all they want: there is nobody left to tell.
function endQuietly(error: NodeJS.ErrnoException): void {
  if (error.code !== 'EPIPE') throw error;
  process.exit(0);
}

if (/size\.[jt]s$/.test(process.argv[1] ?? '')) {
  process.stdout.on('error', endQuietly);
  process.stderr.on('error', endQuietly);
  process.exitCode = await sizeFiles(process.argv.slice(2), {
    input: process.stdin,
    output: process.stdout,
    tell: (line) => process.stderr.write(`${line}\n`),
  });
}
