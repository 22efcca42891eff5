import { spawn } from 'node:child_process';

// Runs a program and ends it gently once standard input closes: that is when whoever started
// this process has ended, in whatever way. Signals meant for the whole terminal group do not
// reach it, so that a database stops last.
const [command, ...args] = process.argv.slice(2);
const child = spawn(command, args, { stdio: 'ignore' });
process.stdin.on('end', () => child.kill('SIGTERM'));
process.stdin.on('error', () => child.kill('SIGTERM'));
process.stdin.resume();
for (const signal of ['SIGINT', 'SIGHUP']) process.on(signal, () => undefined);
process.on('SIGTERM', () => child.kill('SIGTERM'));
child.on('error', (error) => {
  process.stderr.write(`${error.message}\n`);
  process.exit(1);
});
child.on('exit', (code) => process.exit(code ?? 1));
