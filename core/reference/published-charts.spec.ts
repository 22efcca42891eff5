import {
  chartSheetSchema,
  cm,
  combatClothingPart,
  compileChart,
  EN_13402_HEIGHT,
  EN_13402_MEN_CHEST,
  EN_13402_MEN_LETTERS,
  EN_13402_MEN_WAIST,
  EN_13402_WOMEN_BUST,
  EN_13402_WOMEN_HIP,
  EN_13402_WOMEN_LETTERS,
  EN_13402_WOMEN_WAIST,
  EN_420_GLOVES,
  examineChart,
  hatSize,
  inches,
  judge,
  LAST_ALLOWANCE,
  micrometres,
  mm,
  mondopoint,
  parseCombatSize,
  PUBLISHED_CHARTS,
  sayCombatSizeProblem,
  sheetAround,
  sizeOfLast,
  writeCombatSize,
  type ChartPart,
  type LastSystem,
  type Length,
  type MeasurementCode,
} from '../testing/all';

const worn = (values: Partial<Record<MeasurementCode, Length>>) =>
  new Map(
    (Object.entries(values) as [MeasurementCode, Length][]).map(([code, value]) => [
      code,
      { value, standardError: 1 },
    ]),
  );

describe('the published tables', () => {
  for (const { sheet, source } of PUBLISHED_CHARTS)
    it(`${sheet.maker}, ${sheet.garment}: a chart like any maker’s, with its source and nothing for the doctor`, () => {
      const read = chartSheetSchema.parse(JSON.parse(JSON.stringify(sheet)));
      expect(read).toEqual(sheet);
      expect(examineChart(sheet)).toEqual([]);
      expect(sheet.notes).toContain(source);
    });
});

// EN 13402-3, from memory: rows written out here by hand, apart from the rule the tables are made by.
describe('EN 13402-3', () => {
  const rows = (part: ChartPart) =>
    part.sizes.map((size, index) => {
      const cell = part.columns[0]!.cells[index]!;
      return cell.kind === 'interval'
        ? `${size} ${cell.lower!.at / 10_000}-${cell.upper!.at / 10_000}`
        : size;
    });
  const has = (name: string, part: ChartPart, expected: string) =>
    it(name, () => expect(rows(part)).toEqual(expected.split(', ')));

  has(
    'men’s chest',
    EN_13402_MEN_CHEST,
    '84 82-86, 88 86-90, 92 90-94, 96 94-98, 100 98-102, 104 102-106, 108 106-110, 112 110-114, 116 114-118, 120 118-123, 126 123-129, 132 129-135, 138 135-141, 144 141-147',
  );
  has(
    'men’s waist',
    EN_13402_MEN_WAIST,
    '72 70-74, 76 74-78, 80 78-82, 84 82-86, 88 86-90, 92 90-94, 96 94-98, 100 98-102, 104 102-106, 108 106-111, 114 111-117, 120 117-123, 126 123-129, 132 129-135',
  );
  has(
    'women’s bust',
    EN_13402_WOMEN_BUST,
    '76 74-78, 80 78-82, 84 82-86, 88 86-90, 92 90-94, 96 94-98, 100 98-102, 104 102-107, 110 107-113, 116 113-119, 122 119-125, 128 125-131, 134 131-137, 140 137-143, 146 143-149, 152 149-155',
  );
  has(
    'women’s waist',
    EN_13402_WOMEN_WAIST,
    '60 58-62, 64 62-66, 68 66-70, 72 70-74, 76 74-78, 80 78-82, 84 82-86, 88 86-91, 94 91-97, 100 97-103, 106 103-109, 112 109-115, 118 115-121, 124 121-127, 130 127-133, 136 133-139',
  );
  has(
    'women’s hip',
    EN_13402_WOMEN_HIP,
    '84 82-86, 88 86-90, 92 90-94, 96 94-98, 100 98-102, 104 102-106, 108 106-110, 112 110-115, 117 115-120, 122 120-125, 127 125-130, 132 130-135, 137 135-140, 142 140-145, 147 145-150, 152 150-155',
  );
  has('height', EN_13402_HEIGHT, '160 156-164, 168 164-172, 176 172-180, 184 180-188, 192 188-196');

  it('names the collar beside each chest', () =>
    expect(
      EN_13402_MEN_CHEST.otherNames[0]!.labels.map(
        (label, index) => `${EN_13402_MEN_CHEST.sizes[index]}:${label}`,
      ),
    ).toEqual(
      '84:36 88:37 92:38 96:39 100:40 104:41 108:42 112:43 116:44 120:45 126:46.5 132:48 138:49.5 144:51'.split(
        ' ',
      ),
    ));

  it('has letters that are whole runs of the numbered sizes', () => {
    const edges = (part: ChartPart) =>
      new Set(
        part.columns[0]!.cells.flatMap((cell) =>
          cell.kind === 'interval' ? [cell.lower!.at, cell.upper!.at] : [],
        ),
      );
    for (const [letters, numbers] of [
      [EN_13402_MEN_LETTERS, EN_13402_MEN_CHEST],
      [EN_13402_WOMEN_LETTERS, EN_13402_WOMEN_BUST],
    ] as const) {
      const numbered = edges(numbers);
      const apart = [...edges(letters)].filter((edge) => !numbered.has(edge));
      // The men’s XS reaches below the smallest numbered chest.
      expect(apart).toEqual(letters === EN_13402_MEN_LETTERS ? [cm(78)] : []);
    }
  });

  it('finds band and cup by underbust and difference', () => {
    const bra = compileChart(PUBLISHED_CHARTS.find(({ sheet }) => sheet.kind === 'bra')!.sheet);
    const size = (underbust: number, bust: number) =>
      judge(bra, worn({ 'underbust-girth': cm(underbust), 'bust-girth': cm(bust) })).proposed;
    expect(size(75, 90)).toBe('75B');
    expect(size(63, 87)).toBe('65G');
    expect(size(62.9, 73.9)).toBe('60AA');
  });
});

