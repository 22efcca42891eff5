import {
  derivationSchema,
  kindOfStep,
  failure,
  success,
  writtenLengthSchema,
  type Derivation,
  type DerivationStep,
  type Outcome,
} from '@neat-measure/core';

/**
 * The chains of a maker's arithmetic as a form holds them: everything a text, so that what cannot be
 * read yet stays as it was typed. They become derivations once all of it can be read.
 */
export interface ChainText {
  /** The same for as long as the chain is the same. */
  readonly id: number;
  readonly code: string;
  readonly name: string;
  readonly steps: readonly StepText[];
}

/** One step of a chain. */
export interface StepText {
  readonly id: number;
  readonly do: DerivationStep['do'];
  /** What later steps call it by. */
  readonly as: string;
  /** By the name of the field: a measurement, an earlier step, another chain, a part’s size, or a length with its unit. */
  readonly operands: Readonly<Record<string, readonly string[]>>;
  /** What is written out: a factor, a limit, a step of rounding, rows, a reason. */
  readonly words: Readonly<Record<string, string>>;
}

/** A field of a kind of step. */
export interface StepField {
  readonly key: string;
  readonly words: string;
  /** How many operands it takes at least and at most; a text where there is none. */
  readonly takes: readonly [number, number] | null;
  /** How a text is written. */
  readonly like?: string;
  /** What it is chosen from. */
  readonly choices?: readonly { readonly label: string; readonly value: string }[];
}

const [ONE, TWO, SEVERAL] = [
  [1, 1],
  [2, 2],
  [2, 8],
] as const;
const ROUNDINGS = [
  { label: 'to the nearest', value: 'nearest' },
  { label: 'up to', value: 'up' },
  { label: 'down to', value: 'down' },
  { label: 'down to one that is offered', value: 'down-to-offered' },
];

/** What each kind of step is called and asks for. */
export const STEP_FORMS: Readonly<
  Record<DerivationStep['do'], { readonly words: string; readonly fields: readonly StepField[] }>
> = {
  reading: { words: 'take as it is', fields: [{ key: 'of', words: 'what', takes: ONE }] },
  add: { words: 'add', fields: [{ key: 'of', words: 'what', takes: SEVERAL }] },
  subtract: {
    words: 'subtract',
    fields: [
      { key: 'from', words: 'from', takes: ONE },
      { key: 'take', words: 'take', takes: ONE },
    ],
  },
  multiply: {
    words: 'multiply',
    fields: [
      { key: 'of', words: 'what', takes: ONE },
      { key: 'by', words: 'by', takes: null, like: '0.8' },
    ],
  },
  average: { words: 'mean of', fields: [{ key: 'of', words: 'what', takes: SEVERAL }] },
  difference: { words: 'how far apart', fields: [{ key: 'of', words: 'which two', takes: TWO }] },
  max: { words: 'largest of', fields: [{ key: 'of', words: 'what', takes: SEVERAL }] },
  lookup: {
    words: 'look up',
    fields: [
      { key: 'of', words: 'what', takes: ONE },
      { key: 'rows', words: 'up to = gives', takes: null, like: '30 in = 28 in; 34 in = 32 in' },
    ],
  },
  round: {
    words: 'round',
    fields: [
      { key: 'of', words: 'what', takes: ONE },
      { key: 'mode', words: 'which way', takes: null, choices: ROUNDINGS },
      { key: 'to', words: 'a whole, or the offered', takes: null, like: '1 in, or 12 in; 14 in; 16 in' },
    ],
  },
  clamp: {
    words: 'keep within',
    fields: [
      { key: 'of', words: 'what', takes: ONE },
      { key: 'least', words: 'at least', takes: null, like: '10 in' },
      { key: 'most', words: 'at most', takes: null, like: '16 in' },
    ],
  },
  require: {
    words: 'hold to be true',
    fields: [
      { key: 'of', words: 'what', takes: ONE },
      { key: 'least', words: 'is at least', takes: ONE },
      { key: 'because', words: 'because', takes: null, like: 'the back is the longer' },
    ],
  },
};

let last = 0;
/** An identity of its own, for a chain or a step. */
export const nextId = (): number => ++last;

/** The chains of a chart as texts. */
export function chainsOf(derivations: readonly Derivation[]): ChainText[] {
  return derivations.map(({ code, name, steps }) => ({ id: nextId(), code, name, steps: steps.map(textOf) }));
}

function textOf(step: DerivationStep): StepText {
  const written = { ...(kindOfStep(step).written?.(step) ?? step) } as Record<string, unknown>;
  const operands: Record<string, readonly string[]> = {};
  const words: Record<string, string> = {};
  for (const { key, takes } of STEP_FORMS[step.do].fields)
    if (takes !== null) operands[key] = [written[key]].flat() as string[];
    else words[key] = wordsOf(step.do, key, written);
  return { id: nextId(), do: step.do, as: step.as, operands, words };
}

function wordsOf(kind: DerivationStep['do'], key: string, written: Record<string, unknown>): string {
  if (kind === 'lookup')
    return (written['rows'] as { upTo: string; gives: string }[])
      .map(({ upTo, gives }) => `${upTo} = ${gives}`)
      .join('; ');
  if (kind === 'round') {
    const to = written['to'] as { mode: string; step?: string; offered?: string[] };
    return key === 'mode' ? to.mode : (to.step ?? to.offered!.join('; '));
  }
  return String(written[key] ?? '');
}

