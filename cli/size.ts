import {
  compileChart,
  importCsv,
  readPeople,
  readText,
  sayFinding,
  sayPeopleFinding,
  sayPersonProblem,
  SIZED_HEADING,
  sizedRow,
  sizePerson,
  writeCsv,
} from '@neat-measure/core';
import { readFile, writeFile } from 'node:fs/promises';
import { basename, resolve } from 'node:path';
import { parseArgs } from 'node:util';

const USAGE = `npm run size -- --chart FILE --people FILE [--out FILE]

Sizes a list of people against one chart, without a server.
  --chart   a size table as CSV: size, then one column a measurement, e.g. chest-girth (cm)
  --people  a list as CSV: id, then one column a measurement
  --out     where to write id,verdict,size,alternates,reason; standard output if left out
Rows that cannot be read are told on standard error by their line; the others are sized.
Exit code 1 if any row or file could not be read.`;

/** A list of people is longer than a chart: a million rows of ten measurements is some 60 MB. */
const MOST_PEOPLE_BYTES = 200_000_000;

/**
 * Sizes people against a chart, from files to files.
 *
 * @param args the command's arguments
 * @param tell takes each line for standard error
 * @returns what goes to standard output (empty when it went to a file), and the exit code
 */
export async function sizeFiles(
  args: readonly string[],
  tell: (line: string) => void,
): Promise<{ output: string; code: number }> {
  const wrong = (...lines: readonly string[]) => {
    lines.forEach(tell);
    return { output: '', code: 1 };
  };
  let options: { chart?: string; people?: string; out?: string; help?: boolean };
  try {
    const text = { type: 'string' } as const;
    ({ values: options } = parseArgs({
      args: [...args],
      options: { chart: text, people: text, out: text, help: { type: 'boolean' } },
    }));
  } catch (error) {
    return wrong((error as Error).message, '', USAGE);
  }
  if (options.help === true) return { output: `${USAGE}\n`, code: 0 };
  if (options.chart === undefined || options.people === undefined)
    return wrong('Both --chart and --people are needed.', '', USAGE);

  const chartFile = await readBytes(options.chart, tell);
  const peopleFile = await readBytes(options.people, tell);
  if (chartFile === null || peopleFile === null) return wrong();
  const part = importCsv(chartFile);
  if (!part.ok)
    return wrong(
      `${basename(options.chart)}: the size table has faults.`,
      ...part.problem.map((finding) => `  ${sayFinding(finding)}`),
    );
  const text = readText(peopleFile, MOST_PEOPLE_BYTES);
  if (!text.ok) return wrong(`${basename(options.people)}: ${sayFinding(text.problem)}`);
  const people = readPeople(text.value);
  if (!people.ok)
    return wrong(
      `${basename(options.people)}: the headings have faults.`,
      ...people.problem.map((finding) => `  ${sayPeopleFinding(finding)}`),
    );

  const unit = part.value.columns[0]!.unit;
  const chart = compileChart({
    maker: 'file',
    garment: basename(options.chart),
    unit,
    rule: 'widest-decides',
    key: null,
    parts: [part.value],
  });
  const rows: (readonly string[])[] = [SIZED_HEADING];
  let unread = 0;
  for (const person of people.value) {
    if (person.ok) rows.push(sizedRow(person.value, sizePerson(chart, person.value), unit));
    else {
      unread += 1;
      person.problem.forEach((problem) => tell(sayPersonProblem(problem)));
    }
  }
  const csv = writeCsv(rows);
  if (options.out !== undefined) {
    try {
      await writeFile(fromCaller(options.out), csv);
    } catch (error) {
      return wrong(
        `${options.out} could not be written: ${(error as Error).message}. Name a place that can.`,
      );
    }
  }
  if (unread > 0) tell(`${unread} of ${people.value.length} rows could not be read.`);
  return { output: options.out === undefined ? csv : '', code: unread > 0 ? 1 : 0 };
}

/** npm moves to the project's root; a path is meant from where the person stands. */
function fromCaller(path: string): string {
  return resolve(process.env['INIT_CWD'] ?? '.', path);
}

async function readBytes(path: string, tell: (line: string) => void): Promise<Uint8Array | null> {
  try {
    return await readFile(fromCaller(path));
  } catch {
    tell(`${path} cannot be read. Check the name, from the folder you are in.`);
    return null;
  }
}

if (process.argv[1]?.endsWith('size.ts')) {
  const { output, code } = await sizeFiles(process.argv.slice(2), (line) =>
    process.stderr.write(`${line}\n`),
  );
  process.stdout.write(output);
  process.exitCode = code;
}
