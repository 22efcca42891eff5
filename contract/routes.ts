import type { MeasurementCode } from '@neat-measure/core';

/** Every route of the server, by what it is for. Paths with an id take it last. */
export const ROUTES = {
  /** GET: the server and its database answer. */
  health: '/api/health',
  /** GET who is signed in (`null` for nobody), POST to sign in, DELETE to sign out. */
  session: '/api/session',
  /** POST: what was done on dockets, by whoever holds the pen. */
  acts: '/api/acts',
  /** GET a part of the list; PUT one by id. */
  wearers: '/api/wearers',
  /** GET a part of the list of latest versions, or any version by id; PUT a version by id. */
  charts: '/api/charts',
  /** GET a part of the list, the latest first; GET one by id for the Bench. */
  dockets: '/api/dockets',
  /** PUT one by id: makes a link for the wearer of a docket. */
  selfLinks: '/api/self-links',
  /** POST: what tapes send, as lines of JSON in plain text. */
  deviceLines: '/api/devices/lines',
  /** GET all; PUT one's own by id. */
  protocols: '/api/protocols',
  /** GET all; PUT and DELETE one by id. */
  kits: '/api/kits',
  /** GET: the flags of all wearers that nobody has decided yet. */
  exceptions: '/api/exceptions',
  /** GET, with `codes`: the values that stand on the roll, without names. */
  bodies: '/api/bodies',
  /** GET a part of the list, the latest first; GET one by id. What is done on them goes with the acts. */
  musters: '/api/musters',
} as const;

/** The routes of who may enter, by what they are for. */
export const PATHS = {
  /** POST: the first account, while there is none. */
  firstRun: '/api/first-run',
  /** POST: a new passphrase for whoever has a one-time code. */
  takeCode: '/api/session/code',
  /** POST to take the bench over, DELETE to give it back. */
  hand: '/api/session/hand',
  /** GET who may take it over. */
  hands: '/api/session/hands',
  /** What is one's own: PUT. */
  passphrase: '/api/me/passphrase',
  benchCode: '/api/me/bench-code',
  preferences: '/api/me/preferences',
  /** POST begins, PUT confirms, DELETE takes out. */
  factor: '/api/me/second-factor',
  /** POST: new ones. */
  recoveryCodes: '/api/me/recovery-codes',
  /** GET one's own; DELETE one by id, or all others. */
  sessions: '/api/sessions',
  /** GET all; PUT one by id. */
  people: '/api/people',
  /** GET all; PUT and DELETE one by its name. */
  tapes: '/api/tapes',
  /** GET those that stand. */
  selfLinks: '/api/self-links',
  /** GET and PUT the settings of the house. */
  settings: '/api/settings',
  /** GET what was sent after its sign-in had ended, and waits; POST to accept or discard some of it. */
  late: '/api/late-changes',
  /** GET what was done without the server, and could not stand, for whoever asks; DELETE one by id once it was seen. */
  met: '/api/met',
  /** GET the devices that took a muster along; DELETE one by id to end it. */
  awayDevices: '/api/away-devices',
  /** POST: a device says that it is there, and hears what it must know. */
  deviceContact: '/api/away-devices/contact',
  /** PUT: a device that was ended says that it has erased what it had. */
  deviceErased: '/api/away-devices/erased',
  /** GET a part of what happened. */
  audit: '/api/audit',
} as const;

/** DELETE: signs out; `for-good` where nothing that was done on the device waits to be sent. */
export function signedOutPath(pens: 'for-good'): string {
  return `${ROUTES.session}?pens=${pens}`;
}

/** POST: a one-time code for somebody's passphrase. */
export function codeOfPersonPath(id: string): string {
  return `${PATHS.people}/${id}/code`;
}

/** DELETE: all sessions of somebody. */
export function sessionsOfPersonPath(id: string): string {
  return `${PATHS.people}/${id}/sessions`;
}

/** GET: what was done on a docket without the server, and could not stand. */
export function docketMetPath(id: string): string {
  return `${ROUTES.dockets}/${id}/met`;
}

/** GET: everything that is known of a wearer. */
export function wearerExportPath(id: string): string {
  return `${ROUTES.wearers}/${id}/export`;
}

/** GET: what erasing a wearer does not reach by itself. */
export function wearerErasingPath(id: string): string {
  return `${ROUTES.wearers}/${id}/erasing`;
}

/** GET: the same as a PDF. */
export function wearerExportSheetPath(id: string): string {
  return `${ROUTES.wearers}/${id}/export.pdf`;
}

/** GET: what a wearer's measurements were over time; as JSON, or with an ending as a table or on paper. */
export function wearerRecordPath(id: string, ending: '' | '.json' | '.csv' | '.pdf' = ''): string {
  return `${ROUTES.wearers}/${id}/record${ending}`;
}

/** The path of one thing. */
export function pathOf(route: string, id: string): string {
  return `${route}/${id}`;
}

/** GET: the values of some measurements, of everybody on the roll. */
export function bodiesPath(codes: readonly MeasurementCode[], groupId: string | null = null): string {
  const group = groupId === null ? '' : `&group=${groupId}`;
  return `${ROUTES.bodies}?codes=${codes.join()}${group}`;
}

/** The event on a docket's stream that tells of other habits of the house, by their version. */
export const HABITS_EVENT = 'habits';

/** GET, a stream: what is done on a muster. */
export function musterStreamPath(id: string): string {
  return `${ROUTES.musters}/${id}/stream`;
}

/** GET: all of a muster that a device takes along, to go on with where there is no network. */
export function musterPackPath(id: string): string {
  return `${ROUTES.musters}/${id}/pack`;
}

