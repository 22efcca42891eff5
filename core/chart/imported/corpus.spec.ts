import { CASES } from '../../testing/tables/cases';
import { checkCase } from '../../testing/tables/check-case';

describe('an imported table, of the corpus,', () => {
  for (const made of CASES)
    it(`is read as people read it: ${made.what} (${made.file})`, () => checkCase(made, made.bytes));

  it('is one of many', () => expect(CASES.length).toBeGreaterThan(150));
});
