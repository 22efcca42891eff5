// The stores: what lies where, what is hired, ordered and counted. A door of its own: the Bench need not load it.
export * from './article';
export { sizesOfLabel } from '../chart/label-reading';
export * from './movement';
export * from './say-movement-refusal';
export * from './movements-of';
export * from '../words/days';
export * from './stock-as-of';
export * from './keeping';
export * from './say-standing';
export * from './hire';
export * from './needs';
export * from './order-sheet';
export * from './order';
export * from './say-message';
export * from './count';
export * from './say-compartment';
