// npm run words: every string a person can meet, with its file and line, to be read as one text. `npm run words stores`
// shows only those of files whose path has that in it.
import { allStrings } from './lib/words/strings.mjs';

const wanted = process.argv.slice(2);
const shown = allStrings().filter(
  ({ file }) => wanted.length === 0 || wanted.some((one) => file.includes(one)),
);
let last = '';
for (const { file, line, text } of shown) {
  if (file !== last) console.log(`${last === '' ? '' : '\n'}${file}`);
  last = file;
  console.log(`${String(line).padStart(5)}  ${text}`);
}
console.log(`\n${shown.length} strings in ${new Set(shown.map(({ file }) => file)).size} files`);