// EN 420, from memory.
describe('EN 420', () => {
  it('counts the girth of the hand in inches', () => {
    const { sizes, columns } = EN_420_GLOVES.sheet.parts[0]!;
    expect(columns[0]!.cells).toEqual(
      sizes.map((size) => ({ kind: 'nominal', at: mm(Math.round(Number(size) * 25.4)) })),
    );
  });
  it('lets the larger of girth and length decide', () => {
    const gloves = compileChart(EN_420_GLOVES.sheet);
    expect(judge(gloves, worn({ 'hand-girth': mm(203), 'hand-length': mm(204) })).proposed).toBe('10');
  });
});

// Shoemaking practice, from memory.
describe('shoe sizes', () => {
  it('turn a last into each system and back', () => {
    expect(sizeOfLast(cm(28), 'Paris point')).toBe(42);
    expect(sizeOfLast(inches(11), 'English')).toBeCloseTo(8, 9);
    expect(sizeOfLast(inches(11), 'American men’s')).toBeCloseTo(9, 9);
  });
  it('step by two thirds of a centimetre, and by a third of an inch', () => {
    const step = (longer: Length, last: Length, system: LastSystem) =>
      sizeOfLast(longer, system) - sizeOfLast(last, system);
    expect(step(cm(30), cm(28), 'Paris point')).toBeCloseTo(3, 9);
    for (const system of ['English', 'American men’s'] as const)
      expect(step(inches(12), inches(11), system)).toBeCloseTo(3, 9);
    expect(sizeOfLast(inches(11), 'American men’s') - sizeOfLast(inches(11), 'English')).toBeCloseTo(1, 9);
  });
  it('write a foot as Mondopoint', () => {
    expect(mondopoint(mm(250), mm(100))).toBe('250/100');
    const shoes = compileChart(PUBLISHED_CHARTS.find(({ sheet }) => sheet.kind === 'boots')!.sheet);
    const feet = worn({
      'foot-length-left': mm(248),
      'foot-length-right': mm(250),
      'foot-width-left': mm(100),
      'foot-width-right': mm(98),
    });
    expect(judge(shoes, feet).proposed).toBe('250/100');
    expect(LAST_ALLOWANCE).toBe(mm(15));
  });
});

// Hatters’ practice, from memory.
describe('hat sizes', () => {
  it('are inches over pi, to an eighth', () => {
    expect(hatSize(inches(22.75))).toBe(7.25);
    expect([52, 56, 60, 64].map((girth) => hatSize(cm(girth)))).toEqual([6.5, 7, 7.5, 8]);
  });
});

// STANAG 2335, from memory.
describe('combat clothing in eight figures', () => {
  const read = (text: string) => {
    const size = parseCombatSize(text);
    if (!size.ok) return sayCombatSizeProblem(size.problem);
    const { height, chest } = size.value;
    return [height.from, height.to, chest.from, chest.to].map((one) => one / 10_000);
  };

  it('are height and chest, the hundreds left out', () => {
    expect(read('8090/9505')).toEqual([180, 190, 95, 105]);
    expect(read('80909505')).toEqual([180, 190, 95, 105]);
    expect(read('9000/1525')).toEqual([190, 200, 115, 125]);
    expect(read('5060 / 7080')).toEqual([150, 160, 70, 80]);
  });
  it('are written as they are read, for every size there can be', () => {
    for (let height = 140; height < 215; height += 5)
      for (let chest = 70; chest < 150; chest += 5) {
        const code = writeCombatSize({
          height: { from: cm(height), to: cm(height + 10) },
          chest: { from: cm(chest), to: cm(chest + 10) },
        });
        expect(read(code))
          .withContext(code)
          .toEqual([height, height + 10, chest, chest + 10]);
      }
  });
  it('say what to write when they are none', () => {
    expect(read('809/9505')).toContain('eight figures');
    expect(read('8090-95')).toContain('eight figures');
    expect(read('8080/9505')).toContain('height');
    expect(read('8090/9590')).toContain('chest');
  });
  it('make a chart', () => {
    const codes = ['7080/8595', '7080/9505', '8090/9505', '8090/0515'];
    const part = combatClothingPart(
      codes.map((code) => {
        const size = parseCombatSize(code);
        if (!size.ok) throw new Error(code);
        return size.value;
      }),
    );
    const chart = compileChart(
      sheetAround(part, { maker: 'Ostrel Workwear', garment: 'Watch coat', rule: 'widest-decides' }),
    );
    expect(part.sizes).toEqual(codes);
    expect(judge(chart, worn({ height: cm(183), 'chest-girth': cm(98) })).proposed).toBe('8090/9505');
    expect(judge(chart, worn({ height: cm(171), 'chest-girth': micrometres(940_000) })).proposed).toBe(
      '7080/8595',
    );
  });
});
