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

/** Ends the command with a sentence for the person who gave it. */
export function giveUp(text) {
  process.stderr.write(`\n${text}\n`);
  process.exit(1);
}

/** Runs a command to its end in the project's root; resolves to its exit code. */
export function run(command, args, { env = {}, stdio = 'inherit', cwd = ROOT } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd, stdio, env: { ...process.env, ...env } });
    child.on('error', reject);
    child.on('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)));
  });
}

/** Runs a Node program of node_modules/.bin by its file, so that no shell is between. */
export function node(args, options) {
  return run(process.execPath, args, options);
}

/** Whether a command answers. */
export function answers(command, args = ['--version']) {
  return spawnSync(command, args, { stdio: 'ignore' }).status === 0;
}
