import type { AuditEntry, AuditKind } from '@neat-measure/contract';

/** Each kind of thing that is noted, for a choice among them. */
export const AUDIT_WORDS: Readonly<Record<AuditKind, string>> = {
  'signed-in': 'signed in',
  'sign-in-refused': 'was not let in',
  'signed-out': 'signed out',
  'passphrase-set': 'set a passphrase',
  'code-given': 'gave a one-time code',
  'factor-on': 'turned a second factor on',
  'factor-off': 'took a second factor out',
  'bench-code-set': 'set a bench code',
  'bench-taken': 'took a bench over',
  'bench-given-back': 'gave a bench back',
  'sessions-ended': 'ended somebody’s sessions',
  'person-kept': 'kept somebody’s account',
  'settings-kept': 'changed the settings',
  'tape-paired': 'paired a tape',
  'tape-unpaired': 'let a tape in no more',
  'wearer-kept': 'kept a wearer',
  'wearer-looked-at': 'looked at a docket',
  'wearer-exported': 'wrote out what is kept of a wearer',
  'wearer-erased': 'erased a wearer',
  'stores-kept': 'changed something in the stores',
  'chart-kept': 'kept a chart',
  'chart-retired': 'took a chart from the shelf, or back onto it',
  'protocol-kept': 'kept a protocol',
  'kit-kept': 'kept a kit',
  'kit-dropped': 'took a kit out',
  'link-made': 'made a link for measuring oneself',
  'link-ended': 'took a link back',
  'link-used': 'measured themselves by a link',
  'letter-posted': 'put a sheet into the post',
};

/** Something that happened, as a sentence: who, what, and what of it. */
export function sayAudit(entry: AuditEntry, nameOf: (id: string) => string | null): string {
  const { by, kind, about, detail } = entry;
  const of = (detail ?? {}) as Record<string, unknown>;
  const who = by?.name ?? (kind === 'link-used' ? 'A wearer' : 'Somebody');
  const whom = about === null ? null : nameOf(about);
  switch (kind) {
    case 'sign-in-refused':
      return `${whom ?? 'Somebody unknown'} was not let in${tail(of['address'], 'from')}.`;
    case 'signed-in':
      return `${who} signed in${tail(of['address'], 'from')}.`;
    case 'person-kept':
    case 'code-given':
    case 'sessions-ended':
    case 'factor-off':
      return `${who} ${AUDIT_WORDS[kind]}${whom === null || whom === who ? '' : `: ${whom}`}.`;
    case 'chart-kept':
      return `${who} kept ${text(of['garment'], 'a chart')} of ${text(of['maker'], 'a maker')}, version ${text(of['version'], '')}.`;
    case 'letter-posted':
      return `${who} put the ${text(of['sheet'], 'sheet')} of a docket into the post${tail(of['to'], 'to')}.`;
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
