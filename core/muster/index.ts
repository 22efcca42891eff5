// The day of many: who is where, who is next, and when it will be over.
export * from './acts';
export { type MusterLibrary, type MusterNames } from './acts/act';
export { MOST_ACCEPTED } from './acts/values-accepted';
export { MOST_ADDED } from './acts/people-added';
export * from './any-act';
export * from './muster';
export * from './opening';
export * from './pace';
export * from './parcel';
export * from './parts';
export * from './queue';
export * from './refusal';
export * from './say-refusal';
export * from './slip';
export * from './trust';
export * from './undo';
