import { readingsBehind } from '../size-chart';
import { about, rulesOf, type Found } from './rule';

/**
 * What the trade's customs say of a chart. A trouser that is narrow at the ankle must pass the heel, so
 * that the heel is what is measured; common practice, no source.
 */
export const CUSTOM_RULES = rulesOf(['ankle-not-heel'], (sheet) =>
  sheet.kind !== 'trousers'
    ? []
    : sheet.parts.flatMap((part, at) =>
        part.columns.flatMap(({ code, role }, column): Found[] => {
          if (role !== 'deciding' || !readingsBehind(sheet, code).includes('ankle-girth')) return [];
          const path = ['parts', at, 'columns', column, 'code'];
          return [about(sheet, 'ankle-not-heel', path, [], { part: part.code, column: code })];
        }),
      ),
);
