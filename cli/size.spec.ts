import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable, Writable } from 'node:stream';
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
  afterEach(() => rm(folder, { recursive: true }));
  const size = async (...args: string[]) => sizeFrom('', ...args);
  const sizeFrom = async (input: string, ...args: string[]) => {
    const written: string[] = [];
    const output = new Writable({
      write(chunk: Buffer, _, done) {
        written.push(chunk.toString());
        done();
      },
    });
    const code = await sizeFiles(args, {
      input: Readable.from(input === '' ? [] : [Buffer.from(input)]),
      output,
      tell: (line) => told.push(line),
    });
    return { output: written.join(''), code };
  };
  const at = (name: string) => join(folder, name);

  it('sizes every row', async () => {
    expect(await size('--chart', at('chart.csv'), '--people', at('people.csv'))).toEqual({
      output: [
        'id,verdict,size,alternates,reason',
        'ada,settled,M,,',
        'ben,between,L,M,Chest 103 cm falls in the gap between M and L. The widest decides: L.',
        'cid,incomplete,,,Still to measure: chest. Left: M or L.',
        '',
      ].join('\n'),
      code: 0,
    });
    expect(told).toEqual([]);
  });

  it('gives the reason of every size where it is asked for', async () => {
    const { output } = await size('--chart', at('chart.csv'), '--people', at('people.csv'), '--reasons');
    expect(output).toContain('ada,settled,M,,"Chest 98 cm is inside M, 4 cm clear of its edge."');
    expect(output).toContain('cid,incomplete,,,Still to measure: chest. Left: M or L.');
  });

  it('says who is near an edge without the whole account as with it', async () => {
    const list = `id,chest-girth (cm)\n${Array.from({ length: 200 }, (_, at) => `w${at},${93 + at / 10}`).join('\n')}\n`;
    const sized = async (...more: string[]) =>
      (await sizeFrom(list, '--chart', at('chart.csv'), '--people', '-', ...more)).output
        .split('\n')
        .map((line) => line.split(',').slice(0, 3).join());
    const [brief, full] = [await sized(), await sized('--reasons')];
    expect(brief).toEqual(full);
    expect(brief.filter((line) => line.includes('edge')).length).toBeGreaterThan(10);
  });

  it('says where a quotation mark is never closed, and sizes only who stands before it', async () => {
    const rows = Array.from({ length: 30_000 }, (_, at) => `w${at},${at === 20_000 ? '"98' : '98'}`);
    const { output, code } = await sizeFrom(
      `id,chest-girth (cm)\n${rows.join('\n')}\n`,
      '--chart',
      at('chart.csv'),
      '--people',
      '-',
    );
    expect(code).toBe(1);
    expect(told.at(-1)).toContain('A quotation mark opened on line 20002 is never closed.');
    expect(output.trimEnd().split('\n').length).toBe(20_001);
  });

  it('takes quoted cells, line ends of every kind, and a break within quotes', async () => {
    const list = '\uFEFFid,chest-girth (cm)\r\n"ada, the first",98\r\n"ben\nsen",97\rcid,4\n';
    const input = Readable.from([...list].map((letter) => Buffer.from(letter)));
    let written = '';
    const output = new Writable({
      write(chunk: Buffer, _, done) {
        written += chunk.toString();
        done();
      },
    });
    await sizeFiles(['--chart', at('chart.csv'), '--people', '-'], {
      input,
      output,
      tell: (line) => told.push(line),
    });
    expect(written).toBe(
      'id,verdict,size,alternates,reason\n"ada, the first",settled,M,,\n"ben\nsen",settled,M,,\n',
    );
    expect(told[0]).toMatch(/^Line 5, cid/);
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
      /line 3, L · 102-8x: --leave-out 3/,
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
      await writeFile(at('bad.csv'), 'size,chest-girth (cm)\nM,94-102\nL,102-8x\n');
      const placed = args.map((arg) => (arg.endsWith('.csv') ? at(arg) : arg));
      expect((await size(...placed)).code).toBe(1);
      expect(told.join('\n')).toMatch(expected);
    });
  }

  it('takes the chart as JSON, the list along a pipe, and the rule as asked', async () => {
    const chart = join(process.cwd(), 'demo', 'charts', 'guide-blazer.json');
    const list = 'id;chest-girth (in);height (in)\r\nada;41 1/8;70\r\nben;39 1/8;78\r\n';
    const { output, code } = await sizeFrom(
      list,
      '--chart',
      chart,
      '--people',
      '-',
      '--show',
      'cm',
      '--reasons',
    );
    expect(code).withContext(told.join()).toBe(0);
    const [, ada, ben] = output.split('\n');
    expect(ada).toMatch(/^ada,edge,42 R,40 R/);
    expect(ada).toContain('104.5 cm');
    expect(ben).toMatch(/^ben,edge,40 L/);
  });

  it('writes everything a verdict rests on as JSON lines', async () => {
    const chart = join(process.cwd(), 'demo', 'charts', 'tidewall-vest.json');
    const list = 'id,abdominal-girth (in),notch-to-belt-standing (in),collar-to-belt (in)\nada,36,16,19\n';
    const { output } = await sizeFrom(list, '--chart', chart, '--people', '-', '--json');
    const { id, sizes, derived } = JSON.parse(output);
    expect([id, sizes['front-length'], sizes['back-length']]).toEqual(['ada', '15', '15']);
    expect(derived[0].result).toBe(39 * 25_400);
  });

  it('takes a rule and a key in the place of the chart’s', async () => {
    await writeFile(
      at('two.csv'),
      'size,chest-girth (cm),waist-girth (cm)\nM,94-102,80-90\nL,102-110,90-98\n',
    );
    const list = 'id,chest-girth (cm),waist-girth (cm)\nada,98,95\n';
    const sized = async (...args: string[]) =>
      (await sizeFrom(list, '--chart', at('two.csv'), '--people', '-', ...args)).output.split('\n')[1];
    expect(await sized()).toMatch(/^ada,split,L/);
    expect(await sized('--rule', 'key-decides', '--key', 'chest-girth')).toMatch(/^ada,split,M/);
    expect(await sized('--rule', 'closest')).toMatch(/^ada,split,L/);
    expect(await sized('--rule', 'key-decides')).toBeUndefined();
    expect(told.at(-1)).toContain('Choose the measurement that decides');
    expect(await sized('--rule', 'tightest')).toBeUndefined();
    expect(told.join()).toContain('--rule takes widest-decides, key-decides, closest.');
  });

  it('shows how it is used', async () => {
    expect((await size()).code).toBe(1);
    expect(told.join('\n')).toContain('--people');
    expect((await size('--nonsense')).code).toBe(1);
    expect(await size('--help')).toEqual({
      output: jasmine.stringContaining('npm run size') as never,
      code: 0,
    });
  });

  describe('reads a maker’s own table as Charts does', () => {
    const people = 'id,chest-girth (in)\nada,37\n';
    const sized = async (chart: string, ...more: string[]) => {
      await writeFile(at('maker.csv'), chart);
      const { output, code } = await sizeFrom(people, '--chart', at('maker.csv'), '--people', '-', ...more);
      return { line: output.split('\n')[1] ?? '', code, told: told.join('\n') };
    };

    it('takes at once what is plain', async () => {
      expect((await sized('Size,Chest (in)\nS,34-36\nM,36-38\nL,38-40\n')).line).toMatch(/^ada,settled,M,/);
    });

    it('asks what is open, with the flag that answers it, and sizes nobody meanwhile', async () => {
      const table = 'Size,Chest\nS,34-36\nM,36-38\nL,38-40\n';
      const asked = await sized(table);
      expect([asked.line, asked.code]).toEqual(['', 1]);
      expect(asked.told).toContain('Chest: in which unit? --unit in');
      expect((await sized(table, '--unit', 'in')).line).toMatch(/^ada,settled,M,/);
      expect((await sized(table, '--unit', 'Chest=in')).line).toMatch(/^ada,settled,M,/);
      await writeFile(at('answers.json'), '{"unit": ["in"]}');
      expect((await sized(table, '--answers', at('answers.json'))).line).toMatch(/^ada,settled,M,/);
    });

    it('takes what is said of a column, a line, and nothing that fits nowhere', async () => {
      const table = 'Size,Round about (in),Sizes of old\nS,34-36,1\nM,36-38,2\nXL,sold out,3\n';
      const asked = (await sized(table)).told;
      expect(asked).toContain("--means 'Round about (in)=");
      const said = ['--means', 'Round about (in)=chest-girth', '--means', 'Sizes of old='];
      const left = await sized(table, ...said);
      expect(left.told).toContain('--leave-out 4');
      expect((await sized(table, ...said, '--leave-out', '4')).line).toMatch(/^ada,settled,M,/);
      const nowhere = await sized(table, '--means', 'Bust=bust-girth', '--unit', 'yards');
      expect(nowhere.code).toBe(1);
      expect(nowhere.told).toContain('no column has the heading “Bust”');
      expect(nowhere.told).toContain('--unit takes cm, in, mm, m, ft');
      expect((await sized(table, '--table', 'first')).told).toContain('--table');
    });

    it('asks which of several tables, and reads a page', async () => {
      const table = (rows: string) => `<table><tr><th>Size</th><th>Chest (in)</th></tr>${rows}</table>`;
      const row = (size: string, cell: string) => `<tr><td>${size}</td><td>${cell}</td></tr>`;
      const page = `<html><body>${table(row('S', '34-36') + row('M', '36-38'))}<p>Long</p>${table(row('SL', '34-36') + row('ML', '36-38'))}</body></html>`;
      expect((await sized(page)).told).toContain('holds 2 tables. Choose one with --table');
      expect((await sized(page, '--table', '2')).line).toMatch(/^ada,edge|^ada,settled,ML,/);
      expect((await sized(page, '--table', '3')).told).toContain('there is no 3');
    });

    it('says what is wrong with a file of answers', async () => {
      await writeFile(at('answers.json'), '{"units": ["in"]}');
      expect((await sized('Size,Chest\nS,34-36\n', '--answers', at('answers.json'))).told).toContain(
        'holds an unknown answer',
      );
      expect((await sized('Size,Chest\nS,34-36\n', '--answers', at('none.json'))).told).toContain(
        'cannot be read',
      );
    });
  });
});
