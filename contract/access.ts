import {
  chartRetiredPath,
  chartRunsPath,
  chartSheetPath,
  chartUsesPath,
  chartVersionsPath,
  deviceStreamPath,
  docketRunsPath,
  docketStreamPath,
  labelsPath,
  letterPath,
  orderFormPath,
  PATHS,
  ROUTES,
  selfPath,
  sheetPath,
  sizesSheetPath,
  verdictsPath,
  wearerExportPath,
  wearerExportSheetPath,
  wearerRecordPath,
} from './routes';

import {
  countExplainedPath,
  deliveryPath,
  docketStockPath,
  inspectionPath,
  orderAskedPath,
  orderClosedPath,
  orderFilePath,
  orderSentPath,
  renamedPath,
  scanPath,
  stockLabelsPath,
  STORES,
} from './stores/paths';

/** What somebody is to the house, each with all that stands before it. */
export const ROLES = ['viewer', 'fitter', 'lead', 'administrator'] as const;
export type Role = (typeof ROLES)[number];

/** Whether a role has what another has. */
export function hasRole(role: Role, least: Role): boolean {
  return ROLES.indexOf(role) >= ROLES.indexOf(least);
}

/**
 * What opens a route: a session of a role or more, or something else instead of one. `self`: any
 * session, also one that has yet to set a passphrase or a second factor of its own.
 */
export type Access = Role | 'self' | 'anyone' | 'pen' | 'link' | 'tape';

/** A route, what opens it, and what for. */
export interface RouteAccess {
  readonly method: 'GET' | 'PUT' | 'POST' | 'DELETE';
  readonly path: string;
  readonly access: Access;
  readonly does: string;
}

const at = (method: RouteAccess['method'], path: string, access: Access, does: string): RouteAccess => ({
  method,
  path,
  access,
  does,
});
const one = (route: string) => `${route}/:id`;

