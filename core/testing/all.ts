// All that core offers, for specs: what everybody loads, and what only Charts does.
export * from '../index';
export * from '../chart/brought';
