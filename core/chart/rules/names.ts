import type { ChartPart, ChartSheet } from '../chart-shape';
import { isDerivedCode, type ColumnCode } from '../column-code';
import { behindColumn, parsedSteps, type Derivation } from '../arithmetic/derivation';
import { isStepName } from '../arithmetic/operand';
import { isAlone, singleAmongIntervals } from './cells';
import { labelReadTwice } from '../label-reading';
import { named as valueNamed } from '../named';
import { about, rulesOf, type Found, type RuleCode } from './rule';

/**
 * What keeps the parts of a sheet from being one chart: names that point nowhere, lists of the
 * wrong length, parts and derivations in a circle. A sheet without these faults compiles.
 */
export const NAME_RULES = rulesOf(
  [
    'too-many-cells',
    'derived-twice',
    'step-named-as-measurement',
    'step-twice',
    'operand-unknown',
    'derived-later',
    'step-part-unknown',
    'step-part-without-values',
    'step-choice-unknown',
    'choice-twice',
    'choice-usual-unknown',
    'part-twice',
    'size-twice',
    'values-count',
    'names-count',
    'nothing-decides',
    'cells-count',
    'cells-mixed',
    'nominal-alone',
    'ease-upside-down',
    'column-twice',
    'not-derived',
    'part-needed-before',
    'offered-by-unknown',
    'offered-for-unknown',
    'offered-unknown',
    'nothing-offered',
    'key-missing',
    'key-unknown',
    'label-unknown',
    'label-leaves-out',
    'label-reads-twice',
    'combination-parts',
    'combination-unknown',
    'option-unknown',
    'check-part-unknown',
  ],
  (sheet) => [
    ...ofSize(sheet),
    ...sheet.derivations.flatMap((derivation, index) => ofDerivation(sheet, derivation, index)),
    ...sheet.parts.flatMap((part, index) => ofPart(sheet, part, index)),
    ...sheet.choices.flatMap((_, index) => ofChoice(sheet, index)),
    ...ofWhole(sheet),
  ],
);

/**
 * The most cells of a chart, and the most with those of a part counted for every outcome it is offered
 * for. Makers' charts have some hundreds; one far beyond would be sized by for seconds.
 */
const MOST_CELLS = 4_000;
const MOST_OFFERED_CELLS = 20_000;

function ofSize(sheet: ChartSheet): Found[] {
  const cells = sheet.parts.map(({ columns, sizes }) => columns.length * sizes.length);
  const offered = sheet.parts.map(
    ({ columns, offered: by }) => columns.length * Object.values(by?.sizes ?? {}).flat().length,
  );
  const sum = (counts: readonly number[]) => counts.reduce((all, one) => all + one, 0);
  const tooMany = (count: number, most: number) =>
    count > most ? [about(sheet, 'too-many-cells', ['parts'], [String(count), String(most)])] : [];
  return [
    ...tooMany(sum(cells), MOST_CELLS),
    ...tooMany(sum([...cells, ...offered]), MOST_OFFERED_CELLS),
  ].slice(0, 1);
}

function ofDerivation(sheet: ChartSheet, derivation: Derivation, index: number): Found[] {
  const at = ['derivations', index];
  const before = sheet.derivations.slice(0, index).map(({ code }) => code);
  const names = derivation.steps.map((step) => step.as);
  const found: Found[] = [];
  const tell = (code: RuleCode, path: Found['path'], ...labels: string[]) =>
    found.push(about(sheet, code, path, labels));
  if (before.includes(derivation.code)) tell('derived-twice', at, derivation.code);
  derivation.steps.forEach(({ as }, place) => {
    if (!isStepName(as)) tell('step-named-as-measurement', [...at, 'steps', place], as);
    if (names.indexOf(as) < place) tell('step-twice', [...at, 'steps', place], as);
  });
  for (const { step, operands } of parsedSteps(derivation))
    for (const { text, operand } of operands) {
      if (operand === null) tell('operand-unknown', at, step.as, text);
      // A derivation rests on earlier ones only, so that there is no circle.
      else if (operand.kind === 'derived' && !before.includes(operand.code))
        tell('derived-later', at, step.as, operand.code);
      else if (operand.kind === 'choice') {
        if (sheet.choices.every(({ code }) => code !== operand.choice))
          tell('step-choice-unknown', at, step.as, operand.choice);
      } else if (operand.kind === 'size-of') {
        const part = sheet.parts.find(({ code }) => code === operand.part);
        if (part === undefined) tell('step-part-unknown', at, step.as, operand.part);
        else if (part.values === null) tell('step-part-without-values', at, step.as, part.name);
      }
    }
  return found;
}

function ofChoice(sheet: ChartSheet, index: number): Found[] {
  const { code, name, ways, usual } = sheet.choices[index]!;
  const labels = ways.map(({ label }) => label);
  const twice = sheet.choices.findIndex((one) => one.code === code) < index;
  return [
    ...(twice || new Set(labels).size < labels.length
      ? [about(sheet, 'choice-twice', ['choices', index], [name])]
      : []),
    ...(labels.includes(usual)
      ? []
      : [about(sheet, 'choice-usual-unknown', ['choices', index, 'usual'], [name, usual])]),
  ];
}

