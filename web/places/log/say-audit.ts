import type { AuditEntry, AuditKind } from '@neat-measure/contract';

/** Each kind of thing that is noted, for a choice among them. */
export const AUDIT_WORDS: Readonly<Record<AuditKind, string>> = {
  'signed-in': 'signed in',
  'sign-in-refused': 'was refused sign-in',
  'signed-out': 'signed out',
  'passphrase-set': 'set a passphrase',
  'code-given': 'gave a one-time code',
  'factor-on': 'turned a second factor on',
  'factor-off': 'removed a second factor',
  'recovery-code-used': 'signed in with a recovery code',
  'bench-code-set': 'set a bench code',
  'bench-taken': 'switched a bench',
  'bench-given-back': 'returned a bench',
  'sessions-ended': 'ended a user’s sessions',
  'person-kept': 'saved an account',
  'settings-kept': 'changed the settings',
  'tape-paired': 'paired a tape',
  'tape-unpaired': 'unpaired a tape',
  'wearer-kept': 'saved a wearer',
  'wearers-imported': 'imported wearers',
  'muster-exported': 'exported the wearers of a muster',
  'muster-taken-along': 'took a muster along on a device',
  'slips-made': 'created slips for self-measuring',
  'wearer-looked-at': 'viewed a wearer’s measurements',
  'exceptions-looked-at': 'viewed the exceptions',
  'sizing-looked-at': 'viewed the sizes of a group',
  'wearer-exported': 'exported a wearer’s data',
  'wearer-erased': 'erased a wearer',
  'stores-kept': 'changed the stock',
  'chart-kept': 'saved a chart',
  'chart-retired': 'retired or reactivated a chart',
  'protocol-kept': 'saved a protocol',
  'kit-kept': 'saved a kit',
  'kit-dropped': 'deleted a kit',
  'link-made': 'created a self-measuring link',
  'link-ended': 'revoked a link',
  'link-used': 'submitted measurements by a link',
  'letter-posted': 'sent a sheet',
  'device-ended': 'ended a lost device',
  'device-erased': 'erased a lost device',
  'late-accepted': 'accepted a late change',
  'late-discarded': 'discarded a late change',
  'log-resealed': 'sealed the log anew',
};

/** Something that happened, as a sentence: who, what, and what of it. */
export function sayAudit(entry: AuditEntry, nameOf: (id: string) => string | null): string {
  const { by, kind, about, detail } = entry;
  const of = (detail ?? {}) as Record<string, unknown>;
  const who = by?.name ?? (kind === 'link-used' ? 'A wearer' : 'A user');
  const whom = about === null ? null : nameOf(about);
  switch (kind) {
    case 'log-resealed':
      return 'An update sealed the log anew.';
    case 'device-erased':
      return 'A device that was ended erased its data.';
    case 'sign-in-refused':
      return `${whom ?? 'An unknown user'} was refused sign-in${tail(of['address'], 'from')}.`;
    case 'signed-in':
      return `${who} signed in${tail(of['address'], 'from')}.`;
    case 'person-kept':
    case 'code-given':
    case 'sessions-ended':
    case 'factor-off':
      return `${who} ${AUDIT_WORDS[kind]}${whom === null || whom === who ? '' : `: ${whom}`}.`;
    case 'chart-kept':
      return `${who} saved ${text(of['garment'], 'a chart')} of ${text(of['maker'], 'a maker')}, version ${text(of['version'], '')}.`;
    case 'letter-posted':
      return `${who} sent the ${text(of['sheet'], 'sheet')} of a docket${tail(of['to'], 'to')}.`;
    case 'tape-paired':
    case 'tape-unpaired':
      return `${who} ${AUDIT_WORDS[kind]}: ${about ?? ''}.`;
    default:
      return `${who} ${AUDIT_WORDS[kind]}.`;
  }
}

function tail(value: unknown, word: string): string {
  return typeof value === 'string' && value !== '' ? `, ${word} ${value}` : '';
}

function text(value: unknown, instead: string): string {
  return typeof value === 'string' || typeof value === 'number' ? String(value) : instead;
}

/** What stood before and after, field by field, where something is told of both. */
export function sayChanges({ detail }: AuditEntry): string[] {
  const { before, after } = (detail ?? {}) as { before?: unknown; after?: unknown };
  if (typeof after !== 'object' || after === null) return [];
  const was = (before ?? {}) as Record<string, unknown>;
  return Object.entries(after).flatMap(([field, value]: [string, unknown]) => {
    const [from, to] = [JSON.stringify(was[field]), JSON.stringify(value)];
    if (from === to || field === 'version') return [];
    const name = field.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
    return [from === undefined ? `${name}: ${short(to)}` : `${name}: ${short(from)} → ${short(to)}`];
  });
}

const LONGEST = 60;

function short(json: string): string {
  const plain = json.replace(/^"|"$/g, '');
  return plain.length > LONGEST ? `${plain.slice(0, LONGEST)} …` : plain;
}
