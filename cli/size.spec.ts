import { mkdtemp, readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sizeFiles } from './size';

const CHART = 'size,chest-girth (cm)\nM,94-102\nL,104-110\n';

describe('size', () => {
  let folder: string;
  let told: string[];
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'neat-measure-'));
    told = [];
    await writeFile(join(folder, 'chart.csv'), CHART);
    await writeFile(join(folder, 'people.csv'), 'id,chest-girth (cm)\nada,98\nben,103\ncid,\n');
  });
  const size = (...args: string[]) => sizeFiles(args, (line) => told.push(line));
  const at = (name: string) => join(folder, name);

  it('sizes every row', async () => {
    expect(await size('--chart', at('chart.csv'), '--people', at('people.csv'))).toEqual({
      output: [
        'id,verdict,size,alternates,reason',
        'ada,settled,M,,"Chest 98 cm lies inside M, 4 cm clear of its edge."',
        'ben,between,L,M,Chest 103 cm falls in the gap between M and L. The widest decides: L.',
        'cid,incomplete,,,Still to measure: chest. Left: M or L.',
        '',
      ].join('\n'),
      code: 0,
    });
    expect(told).toEqual([]);
  });

  it('writes to a file', async () => {
    const { output, code } = await size(
      '--chart',
      at('chart.csv'),
      '--people',
      at('people.csv'),
      '--out',
      at('out.csv'),
    );
    expect([output, code]).toEqual(['', 0]);
    expect(await readFile(at('out.csv'), 'utf8')).toContain('ada,settled,M');
  });

  it('tells unreadable rows by line, sizes the others, and ends with 1', async () => {
    await writeFile(at('people.csv'), 'id,chest-girth (cm)\nada,abc\nben,98\n');
    const { output, code } = await size('--chart', at('chart.csv'), '--people', at('people.csv'));
    expect(code).toBe(1);
    expect(output).toContain('ben,settled');
    expect(told[0]).toMatch(/^Line 2, ada, chest-girth \(cm\): “abc”/);
    expect(told[1]).toBe('1 of 2 rows could not be read.');
  });

  const failures: [string, string[], RegExp][] = [
    [
      'a chart with faults',
      ['--chart', 'bad.csv', '--people', 'people.csv'],
      /Size M, chest-girth \(cm\) \(line 2, column 2\)/,
    ],
    ['people without ids', ['--chart', 'chart.csv', '--people', 'chart.csv'], /must be headed “id”/],
    ['a file that is not there', ['--chart', 'none.csv', '--people', 'people.csv'], /cannot be read/],
    [
      'a place that cannot be written',
      ['--chart', 'chart.csv', '--people', 'people.csv', '--out', 'no/such/folder.csv'],
      /could not be written/,
    ],
  ];
  for (const [name, args, expected] of failures) {
    it(`ends with 1 and says why: ${name}`, async () => {
      await writeFile(at('bad.csv'), 'size,chest-girth (cm)\nM,94-8x\n');
      const placed = args.map((arg) => (arg.endsWith('.csv') ? at(arg) : arg));
      expect((await size(...placed)).code).toBe(1);
      expect(told.join('\n')).toMatch(expected);
    });
  }

  it('shows how it is used', async () => {
    expect((await size()).code).toBe(1);
    expect(told.join('\n')).toContain('--people');
    expect((await size('--nonsense')).code).toBe(1);
    expect(await size('--help')).toEqual({
      output: jasmine.stringContaining('npm run size') as never,
      code: 0,
    });
  });
});
