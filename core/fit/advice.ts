import { garmentKind } from '../garment/kinds';
import type { ChartSheet } from '../chart/chart-shape';
import { isMade, labelOf, nearestMade } from '../chart/label';
import { named } from '../chart/named';
import { areaFacts, FIT_AREAS, type FitArea, type FitPlace } from '../garment/areas';
import { isOfLengths } from '../chart/size-chart';
import { partOfPlace } from './areas';
import {
  RIGHT,
  type AlterationDoing,
  type FitAnswer,
  type FitCheck,
  type FitMove,
} from '../garment/fit-check';
import { fitChecksOf } from './fit-checks';

/** What was seen at one check of one size. */
export interface Seen {
  readonly check: string;
  /** `right`, or one of the check's answers; `null` where it was left out. */
  readonly answer: string | null;
}

/** One size that was put on, with what was seen of it. */
export interface Trial {
  readonly sizes: Readonly<Record<string, string>>;
  readonly seen: readonly Seen[];
  /** In which outer carrier it is worn, where it is. */
  readonly carrier?: string | null;
}

/** Another size of one part. */
export interface Shift {
  readonly part: string;
  /** The part's name; `null` where the chart has only one. */
  readonly name: string | null;
  readonly by: 1 | -1;
  readonly along: 'girth' | 'length';
  /** `null` where the part has none beyond the one that is on. */
  readonly to: string | null;
}

/** Other sizes to put on. */
export interface TryNext {
  readonly does: 'try';
  readonly sizes: Readonly<Record<string, string>>;
  readonly label: string;
  readonly shifts: readonly Shift[];
  /** What was asked for and is not made, where this is the nearest that is. */
  readonly insteadOf: string | null;
  /** Whether it was on before, and is the one to go back to. */
  readonly again: boolean;
}

/** What may be done next, by what was seen. */
export type Way =
  | TryNext
  | { readonly does: 'alter'; readonly area: FitArea; readonly how: AlterationDoing }
  | { readonly does: 'other-part'; readonly what: string }
  | { readonly does: 'correct-stock'; readonly what: string }
  /** The chart has no size that way; or a check that says so itself. */
  | { readonly does: 'made-to-measure' };

/** Something that was not right. */
export interface Fault {
  readonly check: FitCheck;
  readonly answer: FitAnswer;
  /** What may be done about it by itself. */
  readonly ways: readonly Way[];
}

/** Two things that were seen, of which one asks for a larger size of a part and the other for a smaller. */
export interface Contradiction {
  readonly part: string;
  /** The part's name; `null` where the chart has only one. */
  readonly name: string | null;
  readonly along: Shift['along'];
  readonly larger: Fault;
  readonly smaller: Fault;
  /** The size they were seen on, where one was seen on another than the one that is on now. */
  readonly on: { readonly larger: string; readonly smaller: string } | null;
  /**
   * What the trade does: the larger, as coverage comes before comfort; a protective length that is wanted longer and
   * shorter at once is the wrong cut, and in doubt the one that covers; the larger and what is too much
   * taken away; the smaller and what is too little given; or neither, as nothing mends the other.
   */
  readonly rule: 'coverage' | 'wrong-cut' | 'larger-altered' | 'smaller-altered' | 'neither';
}

/** What follows from everything that was seen at the size that is on. */
export interface Advice {
  readonly faults: readonly Fault[];
  /** What was seen and is no fault in the outer carrier that is worn. */
  readonly noted: readonly FitAnswer[];
  readonly contradictions: readonly Contradiction[];
  /** What to put on next; `null` where no other size is better by what was seen. */
  readonly next: TryNext | null;
  /** Everything that may be done, what the trade does first before the rest. */
  readonly ways: readonly Way[];
  /** What was neither seen nor left out. */
  readonly open: readonly FitCheck[];
  /** What must be looked at, or a reason given, before it is handed over. */
  readonly owed: readonly FitCheck[];
}

