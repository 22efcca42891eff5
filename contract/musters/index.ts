// What is spoken of musters: a door of its own, as only Roll and the Bench at a station load it.
export * from './before-the-day';
export * from './muster';
export * from './pack';
export * from './people-import';
export * from './sizing';
export * from './placing';
