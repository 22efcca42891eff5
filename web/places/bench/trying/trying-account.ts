import { computed, inject, Injectable } from '@angular/core';
import {
  isNoFault,
  placeName,
  POSE_WORDS,
  RIGHT,
  sayAltered,
  sayChance,
  sayContradiction,
  sayOddsDiffer,
  sayWay,
  type LabelChance,
  type Way,
} from '@neat-measure/core';
import { UnitService } from '../../../data/unit-service';
import { TryingStore } from './trying-store';

/** A label that the odds do not list is rarer than one in a thousand. */
const UNLISTED = 0.000_5;
/** So many labels are told with their chances. */
const LABELS_SHOWN = 4;

/** What is told of a garment that is being tried on, in words: what to look at, what was seen, and what follows. */
@Injectable()
export class TryingAccount {
  private readonly trying = inject(TryingStore);
  private readonly units = inject(UnitService);

  /** The sizes that were on before, with what was wrong with each. */
  readonly before = computed(() =>
    this.trying
      .trials()
      .slice(0, -1)
      .map(({ id, size, seen }) => ({ id, size, wrong: this.wrongIn(seen) })),
  );

  private wrongIn(seen: readonly { readonly check: string; readonly answer: string | null }[]): string {
    const said = seen.flatMap(({ check, answer }) => {
      const known = this.trying.checks().find(({ code }) => code === check);
      return known?.answers.filter(({ code }) => code === answer).map(({ says }) => inSentence(says)) ?? [];
    });
    return said.length === 0 ? 'nothing was wrong' : said.join(', ');
  }

  /** The check that is looked at, with its answers by number. */
  readonly look = computed(() => {
    const check = this.trying.check();
    if (check === null) return null;
    const answered = this.trying.seenAt(check.code);
    const ways = (code: string) => {
      const answer = check.answers.find((one) => one.code === code)!;
      const [first] = this.leadsOf(answer.code);
      return first === undefined ? '' : sayWay(first);
    };
    return {
      check,
      pose: POSE_WORDS[check.pose],
      place: this.trying.checks().indexOf(check) + 1,
      answered: answered?.answer ?? null,
      left:
        answered !== undefined && answered.answer === null ? (answered.reason ?? 'no reason given') : null,
      answers: check.answers.map(({ code, says }, at) => ({
        code,
        says,
        key: String(at + 1),
        leads: this.isNoted(code) ? 'no fault of this size: noted' : ways(code),
      })),
    };
  });

  /** Whether an answer at the check that is looked at is no fault of the size, as it is worn by whom. */
  private isNoted(answer: string): boolean {
    const [check, on] = [this.trying.check(), this.trying.on()];
    const found = check?.answers.find(({ code }) => code === answer);
    return found !== undefined && on !== null && isNoFault(on, found);
  }

  /** What an answer at the check that is looked at would lead to. */
  private leadsOf(answer: string): readonly Way[] {
    const [check, on] = [this.trying.check(), this.trying.on()];
    if (check === null || on === null) return [];
    return this.trying.leadsOf(check.code, answer);
  }

  /** Every check with what was seen, in few signs. */
  readonly progress = computed(() =>
    this.trying.checks().map((check) => {
      const seen = this.trying.seenAt(check.code);
      const state =
        seen === undefined
          ? 'open'
          : seen.answer === RIGHT
            ? 'right'
            : seen.answer === null
              ? 'left'
              : 'wrong';
      const answer = check.answers.find(({ code }) => code === seen?.answer)?.says ?? '';
      const words = {
        open: 'not looked at',
        right: 'right',
        left: `skipped: ${seen?.reason ?? ''}`,
        wrong: answer,
      };
      return {
        code: check.code,
        look: check.look,
        state,
        sign: { open: '·', right: '✓', left: '–', wrong: '×' }[state],
        says: words[state],
        by: seen?.by.name ?? '',
      };
    }),
  );

  /** What follows from what was seen. */
  readonly advice = computed(() => {
    const advice = this.trying.advice();
    if (advice === null) return null;
    const { odds, surprising } = this.trying.after();
    return {
      faults: advice.faults,
      lead: this.lead(),
      contradictions: advice.contradictions.map(sayContradiction),
      next: advice.next,
      instead: advice.next?.insteadOf ?? null,
      ways: advice.ways
        .filter(({ does }) => does !== 'try' && does !== 'made-to-measure')
        .map((way) => sayWay(way)),
      noted: advice.noted.map(({ says }) => says),
      differs: advice.faults.length === 0 ? '' : sayOddsDiffer(advice, this.trying.on()?.size ?? '', odds),
      odds:
        advice.faults.length === 0
          ? []
          : shownWith(odds, advice.next?.label ?? null).map((one) => ({
              label: one.label ?? 'no size of this chart',
              words: sayChance(one.chance),
            })),
      surprising: this.doubt() || (advice.faults.length > 0 && surprising ? this.surprise() : ''),
      owed: advice.owed,
    };
  });

  /** What is said where nothing asks for another size: only of what was looked at. */
  private lead(): string {
    const size = this.trying.on()?.size ?? '';
    const seen = this.trying.on()?.seen ?? [];
    const right = seen.filter(({ answer }) => answer === RIGHT).length;
    const left = seen.filter(({ answer }) => answer === null).length;
    if ((this.trying.advice()?.faults.length ?? 0) > 0) return 'No other size of this chart fits better.';
    if (this.trying.checks().length === 0)
      return `There is no list of fit checks for this kind. Check ${size} on the wearer, then keep it or another size.`;
    if (right === 0) return `Nothing of ${size} was checked. All checks were skipped.`;
    return left === 0 ? `Nothing is wrong with ${size}.` : `Nothing is wrong with ${size}; ${left} skipped.`;
  }

  /** Odds that rest on a reading in doubt are not worth more than it. */
  private doubt(): string {
    return this.trying.garment()?.verdict.verdict === 'suspect'
      ? 'A reading that decides this garment is in doubt: read it again, or confirm it, before using these odds.'
      : '';
  }

  private surprise(): string {
    const places = (this.trying.advice()?.faults ?? []).flatMap(({ answer }) =>
      answer.tells === null ? [] : [placeName(this.trying.sheet()!, answer.tells.place)],
    );
    return `This result is unlikely for these readings. Measure again what decides the ${[...new Set(places)].join(' and the ')}, or check the fit again.`;
  }

  readonly altered = computed(() =>
    this.trying.alterations().map((one) => sayAltered(one, this.units.shown())),
  );
}

function inSentence(says: string): string {
  return says.charAt(0).toLowerCase() + says.slice(1);
}

/** The likeliest labels, and the one that is proposed, however likely it is. */
function shownWith(odds: readonly LabelChance[], proposed: string | null): LabelChance[] {
  const shown = odds.slice(0, LABELS_SHOWN);
  if (odds.length === 0 || proposed === null || shown.some(({ label }) => label === proposed)) return shown;
  return [...shown, odds.find(({ label }) => label === proposed) ?? { label: proposed, chance: UNLISTED }];
}