/**
 * What to do after a garment was tried on: each thing that was not right leads to the neighbouring
 * size of the part that sizes it, or to what a tailor does; what contradicts each other is said with what
 * the trade does then. A size that was tried and was wrong the other way is not proposed again.
 *
 * @param trials the sizes that were put on, in their order; the last is on now
 * @example adviseFit(jacket.sheet, [{ sizes: { size: 'M' }, seen: [{ check: 'button', answer: 'small' }] }]).faults.map(({ check }) => check.code) // ['button']
 */
export function adviseFit(sheet: ChartSheet, trials: readonly Trial[]): Advice {
  const now = trials.at(-1);
  const checks = fitChecksOf(sheet);
  if (now === undefined)
    return {
      faults: [],
      noted: [],
      contradictions: [],
      next: null,
      ways: [],
      open: checks,
      owed: owedOf(checks, []),
    };
  const faults = faultsOf(sheet, checks, now);
  const wants = faults.flatMap((fault) => wantsOf(sheet, fault));
  const contradictions = [
    ...withinTrial(sheet, wants),
    ...acrossTrials(sheet, checks, trials.slice(0, -1), now, wants),
  ];
  const next = nextOf(sheet, trials, now, wants, contradictions);
  const open = checks.filter(({ code }) => now.seen.every(({ check }) => check !== code));
  const mends = contradictions.flatMap(mendsOf);
  const tried = new Set(trials.map(({ sizes }) => labelOf(sheet, sizes)));
  const ways = [
    ...(next === null ? [] : [next]),
    ...mends,
    ...faults.flatMap((fault) => fault.ways),
    ...(faults.length > 0 ? [{ does: 'made-to-measure' } as const] : []),
  ].filter((way) => way.does !== 'try' || way.again || !tried.has(way.label));
  return {
    faults,
    noted: notedOf(checks, now),
    contradictions,
    next,
    ways: unlike(ways),
    open,
    owed: owedOf(checks, now.seen),
  };
}

/**
 * The checks that must be seen and were not seen to be right; one that was left out has its reason.
 *
 * @example owedOf(fitChecksOf({ kind: 'vest', fitChecks: [] }), []).length // 3
 */
export function owedOf(checks: readonly FitCheck[], seen: readonly Seen[]): FitCheck[] {
  return checks.filter(({ code, must }) => must && !seen.some(({ check }) => check === code));
}

/** What was not right of a size. */
function faultsOf(sheet: ChartSheet, checks: readonly FitCheck[], trial: Trial): Fault[] {
  return wrongOf(checks, trial)
    .filter(({ answer }) => !isNoFault(trial, answer))
    .map(({ check, answer }) => {
      const ways = answer.moves.flatMap((move) => waysOf(sheet, trial.sizes, move));
      // Made to measure is the last thing that is done: what is altered goes before it.
      return {
        check,
        answer,
        ways: unlike([...ways.filter(isOffered), ...ways.filter((way) => !isOffered(way))]),
      };
    });
}

function isOffered({ does }: Way): boolean {
  return does !== 'made-to-measure';
}

function notedOf(checks: readonly FitCheck[], trial: Trial): FitAnswer[] {
  return wrongOf(checks, trial).flatMap(({ answer }) => (isNoFault(trial, answer) ? [answer] : []));
}

function wrongOf(checks: readonly FitCheck[], { seen }: Trial): { check: FitCheck; answer: FitAnswer }[] {
  return seen.flatMap(({ check: code, answer: said }) => {
    const check = checks.find((one) => one.code === code);
    const answer = said === RIGHT ? undefined : check?.answers.find((one) => one.code === said);
    return check === undefined || answer === undefined ? [] : [{ check, answer }];
  });
}

/**
 * Whether what was seen is no fault of a size as it is worn: in an outer carrier a panel may come down over the belt, and
 * a long arm ends below a jacket that covers the seat.
 *
 * @example isNoFault({ carrier: 'Dune carrier' }, { code: 'large', carriedAway: true }) // true
 */
export function isNoFault({ carrier }: Pick<Trial, 'carrier'>, answer: FitAnswer): boolean {
  return answer.ofBuild === true || (answer.carriedAway === true && (carrier ?? null) !== null);
}

