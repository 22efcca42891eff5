import { ACT_CAPABILITIES, ACT_CAPABILITY_WORDS } from '@neat-measure/core';
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
  docketShelvesPath,
  docketStockPath,
  inspectionPath,
  orderAskedPath,
  orderClosedPath,
  orderFilePath,
  orderSentPath,
  putBackPath,
  putByCalledPath,
  putByLabelsPath,
  renamedPath,
  scanPath,
  stockLabelsPath,
  STORES,
} from './stores/paths';

/** What somebody can be trusted with, and how that stands in a sentence: "Your role does not let you measure people." */
export const CAPABILITIES = {
  ...ACT_CAPABILITY_WORDS,
  look: 'look at people, dockets, charts and stores',
  'keep-wearers': 'add people to be sized, or change what is known of them',
  'keep-stock': 'take in, move, count, hire out and order garments',
  'correct-stock': 'correct the stock, or say how garments are kept',
  'keep-charts': 'keep charts, protocols and kits',
  'answer-wearers': 'give a wearer everything that is kept of them',
  'pair-tapes': 'pair tapes',
  'run-house': 'run the house: accounts, settings, its log and erasing',
} as const satisfies Readonly<Record<string, string>>;
export type Capability = keyof typeof CAPABILITIES;

const CLERK = ['look', 'hand-over', 'keep-stock'] as const satisfies Capability[];
const FITTER = [...CLERK, 'keep-wearers', 'measure', 'decide'] as const satisfies Capability[];
const LEAD = [
  ...FITTER,
  'correct-stock',
  'keep-charts',
  'answer-wearers',
  'pair-tapes',
] as const satisfies Capability[];

/** What somebody is to the house: a name for a set of capabilities. Another role is another line. */
const ROLE_CAPABILITIES = {
  viewer: ['look'],
  'stores-clerk': CLERK,
  fitter: FITTER,
  lead: LEAD,
  administrator: [...LEAD, 'run-house'],
} as const satisfies Readonly<Record<string, readonly Capability[]>>;
export type Role = keyof typeof ROLE_CAPABILITIES;
export const ROLES = Object.keys(ROLE_CAPABILITIES) as [Role, ...Role[]];

/**
 * Whether whoever has a role may do what takes a capability.
 *
 * @example grants('stores-clerk', 'measure') // false
 */
export function grants(role: Role, capability: Capability): boolean {
  return (ROLE_CAPABILITIES[role] as readonly Capability[]).includes(capability);
}

/** Whether whoever has a role may do anything on a docket, so that they need a pen and may take a bench over. */
export function worksOnDockets(role: Role): boolean {
  return ACT_CAPABILITIES.some((capability) => grants(role, capability));
}

/**
 * The role of whoever has taken a bench over by a short code: they may do no more than a fitter there, as a short code
 * is no passphrase.
 */
export function roleAtBench(role: Role): Role {
  return ROLE_CAPABILITIES[role].every((one) => grants('fitter', one)) ? role : 'fitter';
}

/**
 * What opens a route: a session of a role that grants a capability, or something else instead of one. `self`: any
 * session, also one that has yet to set a passphrase or a second factor of its own.
 */
