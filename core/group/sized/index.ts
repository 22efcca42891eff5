// What is done with many people at once: a door of its own, as only a few places ask for it.
export * from './as-known';
export * from './group-size';
export * from './group-sizer';
export * from './size-dockets';
export * from './sizing';
export * from './tally';
export * from './shown-rows';
export * from './table-rows';
export * from './say-sized';
