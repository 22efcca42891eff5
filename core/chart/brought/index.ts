// A table that somebody brought, from the file it comes in to the parts of a chart; how it goes out again, and how two
// versions of a chart differ. Apart from the rest of core: only Charts has tables, and nobody else need load this.
export * from './sources/brought';
export * from './sources/decode-text';
export * from './sources/text-table';
export * from './layout/grid';
export * from './layout/around';
export * from './layout/find-tables';
export * from './layout/outline';
export * from './words/meaning';
export * from './words/guess-heading';
export { plainWords } from './words/vocabulary';
export * from './words/size-words';
export * from './words/unit-evidence';
export * from './cells/maker-cell';
export * from './cells/dual-cell';
export * from './cells/spreadsheet-date';
export * from './plan/answers';
export * from './plan/planned-column';
export * from './plan/table-plan';
export * from './plan/cell-reading';
export * from './chart-parts/brought-parts';
export * from './chart-parts/join-tables';
export * from './chart-parts/twin-tables';
export * from './chart-parts/read-planned';
export * from '../formats/export-table';
export * from '../formats/export-workbook';
export * from '../versions/compare-charts';
export * from '../versions/say-chart-change';
