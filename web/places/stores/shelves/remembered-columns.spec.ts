import type { StockRole } from '@neat-measure/core/stock-table';
import { rememberColumns, rememberedColumns } from './remembered-columns';

describe('columns of a table of stock', () => {
  beforeEach(() => localStorage.clear());
  afterAll(() => localStorage.clear());
  const columns = (...headings: string[]) =>
    headings.map((heading) => ({ heading, role: null, remembered: false }));
  const said = (...roles: [number, StockRole][]) => new Map(roles);

  it('are remembered by the words of their headings, what was said last first', () => {
    rememberColumns(columns('Bin', 'Hook No.', ''), said([0, 'left-out'], [1, 'minimum'], [2, 'code']));
    rememberColumns(columns('hook no'), said([0, 'serial']));
    expect([...rememberedColumns()]).toEqual([
      ['hook no', 'serial'],
      ['bin', 'left-out'],
    ]);
  });

  it('are none where what was kept cannot be read, or nothing was said', () => {
    for (const kept of ['{', '[["bin","elsewhere"]]', '7']) {
      localStorage.setItem('neat-measure:stock-columns', kept);
      expect(rememberedColumns().size).toBe(0);
    }
    localStorage.clear();
    rememberColumns(columns('Bin'), said());
    expect(localStorage.length).toBe(0);
  });
});
