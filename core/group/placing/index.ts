// Placing whoever could wear several sizes so that what there is serves everybody best. Loads a solver: a door of its own.
export * from './placing-case';
export * from './solve-case';
export * from './place-group';