/** GET: everybody on a muster as rows of a table, with what was decided and issued. */
export function musterListPath(id: string): string {
  return `${ROUTES.musters}/${id}/list`;
}

/** POST: who the rows of a list are, of the wearers there are. Nothing is saved. */
export function musterMatchPath(id: string): string {
  return `${ROUTES.musters}/${id}/matches`;
}

/**
 * GET, with `of`: the sizings of a muster or a group; GET one by id, PUT begins one, DELETE ends one that runs, or takes it
 * out.
 */
export const SIZINGS = '/api/sizings';

/** POST: decides one garment alike on many dockets of a sizing. */
export function sizingDecisionsPath(id: string): string {
  return `${SIZINGS}/${id}/decisions`;
}

/** DELETE: takes back what was decided at once. */
export function sizingDecisionPath(id: string, decisionId: string): string {
  return `${sizingDecisionsPath(id)}/${decisionId}`;
}

/** POST: places everybody of a sizing by what there is; nothing is decided by it. */
export function sizingPlacingPath(id: string): string {
  return `${SIZINGS}/${id}/placing`;
}

/** GET: the table of a sizing as a PDF, group by group, as far as its query wants it (`sizingSheetQuerySchema`). */
export function sizingSheetPath(id: string): string {
  return `${SIZINGS}/${id}/sheet.pdf`;
}

/** GET, a stream: how far a sizing is. */
export function sizingStreamPath(id: string): string {
  return `${SIZINGS}/${id}/stream`;
}

/** GET all; GET one's wearers, and PUT one, by id. */
export const GROUPS = '/api/groups';

/** GET: what columns of lists were said to be, by the words of their headings. */
export const LIST_HEADINGS = '/api/list-headings';

/** PUT: a list of wearers onto a muster. */
export function musterImportPath(id: string): string {
  return `${ROUTES.musters}/${id}/people`;
}

/** GET, with `ids`: who some wearers of a muster are. */
export function musterWearersPath(id: string): string {
  return `${ROUTES.musters}/${id}/wearers`;
}

/** POST: slips or letters for measuring oneself. */
export function musterSlipsPath(id: string): string {
  return `${ROUTES.musters}/${id}/slips`;
}

/** POST: whose a slip is that was scanned. */
export function musterSlipPath(id: string): string {
  return `${ROUTES.musters}/${id}/slip`;
}

/** GET: who was asked to measure themselves, and what came of it. */
export function musterAskedPath(id: string): string {
  return `${ROUTES.musters}/${id}/asked`;
}

/** POST: what to order before anybody is measured. Nothing is saved. */
export function musterOrderAheadPath(id: string): string {
  return `${ROUTES.musters}/${id}/order-ahead`;
}

/** GET what is to be fetched for those who are decided, POST to reserve all of it. */
export function musterPicksPath(id: string): string {
  return `${ROUTES.musters}/${id}/picks`;
}

/** GET: labels for everything that is reserved for a muster. */
export function musterParcelsPath(id: string): string {
  return `${ROUTES.musters}/${id}/parcels.pdf`;
}

/** GET: the verdicts on a docket. */
export function verdictsPath(docketId: string): string {
  return `${ROUTES.dockets}/${docketId}/verdicts`;
}

/** GET: the steps of a docket as a PDF to be printed and filled in by hand. */
export function sheetPath(docketId: string): string {
  return `${ROUTES.dockets}/${docketId}/sheet.pdf`;
}

/** GET: every version of the chart that a version belongs to, the newest first. */
export function chartVersionsPath(chartId: string): string {
  return `${ROUTES.charts}/${chartId}/versions`;
}

/** GET: a version as a PDF. */
export function chartSheetPath(chartId: string): string {
  return `${ROUTES.charts}/${chartId}/sheet.pdf`;
}

/** PUT: retires a chart, or restores it. */
export function chartRetiredPath(chartId: string): string {
  return `${ROUTES.charts}/${chartId}/retired`;
}

/** GET: where a version is used. */
export function chartUsesPath(chartId: string): string {
  return `${ROUTES.charts}/${chartId}/uses`;
}

/** GET: the sizes of a docket on one page, for the wearer and the stores. */
export function sizesSheetPath(docketId: string): string {
  return `${ROUTES.dockets}/${docketId}/sizes.pdf`;
}

/** GET: labels for the parcels and hangers of a docket. */
export function labelsPath(docketId: string): string {
  return `${ROUTES.dockets}/${docketId}/labels.pdf`;
}

/** GET: the form with which one garment of a docket is ordered of its maker. */
export function orderFormPath(docketId: string, chartId: string): string {
  return `${ROUTES.dockets}/${docketId}/order/${chartId}`;
}

/** PUT: one letter of a docket into the simulated post. */
export function letterPath(docketId: string, letterId: string): string {
  return `${ROUTES.dockets}/${docketId}/letters/${letterId}`;
}

/** GET: how the garments of a chart run, by those that were tried on. */
export function chartRunsPath(chartId: string): string {
  return `${ROUTES.charts}/${chartId}/runs`;
}

/** GET: the charts of a docket that run otherwise than they say. */
export function docketRunsPath(docketId: string): string {
  return `${ROUTES.dockets}/${docketId}/runs`;
}

/** GET: what is done on a docket from now on, as server-sent events. */
export function docketStreamPath(docketId: string): string {
  return `${ROUTES.dockets}/${docketId}/stream`;
}

/** GET: what one tape sends from now on, as server-sent events. */
export function deviceStreamPath(device: string): string {
  return `/api/devices/${device}/stream`;
}

/** GET the sheet of a link, PUT what was measured; without a session, the token is the key. */
export function selfPath(token: string): string {
  return `/api/self/${token}`;
}
