// An order before anybody is measured: a door of its own, as only the server's thread for it loads it.
export * from './known-ahead';
export * from './member-bodies';
export * from './order-ahead';
export * from './proportions';
export * from './tally-ahead';
export { seededRandom } from '../random';
