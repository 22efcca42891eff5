import { ACT_CAPABILITIES, ACT_CAPABILITY_WORDS, MUSTER_CAPABILITY_WORDS } from '@neat-measure/core';
import {
  chartRetiredPath,
  chartRunsPath,
  chartSheetPath,
  chartUsesPath,
  chartVersionsPath,
  deviceStreamPath,
  docketMetPath,
  docketRunsPath,
  docketStreamPath,
  GROUPS,
  LIST_HEADINGS,
  labelsPath,
  letterPath,
  musterAskedPath,
  musterImportPath,
  musterListPath,
  musterMatchPath,
  musterOrderAheadPath,
  musterPackPath,
  musterParcelsPath,
  musterPicksPath,
  musterSlipPath,
  musterSlipsPath,
  musterStreamPath,
  musterWearersPath,
  orderFormPath,
  PATHS,
  ROUTES,
  selfPath,
  sheetPath,
  sizesSheetPath,
  SIZINGS,
  sizingDecisionPath,
  sizingDecisionsPath,
  sizingPlacingPath,
  sizingSheetPath,
  sizingStreamPath,
  verdictsPath,
  wearerErasingPath,
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
  reservedCalledPath,
  reservedLabelsPath,
  renamedPath,
  scanPath,
  stockLabelsPath,
  STORES,
} from './stores/paths';

/** What somebody can be trusted with, and how that stands in a sentence: "Your role does not let you measure people." */
export const CAPABILITIES = {
  ...ACT_CAPABILITY_WORDS,
  look: 'view wearers, dockets, charts and stores',
  'keep-wearers': 'add and edit wearers',
  'keep-stock': 'receive, move, count, hire out and order garments',
  'correct-stock': 'correct the stock and edit storage rules',
  'keep-charts': 'edit charts, protocols and kits',
  ...MUSTER_CAPABILITY_WORDS,
  'accept-late': 'accept changes that were sent after their sign-in had ended',
  'answer-wearers': 'export everything that is kept about a wearer',
  'pair-tapes': 'pair tapes',
  'run-house': 'administer the house: accounts, settings, audit log and erasing',
} as const satisfies Readonly<Record<string, string>>;
export type Capability = keyof typeof CAPABILITIES;

