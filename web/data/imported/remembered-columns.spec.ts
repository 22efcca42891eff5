import { STOCK_ROLES, type StockRole } from '@neat-measure/core/stock-table';
import { RememberedColumns } from './remembered-columns';

describe('columns of a table of stock', () => {
  const memory = new RememberedColumns('neat-measure:stock-columns', STOCK_ROLES);
  beforeEach(() => localStorage.clear());
  afterAll(() => localStorage.clear());
  const columns = (...headings: string[]) =>
    headings.map((heading) => ({ heading, role: null, remembered: false }));
  const said = (...roles: [number, StockRole][]) => new Map(roles);

  it('are remembered by the words of their headings, what was said last first', () => {
    memory.keep(columns('Bin', 'Hook No.', ''), said([0, 'left-out'], [1, 'minimum'], [2, 'code']));
    memory.keep(columns('hook no'), said([0, 'serial']));
    expect([...memory.read()]).toEqual([
      ['hook no', 'serial'],
      ['bin', 'left-out'],
    ]);
  });

  it('are none where what was kept cannot be read, or nothing was said', () => {
    for (const kept of ['{', '[["bin","elsewhere"]]', '7']) {
      localStorage.setItem('neat-measure:stock-columns', kept);
      expect(memory.read().size).toBe(0);
    }
    localStorage.clear();
    memory.keep(columns('Bin'), said());
    expect(localStorage.length).toBe(0);
  });
});