/** Every route with what opens it. There is no other: a path that does not stand here is not found. */
export const ACCESS: readonly RouteAccess[] = [
  at('GET', ROUTES.health, 'anyone', 'Whether server and database answer'),
  at('GET', ROUTES.session, 'anyone', 'Who is signed in, and whether anybody can be'),
  at('POST', ROUTES.session, 'anyone', 'Sign in'),
  at('DELETE', ROUTES.session, 'anyone', 'Sign out'),
  at('POST', PATHS.firstRun, 'anyone', 'Make the first account, while there is none'),
  at('POST', PATHS.takeCode, 'anyone', 'Set a passphrase with a one-time code'),
  at('POST', PATHS.hand, 'self', 'Take the bench over with a short code'),
  at('DELETE', PATHS.hand, 'self', 'Give the bench back to whoever signed in'),
  at('GET', PATHS.hands, 'self', 'Who may take the bench over'),
  at('PUT', PATHS.passphrase, 'self', 'Change one’s own passphrase'),
  at('PUT', PATHS.benchCode, 'self', 'Set or take out one’s own bench code'),
  at('POST', PATHS.factor, 'self', 'Begin a second factor of one’s own'),
  at('PUT', PATHS.factor, 'self', 'Confirm it with a first code'),
  at('DELETE', PATHS.factor, 'self', 'Take it out'),
  at('PUT', PATHS.preferences, 'self', 'One’s own unit, speech and text size'),
  at('GET', PATHS.sessions, 'self', 'Where one is signed in'),
  at('DELETE', one(PATHS.sessions), 'self', 'End one of one’s sessions'),
  at('DELETE', PATHS.sessions, 'self', 'End all of one’s other sessions'),
  at('POST', ROUTES.acts, 'pen', 'Keep what was done on dockets, by whoever holds the pen'),
  at('GET', selfPath(':token'), 'link', 'The page of a link for measuring oneself'),
  at('PUT', selfPath(':token'), 'link', 'Send what was measured'),
  at('POST', ROUTES.deviceLines, 'tape', 'Send what a tape reads'),
  at('GET', ROUTES.wearers, 'viewer', 'The people to be sized'),
  at('PUT', one(ROUTES.wearers), 'fitter', 'Add or edit a person to be sized'),
  at('GET', wearerExportPath(':id'), 'lead', 'Everything that is known of a person, for them'),
  at('GET', wearerExportSheetPath(':id'), 'lead', 'The same on paper'),
  at('GET', wearerRecordPath(':id'), 'viewer', 'What a person’s measurements were over time'),
  at('GET', wearerRecordPath(':id', '.json'), 'fitter', 'The same as a file'),
  at('GET', wearerRecordPath(':id', '.csv'), 'fitter', 'The same as a table'),
  at('GET', wearerRecordPath(':id', '.pdf'), 'fitter', 'The same on paper, with the figure'),
  at('DELETE', one(ROUTES.wearers), 'administrator', 'Erase a person who was sized'),
  at('GET', PATHS.audit, 'administrator', 'What happened, by whom'),
  at('GET', ROUTES.bodies, 'viewer', 'Values on the roll, without names'),
  at('GET', ROUTES.charts, 'viewer', 'The charts'),
  at('GET', one(ROUTES.charts), 'viewer', 'A chart'),
  at('GET', chartVersionsPath(':id'), 'viewer', 'The versions of a chart'),
  at('GET', chartSheetPath(':id'), 'viewer', 'A chart on paper'),
  at('GET', chartUsesPath(':id'), 'viewer', 'Where a chart is used'),
  at('GET', chartRunsPath(':id'), 'viewer', 'How the garments of a chart run'),
  at('PUT', one(ROUTES.charts), 'lead', 'Keep a chart, or a version of one'),
  at('PUT', chartRetiredPath(':id'), 'lead', 'Take a chart from the shelf, or back onto it'),
  at('GET', ROUTES.dockets, 'viewer', 'The dockets'),
  at('GET', one(ROUTES.dockets), 'viewer', 'A docket'),
  at('GET', docketStreamPath(':id'), 'viewer', 'What is done on a docket from now on'),
  at('GET', sheetPath(':id'), 'viewer', 'The steps of a docket on paper'),
  at('GET', sizesSheetPath(':id'), 'fitter', 'The sizes of a docket on one page'),
  at('GET', labelsPath(':id'), 'fitter', 'Labels for the parcels of a docket'),
  at('GET', orderFormPath(':id', ':chartId'), 'fitter', 'The form with which a garment is ordered'),
  at('PUT', letterPath(':id', ':letterId'), 'fitter', 'Put a sheet of a docket into the post'),
  at('GET', verdictsPath(':id'), 'viewer', 'The verdicts on a docket'),
  at('GET', docketRunsPath(':id'), 'viewer', 'Which charts of a docket run otherwise than they say'),
  at('GET', docketStockPath(':id'), 'viewer', 'What the stores have for the garments of a docket'),
  at('GET', STORES.rooms, 'viewer', 'The store rooms'),
  at('PUT', one(STORES.rooms), 'lead', 'Keep a store room'),
  at('GET', STORES.keeping, 'viewer', 'How garments are kept in the stores'),
  at('PUT', one(STORES.keeping), 'lead', 'Say how a garment is kept'),
  at('GET', STORES.table, 'fitter', 'What lies in the stores, as a table'),
  at('GET', STORES.stock, 'viewer', 'What lies in the stores'),
  at('GET', one(STORES.articles), 'viewer', 'An article, and what happened to it'),
  at('PUT', one(STORES.articles), 'fitter', 'How many of an article are to lie there, and its maker’s code'),
  at('GET', stockLabelsPath(':id'), 'fitter', 'Labels for what lies in the stores'),
  at('PUT', renamedPath(':id'), 'lead', 'Say what an article is called by now'),
  at('PUT', one(STORES.receipts), 'fitter', 'Take something in'),
  at('PUT', one(STORES.movements), 'fitter', 'Move something, or write it off'),
  at('GET', one(STORES.pieces), 'viewer', 'A numbered piece'),
  at('PUT', inspectionPath(':id', ':inspectionId'), 'fitter', 'Keep an inspection of a piece'),
  at('PUT', one(STORES.counts), 'fitter', 'Count what lies in a room'),
  at('PUT', countExplainedPath(':id'), 'lead', 'Put right what a count found otherwise'),
  at('GET', scanPath(':id'), 'viewer', 'What a code stands for'),
  at('GET', STORES.warnings, 'viewer', 'What runs out, over or late'),
  at('GET', STORES.bookings, 'viewer', 'The calendar of what is hired'),
  at('PUT', one(STORES.bookings), 'fitter', 'Book a piece, or take a booking back'),
  at('GET', STORES.free, 'viewer', 'Which pieces are free for some days'),
  at('GET', STORES.needs, 'viewer', 'What is to be ordered'),
  at('GET', STORES.orders, 'viewer', 'The orders'),
  at('GET', orderFilePath(':id', 'json'), 'fitter', 'An order in its open form'),
  at('GET', orderFilePath(':id', 'csv'), 'fitter', 'The same as a table'),
  at('GET', one(STORES.orders), 'viewer', 'An order'),
  at('PUT', one(STORES.orders), 'fitter', 'Put an order together'),
  at('PUT', orderSentPath(':id'), 'fitter', 'Send an order to its maker'),
  at('PUT', orderAskedPath(':id'), 'fitter', 'Ask the maker how an order stands'),
  at('PUT', orderClosedPath(':id'), 'fitter', 'Wait no more for the rest of an order'),
  at('PUT', deliveryPath(':id', ':deliveryId'), 'fitter', 'Check off what came of an order'),
  at('GET', ROUTES.exceptions, 'viewer', 'The flags nobody has decided'),
  at('GET', ROUTES.protocols, 'viewer', 'The protocols'),
  at('PUT', one(ROUTES.protocols), 'lead', 'Keep a protocol of one’s own'),
  at('GET', ROUTES.kits, 'viewer', 'The kits'),
  at('PUT', one(ROUTES.kits), 'lead', 'Keep a kit'),
  at('DELETE', one(ROUTES.kits), 'lead', 'Take a kit out'),
  at('PUT', one(ROUTES.selfLinks), 'fitter', 'Make a link for measuring oneself'),
  at('GET', PATHS.selfLinks, 'fitter', 'The links that stand'),
  at('DELETE', one(ROUTES.selfLinks), 'fitter', 'Take a link back'),
  at('GET', deviceStreamPath(':device'), 'fitter', 'What a tape sends from now on'),
  at('GET', PATHS.tapes, 'lead', 'The paired tapes'),
  at('PUT', one(PATHS.tapes), 'lead', 'Pair a tape: it gets a secret of its own'),
  at('DELETE', one(PATHS.tapes), 'lead', 'Let a tape in no more'),
  at('GET', PATHS.people, 'administrator', 'Who may sign in'),
  at('PUT', one(PATHS.people), 'administrator', 'Invite somebody, change or deactivate them'),
  at('POST', `${PATHS.people}/:id/code`, 'administrator', 'A one-time code for a new passphrase'),
  at('DELETE', `${PATHS.people}/:id/sessions`, 'administrator', 'End all sessions of somebody'),
  at('GET', PATHS.settings, 'self', 'The settings of the house'),
  at('PUT', PATHS.settings, 'administrator', 'Change them'),
];
