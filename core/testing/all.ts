// All that core offers, for specs: what everybody loads, and what only some places do.
export * from '../index';
export * from '../chart/imported';
export * from '../chart/sheets';
export * from '../group/coverage';
export * from '../reference';