function ofPart(sheet: ChartSheet, part: ChartPart, index: number): Found[] {
  const at = ['parts', index];
  const earlier = sheet.parts.slice(0, index).map(({ code }) => code);
  const found: Found[] = [];
  const tell = (code: RuleCode, path: Found['path'], ...labels: string[]) =>
    found.push(about(sheet, code, [...at, ...path], [part.name, ...labels], { part: part.code }));
  if (earlier.includes(part.code)) tell('part-twice', [], part.code);
  if (new Set(part.sizes).size < part.sizes.length) tell('size-twice', ['sizes']);
  if (part.values !== null && part.values.length !== part.sizes.length) tell('values-count', ['values']);
  for (const { system, labels } of part.otherNames)
    if (labels.length !== part.sizes.length) tell('names-count', ['otherNames'], system);
  if (part.columns.every(({ role }) => role !== 'deciding')) tell('nothing-decides', ['columns']);
  part.columns.forEach(({ code, cells, ease, standIns }, place) => {
    const path = ['columns', place];
    if (cells.length !== part.sizes.length) tell('cells-count', path, code);
    if (singleAmongIntervals(cells).length > 0) tell('cells-mixed', path, code);
    if (isAlone(cells) && ease === null) tell('nominal-alone', path, code);
    if (ease !== null && ease.least > ease.most) tell('ease-upside-down', [...path, 'ease'], code);
    if (part.columns.findIndex((one) => one.code === code) < place) tell('column-twice', path, code);
    for (const one of [code, ...standIns]) if (!isKnown(sheet, one)) tell('not-derived', path, one);
    for (const other of behindColumn(sheet.derivations, code).parts)
      if (!earlier.includes(other)) tell('part-needed-before', path, code, other);
  });
  if (part.offered !== null) {
    const { by: byCode, sizes } = part.offered;
    const by = sheet.parts.find(({ code }) => code === byCode);
    if (by === undefined || !earlier.includes(by.code)) tell('offered-by-unknown', ['offered'], byCode);
    else
      for (const [size, offered] of Object.entries(sizes)) {
        const path = ['offered', 'sizes', size];
        if (!by.sizes.includes(size)) tell('offered-for-unknown', path, size, by.name);
        if (offered.length === 0) tell('nothing-offered', path, size);
        const strange = offered.find((one) => !part.sizes.includes(one));
        if (strange !== undefined) tell('offered-unknown', path, strange);
      }
  }
  return found;
}

/** Sizes part by part, as they stand in a message. */
function sayReading(sizes: Readonly<Record<string, string>>): string {
  return Object.entries(sizes)
    .map(([code, size]) => `${code} ${size}`)
    .join(', ');
}

function ofWhole(sheet: ChartSheet): Found[] {
  const found: Found[] = [];
  const tell = (code: RuleCode, path: Found['path'], ...labels: string[]) =>
    found.push(about(sheet, code, path, labels));
  const sizesOf = (code: string) => sheet.parts.find((part) => part.code === code)?.sizes;
  const deciding = sheet.parts.flatMap(({ columns }) =>
    columns.filter(({ role }) => role === 'deciding').map(({ code }) => code),
  );
  if (sheet.rule === 'key-decides' && sheet.key === null) tell('key-missing', ['key']);
  if (sheet.key !== null && !deciding.includes(sheet.key)) tell('key-unknown', ['key']);
  if (sheet.label !== null) {
    const named = [...sheet.label.matchAll(/\{([^}]*)\}/g)].map((one) => one[1]!);
    const strange = named.find((code) => sizesOf(code) === undefined);
    if (strange !== undefined) tell('label-unknown', ['label'], strange);
    const left = sheet.parts.find((part) => !named.includes(part.code) && !isToldBy(sheet, part, named));
    if (left !== undefined) tell('label-leaves-out', ['label'], left.name);
  }
  const twice = labelReadTwice(sheet);
  if (twice !== null) tell('label-reads-twice', ['label'], twice.label, ...twice.readings.map(sayReading));
  sheet.combinations.forEach(({ parts: [first, second], made }, index) => {
    const path = ['combinations', index];
    const [firsts, seconds] = [sizesOf(first), sizesOf(second)];
    if (firsts === undefined || seconds === undefined || first === second) {
      tell('combination-parts', path, first, second);
      return;
    }
    for (const [size, others] of Object.entries(made)) {
      if (!firsts.includes(size)) tell('combination-unknown', path, size, first);
      const strange = others.find((one) => !seconds.includes(one));
      if (strange !== undefined) tell('combination-unknown', path, strange, second);
    }
  });
  sheet.options.forEach(({ when }, index) => {
    const strange = when.find(({ of }) => !isKnown(sheet, of));
    if (strange !== undefined) tell('option-unknown', ['options', index], strange.of);
  });
  sheet.fitChecks.forEach(({ answers = [] }, index) => {
    const strange = answers.find(
      ({ part }) => part !== undefined && sheet.parts.every(({ code }) => code !== part),
    );
    if (strange !== undefined) tell('check-part-unknown', ['fitChecks', index], strange.part!);
  });
  return found;
}

/**
 * Whether the size of a part is told by that of another in the label, which is offered for one size of it alone:
 * a cup `75B` is of the band 75.
 */
function isToldBy({ parts }: ChartSheet, { code, sizes }: ChartPart, named: readonly string[]): boolean {
  return parts.some(({ code: other, offered, sizes: own }) => {
    if (!named.includes(other) || offered?.by !== code) return false;
    const lists = sizes.map((size) => valueNamed(offered.sizes, size) ?? own);
    const all = lists.flat();
    return new Set(all).size === all.length;
  });
}

function isKnown(sheet: ChartSheet, code: ColumnCode): boolean {
  return !isDerivedCode(code) || sheet.derivations.some((one) => one.code === code);
}
