import { isDerivedCode, type ColumnCode } from './column-code';
import { behindColumn, parsedSteps, type Derivation } from './derivation';
import { isStepName } from './operand';
import type { ChartSheet } from './chart-shape';

/** Where in a sheet something does not go together, and what to do about it. */
export interface SheetFault {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/**
 * What keeps the parts of a sheet from being one chart: names that point nowhere, lists of the
 * wrong length, parts and derivations in a circle. A sheet without these faults compiles.
 */
export function faultsOfSheet(sheet: ChartSheet): SheetFault[] {
  return [
    ...sheet.derivations.flatMap((derivation, index) => faultsOfDerivation(sheet, derivation, index)),
    ...sheet.parts.flatMap((_, index) => faultsOfPart(sheet, index)),
    ...faultsOfWhole(sheet),
  ];
}

function faultsOfDerivation(sheet: ChartSheet, derivation: Derivation, index: number): SheetFault[] {
  const at = ['derivations', index];
  const before = sheet.derivations.slice(0, index).map(({ code }) => code);
  const faults: SheetFault[] = [];
  if (before.includes(derivation.code))
    faults.push({ path: at, message: `${derivation.code} is derived twice. Rename one.` });
  const names = derivation.steps.map((step) => step.as);
  derivation.steps.forEach((step, place) => {
    if (!isStepName(step.as))
      faults.push({
        path: [...at, 'steps', place],
        message: `“${step.as}” is the name of a measurement. Name the step otherwise.`,
      });
    if (names.indexOf(step.as) < place)
      faults.push({
        path: [...at, 'steps', place],
        message: `Two steps are named “${step.as}”. Rename one.`,
      });
  });
  for (const { step, text, operand } of parsedSteps(derivation).flatMap(({ step, operands }) =>
    operands.map((one) => ({ step, ...one })),
  )) {
    const wrong = (message: string) => faults.push({ path: at, message: `Step “${step.as}”: ${message}` });
    if (operand === null) wrong(`“${text}” is no measurement, no earlier step, and no length with a unit.`);
    // A derivation rests on earlier ones only, so that there is no circle.
    else if (operand.kind === 'derived' && !before.includes(operand.code))
      wrong(`${operand.code} is not derived before it.`);
    else if (operand.kind === 'size-of') {
      const part = sheet.parts.find(({ code }) => code === operand.part);
      if (part === undefined) wrong(`there is no part “${operand.part}”.`);
      else if (part.values === null) wrong(`the sizes of ${part.name} have no values to reckon with.`);
    }
  }
  return faults;
}

function faultsOfPart(sheet: ChartSheet, index: number): SheetFault[] {
  const part = sheet.parts[index]!;
  const at = ['parts', index];
  const earlier = sheet.parts.slice(0, index).map(({ code }) => code);
  const faults: SheetFault[] = [];
  const wrong = (message: string, ...path: (string | number)[]) =>
    faults.push({ path: [...at, ...path], message: `${part.name}: ${message}` });
  if (earlier.includes(part.code)) wrong(`two parts are named “${part.code}”. Rename one.`);
  if (new Set(part.sizes).size < part.sizes.length) wrong('a size stands there twice. Rename one.', 'sizes');
  if (part.values !== null && part.values.length !== part.sizes.length)
    wrong('it needs one value a size.', 'values');
  for (const { system, labels } of part.otherNames)
    if (labels.length !== part.sizes.length) wrong(`${system} needs one label a size.`, 'otherNames');
  if (part.columns.every(({ role }) => role !== 'deciding')) wrong('no measurement decides it.', 'columns');
  part.columns.forEach((column, place) => {
    if (column.cells.length !== part.sizes.length)
      wrong(`${column.code} needs one cell a size.`, 'columns', place);
    const nominal = column.cells.filter(({ kind }) => kind === 'nominal').length;
    if (nominal > 0 && nominal < column.cells.length)
      wrong(`${column.code} mixes single values and intervals. Write both ends of each.`, 'columns', place);
    if (nominal === 1 && column.ease === null)
      wrong(
        `how far the only value of ${column.code} reaches is unknown. Write both its ends.`,
        'columns',
        place,
      );
    if (column.ease !== null && column.ease.least > column.ease.most)
      wrong(`the ease of ${column.code} is upside down.`, 'columns', place, 'ease');
    if (part.columns.findIndex(({ code }) => code === column.code) < place)
      wrong(`${column.code} stands there twice.`, 'columns', place);
    for (const code of [column.code, ...column.standIns])
      if (!isKnown(sheet, code)) wrong(`${code} is not derived in this chart.`, 'columns', place);
    for (const other of behindColumn(sheet.derivations, column.code).parts)
      if (!earlier.includes(other))
        wrong(`${column.code} needs the part “${other}”, which must stand before it.`, 'columns', place);
  });
  if (part.offered !== null) {
    const by = sheet.parts.find(({ code }) => code === part.offered!.by);
    if (by === undefined || !earlier.includes(by.code))
      wrong(`what it offers goes by “${part.offered.by}”, which must be a part before it.`, 'offered');
    else
      for (const [size, offered] of Object.entries(part.offered.sizes)) {
        if (!by.sizes.includes(size)) wrong(`“${size}” is no size of ${by.name}.`, 'offered', 'sizes', size);
        const strange = offered.find((one) => !part.sizes.includes(one));
        if (strange !== undefined)
          wrong(`“${strange}” is offered and is no size of it.`, 'offered', 'sizes', size);
      }
  }
  return faults;
}

function faultsOfWhole(sheet: ChartSheet): SheetFault[] {
  const faults: SheetFault[] = [];
  const sizesOf = (code: string) => sheet.parts.find((part) => part.code === code)?.sizes;
  const deciding = sheet.parts.flatMap(({ columns }) =>
    columns.filter(({ role }) => role === 'deciding').map(({ code }) => code),
  );
  if (sheet.rule === 'key-decides' && sheet.key === null)
    faults.push({ path: ['key'], message: 'Choose the measurement that decides.' });
  if (sheet.key !== null && !deciding.includes(sheet.key))
    faults.push({
      path: ['key'],
      message: 'The measurement that decides is no deciding column of this chart. Choose one of its columns.',
    });
  if (sheet.label !== null) {
    const named = [...sheet.label.matchAll(/\{([^}]*)\}/g)].map((found) => found[1]!);
    const strange = named.find((code) => sizesOf(code) === undefined);
    if (strange !== undefined)
      faults.push({ path: ['label'], message: `The label names “${strange}”, which is no part.` });
    const left = sheet.parts.find(({ code }) => !named.includes(code));
    if (left !== undefined)
      faults.push({
        path: ['label'],
        message: `The label leaves out ${left.name}; two sizes would look alike.`,
      });
  }
  sheet.combinations.forEach(({ parts: [first, second], made }, index) => {
    const path = ['combinations', index];
    const [firsts, seconds] = [sizesOf(first), sizesOf(second)];
    if (firsts === undefined || seconds === undefined || first === second) {
      faults.push({ path, message: `“${first}” and “${second}” are not two parts of this chart.` });
      return;
    }
    for (const [size, others] of Object.entries(made)) {
      if (!firsts.includes(size)) faults.push({ path, message: `“${size}” is no size of ${first}.` });
      const strange = others.find((one) => !seconds.includes(one));
      if (strange !== undefined) faults.push({ path, message: `“${strange}” is no size of ${second}.` });
    }
  });
  sheet.options.forEach(({ when }, index) => {
    const strange = when.find(({ of }) => !isKnown(sheet, of));
    if (strange !== undefined)
      faults.push({ path: ['options', index], message: `${strange.of} is not derived in this chart.` });
  });
  return faults;
}

function isKnown(sheet: ChartSheet, code: ColumnCode): boolean {
  return !isDerivedCode(code) || sheet.derivations.some((one) => one.code === code);
}
