// Charts as files: how they are read and written, what the doctor finds in them, and the published tables of the same
// model. Apart from the rest of core: who sizes people by charts that are kept need not load it.
export * from './finding';
export * from './say-finding';
export * from './sheet-schema';
export * from './rules/rule';
export * from './rules';
export * from './rules/say-rule';
export * from './formats/write-cell';
export * from './formats/heading';
export * from './formats/chart-json';
export * from './formats/say-json-finding';
export { likelyDelimiter } from './formats/csv';
export type { TableRow } from './formats/csv';
export * from './formats/read-text';
export * from './formats/import-csv';
export * from './versions/with-part';