/** What a move comes to on a chart; nothing where the chart has no part of which another size would help. */
function waysOf(sheet: ChartSheet, sizes: Trial['sizes'], move: FitMove): Way[] {
  if (move.does !== 'shift') return [move];
  const shifts = shiftsOf(sheet, sizes, move);
  if (shifts.length === 0) return [];
  if (shifts.some(({ to }) => to === null)) return [{ does: 'made-to-measure' }];
  return tryOf(sheet, sizes, shifts, []);
}

function shiftsOf(
  sheet: ChartSheet,
  sizes: Trial['sizes'],
  { shifts }: Extract<FitMove, { does: 'shift' }>,
): Shift[] {
  return shifts.flatMap(({ place, by }) => {
    const part = partOfPlace(sheet, place);
    if (part === null) return [];
    const to = part.sizes[part.sizes.indexOf(named(sizes, part.code) ?? '') + by] ?? null;
    const name = sheet.parts.length === 1 ? null : part.name;
    return [{ part: part.code, name, by, along: isOfLengths(sheet, part) ? 'length' : 'girth', to }];
  });
}

/** The sizes after some shifts; where they are not made, the nearest that are and go the same way. */
function tryOf(
  sheet: ChartSheet,
  sizes: Trial['sizes'],
  shifts: readonly Shift[],
  tried: readonly (string | null)[],
): TryNext[] {
  const shifted = { ...sizes, ...Object.fromEntries(shifts.map(({ part, to }) => [part, to!])) };
  const asked = labelOf(sheet, shifted);
  if (asked === null) return [];
  if (isMade(sheet, shifted))
    return tried.includes(asked)
      ? []
      : [{ does: 'try', sizes: shifted, label: asked, shifts, insteadOf: null, again: false }];
  const near = nearestMade(sheet, shifted, 8).find(
    (one) => shifts.every(({ part, to }) => one[part] === to) && !tried.includes(labelOf(sheet, one)),
  );
  return near === undefined
    ? []
    : [{ does: 'try', sizes: near, label: labelOf(sheet, near)!, shifts, insteadOf: asked, again: false }];
}

/** A size that a fault asks for first, part by part. */
interface Want {
  readonly fault: Fault;
  readonly shift: Shift;
}

/** What a fault asks for where another size is what the trade does about it first. */
function wantsOf(sheet: ChartSheet, fault: Fault): Want[] {
  const [first] = fault.ways;
  if (first?.does === 'try') return first.shifts.map((shift) => ({ fault, shift }));
  return [];
}

function withinTrial(sheet: ChartSheet, wants: readonly Want[]): Contradiction[] {
  return sheet.parts.flatMap(({ code }) => {
    const own = wants.filter(({ shift }) => shift.part === code);
    const larger = own.find(({ shift }) => shift.by === 1);
    const smaller = own.find(({ shift }) => shift.by === -1);
    if (larger === undefined || smaller === undefined) return [];
    return [contradiction(sheet, larger.shift, larger.fault, smaller.fault, null)];
  });
}

/** Where the size that is asked for was on before, and something of it asked to go the other way. */
function acrossTrials(
  sheet: ChartSheet,
  checks: readonly FitCheck[],
  before: readonly Trial[],
  now: Trial,
  wants: readonly Want[],
): Contradiction[] {
  const found = new Map<string, Contradiction>();
  for (const { fault, shift } of wants) {
    for (const trial of before.filter(({ sizes }) => named(sizes, shift.part) === shift.to)) {
      const against = faultsOf(sheet, checks, trial)
        .flatMap((one) => wantsOf(sheet, one))
        .find((one) => one.shift.part === shift.part && one.shift.by !== shift.by);
      if (against === undefined) continue;
      const on = named(now.sizes, shift.part)!;
      found.set(
        shift.part,
        shift.by === 1
          ? contradiction(sheet, shift, fault, against.fault, { larger: on, smaller: shift.to! })
          : contradiction(sheet, shift, against.fault, fault, { larger: shift.to!, smaller: on }),
      );
    }
  }
  return [...found.values()];
}

