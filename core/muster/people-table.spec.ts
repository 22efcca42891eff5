import { textGrid } from '../testing/all';
import { MOST_ROWS, monthOf, PEOPLE_ROLES, planPeople, sameName, type PeopleRole } from './people-table';
import { sayPeopleFault } from './say-people-table';

const plan = (text: string, said: ReadonlyMap<number, PeopleRole> = new Map(), remembered = new Map()) => {
  const grid = textGrid(text);
  if (!grid.ok) throw new Error(JSON.stringify(grid.problem));
  return planPeople(grid.value, said, remembered as ReadonlyMap<string, PeopleRole>);
};

/** What a list tells that has only who they are. */
const NOTHING = { group: null, readings: [], sizes: [] };

describe('a list of wearers', () => {
  it('is read by its headings: whole names, or a first and a last', () => {
    const whole = plan(
      'Name;Rank;Service number;Date of birth\nTern, Ada;Cadet;C-7;17.04.2009\nBo Tern;;;\n',
    );
    expect(whole.asks).toEqual([]);
    expect(whole.rows).toEqual([
      { line: 2, name: 'Ada Tern', role: 'Cadet', number: 'C-7', born: '2009-04', ...NOTHING },
      { line: 3, name: 'Bo Tern', role: '', number: null, born: null, ...NOTHING },
    ]);
    const parted = plan('Vorname\tNachname\nÅse\tØkland\n');
    expect(parted.rows.map(({ name }) => name)).toEqual(['Åse Økland']);
  });

  it('asks what it cannot know, and takes what it was told, now or the last time', () => {
    const text = 'Who,Troop,Name of boat\nAda Tern,2,Eider\n';
    const open = plan(text);
    expect(open.asks).toEqual([
      'What is “Who”?',
      'What is “Troop”?',
      'What is “Name of boat”?',
      'Which column is the name, or the first and the last name?',
    ]);
    expect([open.rows, open.faults]).toEqual([[], []]);
    const said = new Map<number, PeopleRole>([
      [0, 'name'],
      [1, 'left-out'],
    ]);
    const told = plan(text, said, new Map([['name of boat', 'left-out']]));
    expect([told.asks, told.columns[2]!.remembered, told.rows.length]).toEqual([[], true, 1]);
    expect(plan('Name,Full name\nAda,Ada\n').asks).toEqual(['Two columns are name. Leave one of them out.']);
  });

  it('takes groups, measurements in the unit of their column, and sizes that fit', () => {
    const { asks, rows, columns } = plan(
      `Name,Squad,Height (m),Weight (kg),Chest girth,Waist (in),Collar
Ada Tern,Otters,1.71,64,96,33 1/2,38
Bo Tern,,5 ft 11,,101.5,,
`,
      new Map<number, PeopleRole>([
        [5, 'waist-girth'],
        [6, 'size-collar'],
      ]),
    );
    expect(asks).toEqual([]);
    expect(columns.map(({ role, unit }) => [role, unit])).toEqual([
      ['name', null],
      ['group', null],
      ['height', 'm'],
      ['weight', 'kg'],
      ['chest-girth', 'cm'],
      ['waist-girth', 'in'],
      ['size-collar', null],
    ]);
    expect(rows.map(({ group, readings, sizes }) => ({ group, readings, sizes }))).toEqual([
      {
        group: 'Otters',
        readings: [
          { code: 'height', typed: '1.71 m', unit: 'cm' },
          { code: 'weight', typed: '64', unit: 'kg' },
          { code: 'chest-girth', typed: '96', unit: 'cm' },
          { code: 'waist-girth', typed: '33 1/2', unit: 'in' },
        ],
        sizes: [{ item: 'collar', told: '38' }],
      },
      {
        group: null,
        readings: [
          { code: 'height', typed: '5 ft 11', unit: 'cm' },
          { code: 'chest-girth', typed: '101.5', unit: 'cm' },
        ],
        sizes: [],
      },
    ]);
  });

  it('asks for a unit that neither heading nor numbers tell, and refuses a body that nobody has', () => {
    expect(plan('Name,Weight\nAda Tern,70\n').asks).toEqual(['Which unit is “Weight” in?']);
    const grid = textGrid('Name,Weight,Height (cm)\nAda Tern,70,171\nBo Tern,80,17\nCy Tern,x,180\n');
    if (!grid.ok) throw new Error('no grid');
    const { rows, faults } = planPeople(grid.value, new Map(), new Map(), new Map([[1, 'kg']]));
    expect(rows.map(({ name }) => name)).toEqual(['Ada Tern']);
    expect(faults.map(({ line, says }) => [line, says])).toEqual([
      [3, jasmine.stringContaining('outside any height') as never],
      [4, jasmine.stringContaining('x') as never],
    ]);
  });

  it('tells row by row what cannot be taken, with its cells, and takes the rest', () => {
    const { rows, faults } = plan(
      `Name,Role,Number,Born
Ada Tern,Cadet,1,2009-04
,Cadet,2,
Bo Tern,Cadet,3,04/05/2009
=A1,Cadet,4,
${'x'.repeat(121)},Cadet,5,
Cy Tern,Cadet,1,
Ada  TERN,Cadet,,
Tern Ada,Cadet,,
Robert Halloran,Cadet,,
Robert Haloran,Cadet,,
Robert Haloran,Cadet,9,2010-01
12,Cadet,,
`,
    );
    expect(rows.map(({ line }) => line)).toEqual([2, 10]);
    expect(faults.map(({ line, says }) => `${line}: ${says}`)).toEqual([
      '3: The name is missing. Add it.',
      '4: “04/05/2009” is no month of birth. Write it as 2009-04.',
      '5: “=A1” is a formula. Replace it by its value.',
      '6: The name has more than 120 letters. Shorten it.',
      '7: The house number 1 stands in line 2, too. Correct one of them.',
      '8: Ada TERN stands in line 2, too. Remove one, or give each a house number.',
      '9: Tern Ada stands in line 2, too. Remove one, or give each a house number.',
      '11: Robert Haloran and Robert Halloran in line 10 may be one wearer. Remove one, or give each a house number.',
      '12: Robert Haloran and Robert Halloran in line 10 may be one wearer. Remove one, or give each a house number.',
      '13: The name is missing. Add it.',
    ]);
    expect(faults[1]!.cells).toEqual(['Bo Tern', 'Cadet', '3', '04/05/2009']);
  });

  it('takes two of one name whom a number or a month of birth tells apart', () => {
    const { rows, faults } = plan(
      'Name,Number,Born\nAda Tern,1,\nAda Tern,2,\nBo Tern,,2009-04\nBo Tern,,2010-04\n',
    );
    expect([rows.length, faults.length]).toEqual([4, 0]);
    // Of one who has a number and one who has none nobody knows.
    expect(plan('Name,Number\nAda Tern,1\nAda Tern,\n').faults.length).toBe(1);
  });

  it('reads a month where it is certain, and none where it could be another', () => {
    const read = [
      '2009-4',
      '2009-04-17T00:00',
      '4.2009',
      '04/2009',
      '17/04/2009',
      '04/17/2009',
      '04/04/2009',
    ];
    expect(read.map(monthOf)).toEqual(read.map(() => '2009-04'));
    expect(['2009-13', '1809-04', '17/18/2009', 'April 2009', '2009', '0.2009'].map(monthOf)).toEqual(
      Array.from({ length: 6 }, () => null),
    );
    expect(sameName('O’Leary, Bastien')).toBe(sameName('bastien o leary'));
  });

  it('takes five thousand in a moment, says how many there are beyond, and leaves empty lines out', () => {
    const names = Array.from({ length: MOST_ROWS + 20 }, (_, at) => `Wearer ${at} Tern,${at}`);
    const { rows, beyond, faults } = plan(`Name,Number\n\n${names.join('\n')}\n,\n`);
    expect([rows.length, beyond, faults.length]).toEqual([MOST_ROWS, 20, 0]);
  });

  it('has a sentence for every fault', () => {
    for (const role of PEOPLE_ROLES)
      expect(sayPeopleFault({ code: 'too-long', role, most: 3 })).toMatch(/^[A-Z].*\.$/);
  });
});
