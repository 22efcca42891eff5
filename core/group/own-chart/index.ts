// A chart drafted from people: where its sizes lie best, whom they leave out, and how sure that is.
export * from './draft-pairs';
export * from './draft-sizes';
export * from './drafted-sheet';
export * from './share';
