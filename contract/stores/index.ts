// The stores' part of the contract. A door of its own: the Bench need not load it.
export * from './paths';
export * from './reserved';
export * from './stock';
export * from './hire';
export * from './orders';
