import { AUDIT_KINDS, type AuditEntry } from '@neat-measure/contract';
import { sayAgent } from '../house/say-role';
import { AUDIT_WORDS, sayAudit, sayChanges } from './say-audit';

const entry = (changes: Partial<AuditEntry>): AuditEntry => ({
  place: 1,
  at: '2026-05-04T08:00:00.000Z',
  by: { id: '019ca6b1-dc00-7cd2-98f5-f88eee58ad6a', name: 'Odalys Wren' },
  kind: 'signed-in',
  aboutKind: null,
  about: null,
  wearerId: null,
  detail: null,
  erased: false,
  ...changes,
});
const nameOf = (id: string) => (id === 'tiernan' ? 'Tiernan Oake' : null);

describe('the house log in words', () => {
  it('has a sentence for everything that is noted', () => {
    for (const kind of AUDIT_KINDS) {
      expect(AUDIT_WORDS[kind]).withContext(kind).toBeTruthy();
      expect(sayAudit(entry({ kind }), nameOf)).toMatch(/^[A-Z].*\.$/);
    }
  });

  it('says whom it was done to, from where, and what stood before and after', () => {
    expect(sayAudit(entry({ kind: 'code-given', about: 'tiernan' }), nameOf)).toBe(
      'Odalys Wren gave a one-time code: Tiernan Oake.',
    );
    const refused = entry({
      kind: 'sign-in-refused',
      by: null,
      about: 'tiernan',
      detail: { address: '10.0.0.7' },
    });
    expect(sayAudit(refused, nameOf)).toBe('Tiernan Oake was refused sign-in, from 10.0.0.7.');
    expect(sayAudit({ ...refused, about: null }, nameOf)).toBe(
      'An unknown user was refused sign-in, from 10.0.0.7.',
    );
    expect(sayAudit(entry({ kind: 'link-used', by: null }), nameOf)).toContain(
      'A wearer submitted measurements',
    );
    const detail = {
      before: { idleMinutes: 480, version: 1, secondFactorFor: [] },
      after: { idleMinutes: 120, version: 2, secondFactorFor: [], keepErasedBodies: true },
    };
    expect(sayChanges(entry({ kind: 'settings-kept', detail }))).toEqual([
      'idle minutes: 480 → 120',
      'keep erased bodies: true',
    ]);
    expect(sayChanges(entry({}))).toEqual([]);
    expect(sayChanges(entry({ detail: { after: { name: 'x'.repeat(100) } } }))[0]!.length).toBeLessThan(80);
  });
});

describe('a browser in words', () => {
  it('is named in a few', () => {
    const chrome =
      'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/150.0 Safari/537.36';
    expect([sayAgent(chrome), sayAgent('Mozilla/5.0 (Macintosh) Firefox/140.0'), sayAgent('')]).toEqual([
      'Chrome on Linux',
      'Firefox on a Mac',
      'A browser',
    ]);
  });
});
