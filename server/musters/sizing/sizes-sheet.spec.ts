import { sizingSheetQuery, sizingSheetQuerySchema } from '@neat-measure/contract/musters';
import { VERDICTS } from '@neat-measure/core';
import { EVERYBODY, type SizedPeople, type TableFilter } from '@neat-measure/core/group';
import { groupSizesSheet } from './sizes-sheet';

const NAMES = ['Cy Oake', 'Ada Tern', 'Bo Çelik', 'Dee Lund'];

/** Four people: settled, at an edge, beyond the range, and one who was erased since; two of them in Squad 1, one of them in Squad 2, too. */
function people(more: number, protects = false): SizedPeople {
  const jacket = {
    ...{ chartId: 'c', seriesId: 's', version: 1, garment: 'Field jacket', maker: 'Ostrel', protects },
    ...{ labels: ['M', 'L'], sizes: [0, 0, -1, 1], stands: [0, 0, 0, 1] },
    verdicts: (['settled', 'edge', 'beyond', 'between'] as const).map((one) => VERDICTS.indexOf(one)),
    ...{ odds: { 1: [0, 700, 1, 300] }, others: { 1: [1] } },
  };
  return {
    sizing: {
      ...{ habits: 1, wearerIds: ['0', '1', '2', ''], docketIds: ['', '', '', ''], rests: [0, 0, 0, 0] },
      ...{ acts: [1, 1, 1, 1], garments: Array.from({ length: 1 + more }, () => jacket) },
    },
    wearers: [0, 1, 2].map((at) => ({ id: `${at}`, name: NAMES[at]!, role: 'Warden', number: null })),
    groups: [
      { name: 'Squad 1', wearerIds: ['0', '1'] },
      { name: 'Squad 2', wearerIds: ['1'] },
    ],
  };
}

/** Every piece of text of a sheet, with a stroke where a page begins. */
function textOf(content: unknown): string {
  if (typeof content === 'string') return content;
  if (Array.isArray(content)) return content.map(textOf).join(' ');
  if (typeof content !== 'object' || content === null) return '';
  const { pageBreak, text, stack, columns, table } = content as Record<string, unknown>;
  const own = [text, stack, columns, (table as { body: unknown } | undefined)?.body].map(textOf).join(' ');
  return `${pageBreak === 'before' ? '| ' : ''}${own}`;
}

function printed(filter: Partial<TableFilter> = {}, more = 0, protects = false) {
  const sheet = groupSizesSheet({
    ...{ of: 'Muster in May', madeAt: '2026-05-05T08:00:00.000Z', by: 'Odalys Wren' },
    ...{ people: people(more, protects), filter: { ...EVERYBODY, ...filter } },
  });
  return { ...sheet, pages: textOf(sheet.content).replace(/\s+/g, ' ').trim().split(' | ') };
}

describe('the sizes of a group on paper', () => {
  it('stand group by group, by name, each on its page; whoever is in two stands in both, and nobody is left out', () => {
    const { pages, title } = printed();
    expect(title).toBe('Sizes · Muster in May');
    expect(pages.map((page) => NAMES.filter((name) => page.includes(name)))).toEqual([
      ['Cy Oake', 'Ada Tern'],
      ['Ada Tern'],
      ['Bo Çelik'],
    ]);
    expect(pages[0]).toMatch(/^Squad 1 Muster in May · as of .*2026, by Odalys Wren · 2 wearers /);
    expect(pages[0]!.indexOf('Ada')).toBeLessThan(pages[0]!.indexOf('Cy'));
    expect(pages[0]).toMatch(/Ada Tern Warden M at an edge, 70 % Cy Oake Warden M$/);
    expect(pages[2]).toMatch(/^In no group .*1 wearer .*Bo Çelik Warden beyond the range$/);
  });

  it('are of what is shown, and say that it is not everybody', () => {
    const { pages } = printed({
      shows: 'doubtful',
      garment: 0,
      between: [0, 1],
      group: 'Squad 2',
      search: 'tern',
    });
    expect(pages.length).toBe(1);
    expect(pages[0]).toContain('1 of 3 shown: Field jacket, in doubt, between M and L, “tern”');
    expect(printed({ search: 'nobody' }).pages).toEqual(['No wearers match.']);
  });

  it('stand below each other where garments are many, and name the cautions of protective wear on every page', () => {
    const many = printed({ search: 'tern' }, 8).pages[0]!;
    expect(many).toContain('Wearer Garments Ada Tern Warden Field jacket M at an edge, 70 % Field jacket M');
    expect(many.match(/Field jacket M/g)!.length).toBe(9);
    for (const page of printed({}, 0, true).pages) expect(page).toContain('follow the maker’s instructions');
    expect(printed().pages.join()).not.toContain('Protective');
  });

  it('are asked for by an address that carries the whole filter', () => {
    const read = (query: string) =>
      sizingSheetQuerySchema.parse(Object.fromEntries(new URLSearchParams(query)));
    const filter: TableFilter = {
      ...{ search: 'Çelik & 1 %', group: 'Squad 1', sortBy: 2 },
      ...{ garment: 0, shows: 'doubtful', between: [1, 3] },
    };
    expect(read(sizingSheetQuery(filter)) as TableFilter).toEqual(filter);
    expect(sizingSheetQuery(EVERYBODY)).toBe('');
    expect(read('') as TableFilter).toEqual(EVERYBODY);
    expect(() => read('between=1')).toThrow();
    expect(() => read('garment=-1')).toThrow();
  });
});
