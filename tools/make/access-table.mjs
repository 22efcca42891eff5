// Prints the table of access as it stands in docs/security.md.
import { ACCESS } from '../../contract/index.ts';

process.stdout.write('| method | route | opened by | to |\n| --- | --- | --- | --- |\n');
for (const { method, path, access, does } of ACCESS)
  process.stdout.write(`| ${method} | \`${path}\` | ${access} | ${does} |\n`);
