// What is said otherwise: the words that went, and the one that is said. In the interface first; the others follow it.

/** Folders whose strings are held to it; the words of makers' own tables, which the importer knows, are not ours. */
export const HELD = ['web/', 'core/', 'server/', 'contract/', 'cli/', 'demo/', 'tools/'];

export const NEVER = [
  { words: /\bkeep it so\b/i, say: 'Save' },
  { words: /\bdo it$/i, say: 'Save' },
  { words: /\b(?:put|puts|set) (?:it |what is listed )?right\b/i, say: 'correct' },
  { words: /\bchange hands\b/i, say: 'Switch fitter' },
  { words: /\bhouse log\b/i, say: 'Audit log' },
  { words: /\bwants doing\b/i, say: 'To do' },
  { words: /\bwait no more\b/i, say: 'Close order' },
  { words: /\bwhoever leads\b/i, say: 'a lead fitter' },
  { words: /\bnone of it\b/i, say: 'not part of the table' },
  { words: /\b(?:bring|brought|brings)\b/i, say: 'import' },
  { words: /\blies there\b|\blie there\b/i, say: 'in stock' },
  { words: /\bof that name\b/i, say: 'with that name' },
  { words: /\bFetching\b/, say: 'Loading' },
  { words: /\bsomebody\b/i, say: 'a wearer, a fitter, a user' },
  { words: /\bput by\b/i, say: 'reserved' },
  { words: /\bback on the shelf\b/i, say: 'return to shelf' },
];
