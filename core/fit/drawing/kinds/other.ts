import type { KindLooks } from '../look';

/** What is drawn of other garments at each check. */
export const otherLooks: KindLooks = {};