const CLERK = ['look', 'hand-over', 'keep-stock', 'work-muster'] as const satisfies Capability[];
const FITTER = [...CLERK, 'keep-wearers', 'measure', 'decide'] as const satisfies Capability[];
const LEAD = [
  ...FITTER,
  'correct-stock',
  'keep-charts',
  'lead-muster',
  'accept-late',
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
  at('GET', ROUTES.health, 'anyone', 'Check that server and database answer'),
  at('GET', ROUTES.session, 'anyone', 'Show who is signed in, and whether an account exists'),
  at('POST', ROUTES.session, 'anyone', 'Sign in'),
  at('DELETE', ROUTES.session, 'anyone', 'Sign out'),
  at('POST', PATHS.firstRun, 'anyone', 'Create the first account'),
  at('POST', PATHS.takeCode, 'anyone', 'Set a passphrase with a one-time code'),
  at('POST', PATHS.hand, 'self', 'Switch fitter with a bench code'),
  at('DELETE', PATHS.hand, 'self', 'Switch back to the fitter who signed in'),
  at('GET', PATHS.hands, 'self', 'List fitters who can switch at this bench'),
  at('PUT', PATHS.passphrase, 'self', 'Change your own passphrase'),
  at('PUT', PATHS.benchCode, 'self', 'Set or remove your own bench code'),
  at('POST', PATHS.factor, 'self', 'Start setting up your own second factor'),
  at('PUT', PATHS.factor, 'self', 'Confirm the second factor with its first code'),
  at('DELETE', PATHS.factor, 'self', 'Remove the second factor'),
  at('POST', PATHS.recoveryCodes, 'self', 'Get new recovery codes'),
  at('PUT', PATHS.preferences, 'self', 'Change your own unit, speech and text size'),
  at('GET', PATHS.sessions, 'self', 'List your own sessions'),
  at('DELETE', one(PATHS.sessions), 'self', 'End one of your own sessions'),
  at('DELETE', PATHS.sessions, 'self', 'End all of your other sessions'),
  at('POST', ROUTES.acts, 'pen', 'Save acts on dockets and musters, by the fitter at the bench'),
  at('GET', PATHS.late, 'accept-late', 'List changes that were sent after their sign-in had ended'),
  at('POST', PATHS.late, 'accept-late', 'Accept or discard them'),
  at('GET', PATHS.met, 'look', 'List what met other changes, for the user who asks'),
  at('DELETE', one(PATHS.met), 'look', 'Confirm it was seen'),
  at('GET', docketMetPath(':id'), 'look', 'List what met other changes on a docket'),
  at('GET', PATHS.awayDevices, 'accept-late', 'List devices that took a muster along'),
  at('DELETE', one(PATHS.awayDevices), 'accept-late', 'End a lost device'),
  at('POST', PATHS.deviceContact, 'anyone', 'Let a device say what waits on it'),
  at('PUT', PATHS.deviceErased, 'anyone', 'Let an ended device say it has erased its data'),
  at('GET', selfPath(':token'), 'link', 'Show the self-measuring page of a link'),
  at('PUT', selfPath(':token'), 'link', 'Send the wearer’s own readings'),
  at('POST', ROUTES.deviceLines, 'tape', 'Send readings from a paired tape'),
  at('GET', ROUTES.wearers, 'look', 'List wearers'),
  at('PUT', one(ROUTES.wearers), 'keep-wearers', 'Add or edit a wearer'),
  at('GET', wearerExportPath(':id'), 'answer-wearers', 'Export everything about a wearer as a file'),
  at('GET', wearerExportSheetPath(':id'), 'answer-wearers', 'Export everything about a wearer as PDF'),
  at('GET', wearerRecordPath(':id'), 'look', 'Show a wearer’s record'),
  at('GET', wearerRecordPath(':id', '.json'), 'measure', 'Export a record as JSON'),
  at('GET', wearerRecordPath(':id', '.csv'), 'measure', 'Export as a table'),
  at('GET', wearerRecordPath(':id', '.pdf'), 'measure', 'Export a record as PDF, with the figure'),
  at('GET', wearerErasingPath(':id'), 'run-house', 'Show what erasing a wearer does not reach'),
  at('DELETE', one(ROUTES.wearers), 'run-house', 'Erase a wearer'),
  at('GET', PATHS.audit, 'run-house', 'Show the audit log'),
  at('GET', ROUTES.bodies, 'look', 'List wearers’ values, without names'),
  at('GET', ROUTES.charts, 'look', 'List charts'),
  at('GET', one(ROUTES.charts), 'look', 'Show a chart'),
  at('GET', chartVersionsPath(':id'), 'look', 'List versions of a chart'),
  at('GET', chartSheetPath(':id'), 'look', 'Print a chart'),
  at('GET', chartUsesPath(':id'), 'look', 'Show where a chart is used'),
  at('GET', chartRunsPath(':id'), 'look', 'Show how a chart’s garments run'),
  at('PUT', one(ROUTES.charts), 'keep-charts', 'Save a chart, or a version of it'),
  at('PUT', chartRetiredPath(':id'), 'keep-charts', 'Retire a chart, or restore it'),
  at('GET', ROUTES.dockets, 'look', 'List dockets'),
  at('GET', one(ROUTES.dockets), 'look', 'Show a docket'),
  at('GET', docketStreamPath(':id'), 'look', 'Follow changes on a docket'),
  at('GET', sheetPath(':id'), 'look', 'Print the steps of a docket'),
  at('GET', sizesSheetPath(':id'), 'hand-over', 'Print the sizes of a docket'),
  at('GET', labelsPath(':id'), 'hand-over', 'Print parcel labels of a docket'),
  at('GET', orderFormPath(':id', ':chartId'), 'hand-over', 'Print the order form of a garment'),
  at('PUT', letterPath(':id', ':letterId'), 'hand-over', 'Send a sheet of a docket by mail'),
  at('GET', ROUTES.musters, 'look', 'List musters'),
  at('GET', one(ROUTES.musters), 'look', 'Show a muster'),
  at('GET', musterListPath(':id'), 'lead-muster', 'Export the wearers of a muster as a table'),
  at('GET', musterPackPath(':id'), 'work-muster', 'Take a muster along on a device'),
  at('POST', musterMatchPath(':id'), 'lead-muster', 'Look up the rows of a list among the wearers'),
  at('PUT', musterImportPath(':id'), 'lead-muster', 'Import a list of wearers to a muster'),
  at('POST', musterSlipsPath(':id'), 'lead-muster', 'Create slips for measuring oneself'),
  at('GET', musterAskedPath(':id'), 'work-muster', 'Show who has measured themselves'),
  at('POST', musterSlipPath(':id'), 'work-muster', 'Find whose a slip is'),
  at('GET', musterPicksPath(':id'), 'work-muster', 'List what to fetch for a muster'),
  at('POST', musterPicksPath(':id'), 'keep-stock', 'Reserve what is fetched for a muster'),
  at('GET', musterParcelsPath(':id'), 'hand-over', 'Print labels of what is reserved for a muster'),
  at('POST', musterOrderAheadPath(':id'), 'lead-muster', 'Work out an order before the tape'),
  at('GET', SIZINGS, 'look', 'List the sizings of a muster or a group'),
  at('GET', one(SIZINGS), 'look', 'Show the sizes of a muster or a group'),
  at('PUT', one(SIZINGS), 'lead-muster', 'Size a muster or a group'),
  at('DELETE', one(SIZINGS), 'lead-muster', 'Cancel or delete a sizing'),
  at('POST', sizingDecisionsPath(':id'), 'decide', 'Decide a garment alike on many dockets'),
  at('DELETE', sizingDecisionPath(':id', ':decisionId'), 'decide', 'Undo what was decided on many dockets'),
  at('POST', sizingPlacingPath(':id'), 'look', 'Place everybody by what is in stock'),
  at('GET', sizingSheetPath(':id'), 'look', 'Print the sizes of a muster or a group'),
  at('GET', sizingStreamPath(':id'), 'look', 'Follow a sizing'),
  at('GET', GROUPS, 'look', 'List groups of wearers'),
  at('GET', one(GROUPS), 'look', 'Show the wearers of a group'),
  at('PUT', one(GROUPS), 'lead-muster', 'Save a group of wearers'),
  at('GET', LIST_HEADINGS, 'lead-muster', 'List what columns of lists were said to be'),
  at('GET', musterStreamPath(':id'), 'look', 'Follow changes on a muster'),
  at('GET', musterWearersPath(':id'), 'look', 'Show who some wearers of a muster are'),
  at('GET', verdictsPath(':id'), 'look', 'Show the verdicts on a docket'),
  at('GET', docketRunsPath(':id'), 'look', 'Show which charts of a docket run small or large'),
  at('GET', docketShelvesPath(':id'), 'look', 'Count the stock for the garments of a docket'),
  at('GET', docketStockPath(':id'), 'look', 'Show the stock for the garments of a docket'),
  at('GET', STORES.rooms, 'look', 'List rooms'),
  at('PUT', one(STORES.rooms), 'correct-stock', 'Save a room'),
  at('GET', STORES.keeping, 'look', 'List storage rules'),
  at('PUT', one(STORES.keeping), 'correct-stock', 'Save a storage rule'),
  at('GET', STORES.table, 'keep-stock', 'Export the stock as a table'),
  at('GET', STORES.stock, 'look', 'List the stock'),
  at('GET', one(STORES.articles), 'look', 'Show an article and its history'),
  at('PUT', one(STORES.articles), 'keep-stock', 'Edit an article’s minimum and maker’s code'),
  at('GET', stockLabelsPath(':id'), 'keep-stock', 'Print labels for stock'),
  at('PUT', renamedPath(':id'), 'correct-stock', 'Rename an article'),
  at('PUT', one(STORES.receipts), 'keep-stock', 'Add to stock'),
  at('PUT', one(STORES.movements), 'keep-stock', 'Move stock, or write it off'),
  at('GET', one(STORES.pieces), 'look', 'Show a numbered piece'),
  at('PUT', inspectionPath(':id', ':inspectionId'), 'keep-stock', 'Save an inspection of a piece'),
  at('PUT', one(STORES.counts), 'keep-stock', 'Save a stock count'),
  at('PUT', countExplainedPath(':id'), 'correct-stock', 'Correct the stock after a count'),
  at('GET', scanPath(':id'), 'look', 'Look up a code'),
  at('GET', STORES.warnings, 'look', 'List what needs attention in the stores'),
  at('GET', STORES.bookings, 'look', 'Show the hire calendar'),
  at('GET', one(STORES.bookings), 'look', 'Show a booking'),
  at('PUT', one(STORES.bookings), 'keep-stock', 'Book a piece, or cancel a booking'),
  at('GET', STORES.reserved, 'look', 'List garments reserved for dockets'),
  at('PUT', one(STORES.reserved), 'keep-stock', 'Reserve a garment for a docket'),
  at('PUT', reservedCalledPath(':id'), 'keep-stock', 'Note that the wearer was told'),
  at('PUT', putBackPath(':id'), 'keep-stock', 'Return it to the shelf'),
  at('GET', reservedLabelsPath(':id'), 'keep-stock', 'Print labels for a docket’s reserved garments'),
  at('GET', STORES.free, 'look', 'List pieces that are free on some days'),
  at('GET', STORES.needs, 'look', 'List what is to be ordered'),
  at('GET', STORES.orders, 'look', 'List orders'),
  at('GET', orderFilePath(':id', 'json'), 'keep-stock', 'Export an order as JSON'),
  at('GET', orderFilePath(':id', 'csv'), 'keep-stock', 'Export as a table'),
  at('GET', one(STORES.orders), 'look', 'Show an order'),
  at('PUT', one(STORES.orders), 'keep-stock', 'Create an order'),
  at('PUT', orderSentPath(':id'), 'keep-stock', 'Send an order to its maker'),
  at('PUT', orderAskedPath(':id'), 'keep-stock', 'Ask the maker about an order'),
  at('PUT', orderClosedPath(':id'), 'keep-stock', 'Close an order'),
  at('PUT', deliveryPath(':id', ':deliveryId'), 'keep-stock', 'Check a delivery'),
  at('GET', ROUTES.exceptions, 'look', 'List exceptions'),
  at('GET', ROUTES.protocols, 'look', 'List protocols'),
  at('PUT', one(ROUTES.protocols), 'keep-charts', 'Save a protocol of the house'),
  at('GET', ROUTES.kits, 'look', 'List kits'),
  at('PUT', one(ROUTES.kits), 'keep-charts', 'Save a kit'),
  at('DELETE', one(ROUTES.kits), 'keep-charts', 'Delete a kit'),
  at('PUT', one(ROUTES.selfLinks), 'measure', 'Create a self-measuring link'),
  at('GET', PATHS.selfLinks, 'measure', 'List self-measuring links'),
  at('DELETE', one(ROUTES.selfLinks), 'measure', 'Withdraw a link'),
  at('GET', deviceStreamPath(':device'), 'measure', 'Follow a tape’s readings'),
  at('GET', PATHS.tapes, 'pair-tapes', 'List paired tapes'),
  at('PUT', one(PATHS.tapes), 'pair-tapes', 'Pair a tape, which gets its own secret'),
  at('DELETE', one(PATHS.tapes), 'pair-tapes', 'Unpair a tape'),
  at('GET', PATHS.people, 'run-house', 'List users'),
  at('PUT', one(PATHS.people), 'run-house', 'Invite a user, or edit, deactivate or reactivate one'),
  at('POST', `${PATHS.people}/:id/code`, 'run-house', 'Create a one-time code for a new passphrase'),
  at('DELETE', `${PATHS.people}/:id/sessions`, 'run-house', 'End all sessions of a user'),
  at('GET', PATHS.settings, 'self', 'Show settings'),
  at('PUT', PATHS.settings, 'run-house', 'Save settings'),
];
