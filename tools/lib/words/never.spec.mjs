import { allStrings, stringsOf } from './strings.mjs';
import { HELD, NEVER } from './never.mjs';

describe('the strings a person can meet', () => {
  const all = allStrings();

  it('are found in templates, in what is said of results, in messages and in commands', () => {
    for (const [file, text] of [
      ['web/places/stores/shelves/take-in.ts', 'Add to stock'],
      [
        'core/chart/say-finding.ts',
        'the cell is empty. Write an interval such as 86-90, or an open end such as >=130.',
      ],
      ['cli/size.ts', 'Check that it is a list of wearers.'],
    ])
      expect(all.some((one) => one.file === file && one.text.includes(text)))
        .withContext(`${file}: ${text}`)
        .toBeTrue();
  });

  it('are text, attributes that are read aloud, and words that are chosen between; nothing else', () => {
    const template = `<p class="soft wide">Hello <b>{{ ok ? 'yes, all' : 'no' }}</b></p><input aria-label="Your name" type="search" />`;
    expect(stringsOf('a.html', template).map(({ text }) => text)).toEqual([
      'Hello',
      "{{ ok ? 'yes, all' : 'no' }}",
      'Your name',
    ]);
    const script = "import x from './a b';\nconst a = { code: 'not it', words: `Line ${n} is empty.` };\n";
    expect(stringsOf('a.ts', script)).toEqual([{ file: 'a.ts', line: 2, text: 'Line {n} is empty.' }]);
  });

  it('say none of what is said otherwise', () => {
    const held = all.filter(({ file }) => HELD.some((folder) => file.startsWith(folder)));
    expect(held.length).toBeGreaterThan(1_000);
    const wrong = held.flatMap(({ file, line, text }) =>
      NEVER.filter(({ words }) => words.test(text)).map(({ say }) => `${file}:${line} “${text}”: say ${say}`),
    );
    expect(wrong).toEqual([]);
  });
});