function contradiction(
  { kind }: ChartSheet,
  { part, name, along }: Shift,
  larger: Fault,
  smaller: Fault,
  on: Contradiction['on'],
): Contradiction {
  const mendable = (fault: Fault, is: 'taken' | 'given') => {
    const place = fault.answer.tells?.place;
    return place !== undefined && isArea(place) && areaFacts(place)[is];
  };
  const rule = garmentKind(kind).protects
    ? along === 'length'
      ? 'wrong-cut'
      : 'coverage'
    : mendable(smaller, 'taken')
      ? 'larger-altered'
      : mendable(larger, 'given')
        ? 'smaller-altered'
        : 'neither';
  return { part, name, along, larger, smaller, on, rule };
}

/** What is altered where two things contradict each other. */
function mendsOf({ rule, larger, smaller }: Contradiction): Way[] {
  if (rule === 'wrong-cut') return [{ does: 'made-to-measure' }];
  if (rule === 'coverage' || rule === 'neither') return [];
  const { tells } = (rule === 'larger-altered' ? smaller : larger).answer;
  if (tells === null || !isArea(tells.place)) return [];
  const { along } = areaFacts(tells.place);
  const how =
    rule === 'larger-altered'
      ? along === 'girth'
        ? 'take-in'
        : 'shorten'
      : along === 'girth'
        ? 'let-out'
        : 'lengthen';
  return [{ does: 'alter', area: tells.place, how }];
}

/** Everything that other sizes are asked for together; what contradicts goes the way the trade goes. */
function nextOf(
  sheet: ChartSheet,
  trials: readonly Trial[],
  now: Trial,
  wants: readonly Want[],
  contradictions: readonly Contradiction[],
): TryNext | null {
  const shifts = new Map<string, Shift>();
  let again = false;
  for (const { shift } of wants) {
    const against = contradictions.find(({ part }) => part === shift.part);
    if (against === undefined) shifts.set(shift.part, shift);
    else if (against.on !== null) {
      const back = backTo(sheet, now, against, shift);
      if (back !== null) shifts.set(shift.part, back);
      again ||= back !== null;
    } else if (shift.by === goesBy(against.rule)) shifts.set(shift.part, shift);
  }
  if (shifts.size === 0) return null;
  const tried = again ? [] : trials.map(({ sizes }) => labelOf(sheet, sizes));
  const [next] = tryOf(sheet, now.sizes, [...shifts.values()], tried);
  return next === undefined ? null : { ...next, again };
}

/** Which way one goes within one size where it is wanted larger and smaller; `null` for neither. */
function goesBy(rule: Contradiction['rule']): 1 | -1 | null {
  if (rule === 'wrong-cut' || rule === 'neither') return null;
  return rule === 'smaller-altered' ? -1 : 1;
}

/** Of two sizes that were on and were both wrong, the one that is gone on with; `null` where it is on, or neither is. */
function backTo(
  sheet: ChartSheet,
  { sizes }: Trial,
  { rule, on, part }: Contradiction,
  shift: Shift,
): Shift | null {
  if (rule === 'neither') return null;
  // What was too large where it was seen is the larger of the two.
  const to = rule === 'smaller-altered' ? on!.larger : on!.smaller;
  const scale = sheet.parts.find(({ code }) => code === part)!.sizes;
  const here = named(sizes, part)!;
  if (to === here) return null;
  return { ...shift, to, by: scale.indexOf(to) > scale.indexOf(here) ? 1 : -1 };
}

function isArea(place: FitPlace): place is FitArea {
  return FIT_AREAS.includes(place as FitArea);
}

function unlike(ways: readonly Way[]): Way[] {
  const told = new Set<string>();
  return ways.filter((way) => {
    const text = way.does === 'try' ? way.label : JSON.stringify(way);
    if (told.has(text)) return false;
    told.add(text);
    return true;
  });
}
