import { spawn, spawnSync } from 'node:child_process';
import { ROOT } from './paths.mjs';

let said = process.stdout;

/** Says what is being done, on a line of its own. */
export function say(text) {
  said.write(`${text}\n`);
}

/** From now on says it where it does not run into what a command writes. */
export function sayBesideOutput() {
  said = process.stderr;
}

/** Why a command cannot go on, as a sentence for the person who gave it. */
export class GivenUp extends Error {}

// What nobody has caught ends the command with its sentence, and without the lines of the script it stands in.
process.on('uncaughtException', (error) => {
  process.stderr.write(`\n${error instanceof GivenUp ? error.message : error.stack}\n`);
  process.exit(1);
});

/** Ends what is being done with a sentence; a command of several parts may go on with the next. */
export function giveUp(text) {
  throw new GivenUp(text);
}

/** Runs a command to its end in the project's root; resolves to its exit code. */
export function run(command, args, { env = {}, stdio = 'inherit', cwd = ROOT } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd, stdio, env: { ...process.env, ...env } });
    child.on('error', reject);
    child.on('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)));
  });
}

/** The same with what it writes put aside, for what runs beside something else. */
export async function runAside(command, args, { env = {}, cwd = ROOT } = {}) {
  const child = spawn(command, args, {
    cwd,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...env },
  });
  const written = [];
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => written.push(chunk));
  const code = await new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('close', (ended, signal) => resolve(ended ?? (signal ? 1 : 0)));
  });
  return { code, written: Buffer.concat(written) };
}

/** Runs a Node program of node_modules/.bin by its file, so that no shell is between. */
export function node(args, options) {
  return run(process.execPath, args, options);
}

/** Whether a command answers. */
export function answers(command, args = ['--version']) {
  return spawnSync(command, args, { stdio: 'ignore' }).status === 0;
}