/** A step of another kind, with what can stay of what was said. */
export function asKind(step: StepText, kind: DerivationStep['do']): StepText {
  const operands = Object.values(step.operands).flat();
  const { fields } = STEP_FORMS[kind];
  let used = 0;
  return {
    ...step,
    do: kind,
    operands: Object.fromEntries(
      fields.flatMap(({ key, takes }) => {
        if (takes === null) return [];
        const own = operands.slice(used, used + takes[1]);
        used += own.length;
        return [[key, own]];
      }),
    ),
    words: Object.fromEntries(
      fields.flatMap(({ key, takes, choices }) =>
        takes === null ? [[key, step.words[key] ?? choices?.[0]?.value ?? '']] : [],
      ),
    ),
  };
}

/** What the chains make, or what keeps the first of them from it, by the place of chain and step (-1 for the chain itself). */
export function derivationsOf(
  chains: readonly ChainText[],
): Outcome<Derivation[], { readonly chain: number; readonly step: number; readonly words: string }> {
  const derivations: Derivation[] = [];
  for (const [chain, { code, name, steps }] of chains.entries()) {
    const lacking = steps.findIndex((step) => lackOf(step) !== null);
    if (lacking >= 0) return failure({ chain, step: lacking, words: lackOf(steps[lacking]!)! });
    const read = derivationSchema.safeParse({ code, name, steps: steps.map(written) });
    if (!read.success) {
      const [issue] = read.error.issues;
      const step = issue!.path[0] === 'steps' && typeof issue!.path[1] === 'number' ? issue!.path[1] : -1;
      const words = issue!.path[0] === 'name' ? 'Name the result, for example Front width.' : issue!.message;
      return failure({ chain, step, words });
    }
    derivations.push(read.data);
  }
  return success(derivations);
}

/** What a step still wants, in words; `null` where it wants nothing. */
function lackOf(step: StepText): string | null {
  for (const { key, words, takes, like, choices } of STEP_FORMS[step.do].fields) {
    if (takes !== null && (step.operands[key]?.length ?? 0) < takes[0])
      return takes[0] === 1 ? `Say ${words}.` : `Say ${words}: at least ${takes[0]}.`;
    const text = step.words[key]?.trim() ?? '';
    const mayLack = step.do === 'clamp';
    if (takes === null && choices === undefined && text === '' && !mayLack)
      return `Write “${words}”, such as ${like ?? ''}.`;
  }
  if (step.do === 'multiply' && !(Number(step.words['by']?.replace(',', '.')) > 0))
    return 'The factor is a number such as 0.8.';
  if (step.do === 'lookup' && !/^[^=;]+=[^=;]+(;[^=;]+=[^=;]+)*;?$/.test(step.words['rows']?.trim() ?? ''))
    return 'Write the rows such as 30 in = 28 in; 34 in = 32 in.';
  const unread = lengthsOf(step).find((one) => !writtenLengthSchema.safeParse(one).success);
  return unread === undefined
    ? null
    : `“${unread}” is not a length with a unit. Write, for example, 1 in or 97.5 cm.`;
}

/** The lengths a step is written with besides its operands. */
function lengthsOf({ do: kind, words }: StepText): string[] {
  const written =
    kind === 'clamp'
      ? [words['least'], words['most']]
      : kind === 'lookup'
        ? (words['rows'] ?? '').split(/[=;]/)
        : kind === 'round'
          ? (words['to'] ?? '').split(';')
          : [];
  return written.map((one) => one?.trim() ?? '').filter((one) => one !== '');
}

/** The step as a chart file writes it. */
function written({ do: kind, as, operands, words }: StepText): object {
  const taken = Object.fromEntries(
    STEP_FORMS[kind].fields.flatMap(({ key, takes }) =>
      takes === null ? [] : [[key, takes[1] === 1 ? operands[key]![0] : operands[key]]],
    ),
  );
  return { do: kind, as, ...taken, ...writtenWords(kind, words) };
}

function writtenWords(kind: DerivationStep['do'], words: StepText['words']): object {
  const list = (text = '') =>
    text
      .split(';')
      .map((one) => one.trim())
      .filter((one) => one !== '');
  switch (kind) {
    case 'multiply':
      return { by: Number(words['by']!.replace(',', '.')) };
    case 'clamp':
      return { least: words['least']?.trim() || null, most: words['most']?.trim() || null };
    case 'require':
      return { because: words['because'] };
    case 'lookup':
      return {
        rows: list(words['rows']).map((row) => {
          const [upTo = '', gives = ''] = row.split('=').map((one) => one.trim());
          return { upTo, gives };
        }),
      };
    case 'round':
      return {
        to:
          words['mode'] === 'down-to-offered'
            ? { mode: words['mode'], offered: list(words['to']) }
            : { mode: words['mode'], step: words['to']?.trim() },
      };
    default:
      return {};
  }
}

/** A code for a chain with that name that no other chain has. */
export function codeFor(name: string, taken: readonly string[]): string {
  const slug = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 30);
  const stem = `derived:${/^[a-z]/.test(slug) ? slug : `chain-${slug || 1}`}`;
  let code = stem;
  for (let count = 2; taken.includes(code); count++) code = `${stem}-${count}`;
  return code;
}

/** A name for the next step that the chain has not: what a file would call it by. */
export function nameFor(kind: string, taken: readonly string[]): string {
  let name = kind;
  for (let count = 2; taken.includes(name); count++) name = `${kind}-${count}`;
  return name;
}
