// The stores: what lies where, what is hired, ordered and counted. A door of its own: the Bench need not load it.
export * from './article';
export { sizesOfLabel } from '../chart/label';
export * from './movement';
export * from './movements-of';
export * from './days';
export * from './keeping';
export * from './hire';
export * from './needs';
export * from './order-sheet';
export * from './order';
export * from './count';
export * from './stock-table';