export type Access = Capability | 'self' | 'anyone' | 'pen' | 'link' | 'tape';

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
  at('GET', ROUTES.wearers, 'look', 'The people to be sized'),
  at('PUT', one(ROUTES.wearers), 'keep-wearers', 'Add or edit a person to be sized'),
  at('GET', wearerExportPath(':id'), 'answer-wearers', 'Everything that is known of a person, for them'),
  at('GET', wearerExportSheetPath(':id'), 'answer-wearers', 'The same on paper'),
  at('GET', wearerRecordPath(':id'), 'look', 'What a person’s measurements were over time'),
  at('GET', wearerRecordPath(':id', '.json'), 'measure', 'The same as a file'),
  at('GET', wearerRecordPath(':id', '.csv'), 'measure', 'The same as a table'),
  at('GET', wearerRecordPath(':id', '.pdf'), 'measure', 'The same on paper, with the figure'),
  at('DELETE', one(ROUTES.wearers), 'run-house', 'Erase a person who was sized'),
  at('GET', PATHS.audit, 'run-house', 'What happened, by whom'),
  at('GET', ROUTES.bodies, 'look', 'Values on the roll, without names'),
  at('GET', ROUTES.charts, 'look', 'The charts'),
  at('GET', one(ROUTES.charts), 'look', 'A chart'),
  at('GET', chartVersionsPath(':id'), 'look', 'The versions of a chart'),
  at('GET', chartSheetPath(':id'), 'look', 'A chart on paper'),
  at('GET', chartUsesPath(':id'), 'look', 'Where a chart is used'),
  at('GET', chartRunsPath(':id'), 'look', 'How the garments of a chart run'),
  at('PUT', one(ROUTES.charts), 'keep-charts', 'Keep a chart, or a version of one'),
  at('PUT', chartRetiredPath(':id'), 'keep-charts', 'Take a chart from the shelf, or back onto it'),
  at('GET', ROUTES.dockets, 'look', 'The dockets'),
  at('GET', one(ROUTES.dockets), 'look', 'A docket'),
  at('GET', docketStreamPath(':id'), 'look', 'What is done on a docket from now on'),
  at('GET', sheetPath(':id'), 'look', 'The steps of a docket on paper'),
  at('GET', sizesSheetPath(':id'), 'hand-over', 'The sizes of a docket on one page'),
  at('GET', labelsPath(':id'), 'hand-over', 'Labels for the parcels of a docket'),
  at('GET', orderFormPath(':id', ':chartId'), 'hand-over', 'The form with which a garment is ordered'),
  at('PUT', letterPath(':id', ':letterId'), 'hand-over', 'Put a sheet of a docket into the post'),
  at('GET', verdictsPath(':id'), 'look', 'The verdicts on a docket'),
  at('GET', docketRunsPath(':id'), 'look', 'Which charts of a docket run otherwise than they say'),
  at('GET', docketShelvesPath(':id'), 'look', 'What lies on shelves of the garments of a docket'),
  at('GET', docketStockPath(':id'), 'look', 'What the stores have for the garments of a docket'),
  at('GET', STORES.rooms, 'look', 'The store rooms'),
  at('PUT', one(STORES.rooms), 'correct-stock', 'Keep a store room'),
  at('GET', STORES.keeping, 'look', 'How garments are kept in the stores'),
  at('PUT', one(STORES.keeping), 'correct-stock', 'Say how a garment is kept'),
  at('GET', STORES.table, 'keep-stock', 'What lies in the stores, as a table'),
  at('GET', STORES.stock, 'look', 'What lies in the stores'),
  at('GET', one(STORES.articles), 'look', 'An article, and what happened to it'),
  at(
    'PUT',
    one(STORES.articles),
    'keep-stock',
    'How many of an article are to lie there, and its maker’s code',
  ),
  at('GET', stockLabelsPath(':id'), 'keep-stock', 'Labels for what lies in the stores'),
  at('PUT', renamedPath(':id'), 'correct-stock', 'Say what an article is called by now'),
  at('PUT', one(STORES.receipts), 'keep-stock', 'Take something in'),
  at('PUT', one(STORES.movements), 'keep-stock', 'Move something, or write it off'),
  at('GET', one(STORES.pieces), 'look', 'A numbered piece'),
  at('PUT', inspectionPath(':id', ':inspectionId'), 'keep-stock', 'Keep an inspection of a piece'),
  at('PUT', one(STORES.counts), 'keep-stock', 'Count what lies in a room'),
  at('PUT', countExplainedPath(':id'), 'correct-stock', 'Put right what a count found otherwise'),
  at('GET', scanPath(':id'), 'look', 'What a code stands for'),
  at('GET', STORES.warnings, 'look', 'What runs out, over or late'),
  at('GET', STORES.bookings, 'look', 'The calendar of what is hired'),
  at('GET', one(STORES.bookings), 'look', 'One booking of the calendar'),
  at('PUT', one(STORES.bookings), 'keep-stock', 'Book a piece, or take a booking back'),
  at('GET', STORES.putBy, 'look', 'What is kept for dockets'),
  at('PUT', one(STORES.putBy), 'keep-stock', 'Put something by for a docket'),
  at('PUT', putByCalledPath(':id'), 'keep-stock', 'Say that its wearer was told'),
  at('PUT', putBackPath(':id'), 'keep-stock', 'Put it back on the shelf'),
  at('GET', putByLabelsPath(':id'), 'keep-stock', 'Labels for what is kept for a docket'),
  at('GET', STORES.free, 'look', 'Which pieces are free for some days'),
  at('GET', STORES.needs, 'look', 'What is to be ordered'),
  at('GET', STORES.orders, 'look', 'The orders'),
  at('GET', orderFilePath(':id', 'json'), 'keep-stock', 'An order in its open form'),
  at('GET', orderFilePath(':id', 'csv'), 'keep-stock', 'The same as a table'),
  at('GET', one(STORES.orders), 'look', 'An order'),
  at('PUT', one(STORES.orders), 'keep-stock', 'Put an order together'),
  at('PUT', orderSentPath(':id'), 'keep-stock', 'Send an order to its maker'),
  at('PUT', orderAskedPath(':id'), 'keep-stock', 'Ask the maker how an order stands'),
  at('PUT', orderClosedPath(':id'), 'keep-stock', 'Wait no more for the rest of an order'),
  at('PUT', deliveryPath(':id', ':deliveryId'), 'keep-stock', 'Check off what came of an order'),
  at('GET', ROUTES.exceptions, 'look', 'The flags nobody has decided'),
  at('GET', ROUTES.protocols, 'look', 'The protocols'),
  at('PUT', one(ROUTES.protocols), 'keep-charts', 'Keep a protocol of one’s own'),
  at('GET', ROUTES.kits, 'look', 'The kits'),
  at('PUT', one(ROUTES.kits), 'keep-charts', 'Keep a kit'),
  at('DELETE', one(ROUTES.kits), 'keep-charts', 'Take a kit out'),
  at('PUT', one(ROUTES.selfLinks), 'measure', 'Make a link for measuring oneself'),
  at('GET', PATHS.selfLinks, 'measure', 'The links that stand'),
  at('DELETE', one(ROUTES.selfLinks), 'measure', 'Take a link back'),
  at('GET', deviceStreamPath(':device'), 'measure', 'What a tape sends from now on'),
  at('GET', PATHS.tapes, 'pair-tapes', 'The paired tapes'),
  at('PUT', one(PATHS.tapes), 'pair-tapes', 'Pair a tape: it gets a secret of its own'),
  at('DELETE', one(PATHS.tapes), 'pair-tapes', 'Let a tape in no more'),
  at('GET', PATHS.people, 'run-house', 'Who may sign in'),
  at('PUT', one(PATHS.people), 'run-house', 'Invite somebody, change or deactivate them'),
  at('POST', `${PATHS.people}/:id/code`, 'run-house', 'A one-time code for a new passphrase'),
  at('DELETE', `${PATHS.people}/:id/sessions`, 'run-house', 'End all sessions of somebody'),
  at('GET', PATHS.settings, 'self', 'The settings of the house'),
  at('PUT', PATHS.settings, 'run-house', 'Change them'),
];
