import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import {
  distance,
  formatLength,
  measurement,
  nudgeEntry,
  parseMeasure,
  isMassUnit,
  sayReadingProblem,
  saySuspicion,
  CLOTHING_WORDS,
  CLOTHINGS,
  TENSION_WORDS,
  TENSIONS,
  STANCE_WORDS,
  type MeasurementCode,
  bareUnit,
  withinLimits,
} from '@neat-measure/core';
import { Figures } from '../../parts/figures/figures';
import { BenchStore } from './bench-store';

/** Where a value comes from. */
const ORIGIN_WORDS = {
  fitter: 'read by a fitter',
  helper: 'read by a helper',
  self: 'read by the wearer',
  reported: 'reported, not measured',
} as const;

/** Why a step is passed over, as fitters say it. */
const SKIP_REASONS = [
  'The wearer declines',
  'Not needed for these garments',
  'Cannot be taken today',
  'Comes back for it later',
] as const;

/** The centre of the Bench: one measurement, the reading as large as can be, and what the readings say. */
@Component({
  selector: 'nm-reading-panel',
  imports: [Figures],
  templateUrl: './reading-panel.html',
  styleUrl: './reading-panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadingPanel {
  protected readonly store = inject(BenchStore);
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');

  protected readonly step = computed(() => this.store.current()!);
  private readonly currentCode = computed(() => this.step().code);
  protected readonly described = computed(() => measurement(this.step().code));
  protected readonly stance = computed(() => STANCE_WORDS[this.described().stance]);
  /** The unit a bare number takes here. */
  protected readonly unit = computed(() => bareUnit(this.step().code, this.store.unit()));

  protected readonly tension = computed(() => TENSION_WORDS[this.store.tension()]);
  protected readonly clothing = computed(() => CLOTHING_WORDS[this.store.clothing()]);
  /** Whether the tape lies otherwise than the plan asks. */
  protected readonly otherwise = computed(() => this.store.tension() !== this.step().tension);
  /** Where only flesh and cloth are between, tension and clothing mean something. */
  protected readonly taped = computed(() => this.described().instruments.includes('tape'));
  /** Whether girths and lengths are taken with a string here, which is laid on a ruler afterwards. */
  protected readonly byString = computed(
    () => this.described().instruments.includes('string') && this.store.instrument() === 'string',
  );

  protected readonly skipReasons = SKIP_REASONS;
  private readonly skippedCode = signal<MeasurementCode | null>(null);
  /** Whether the reason for passing this very step over is being asked. */
  protected readonly skipping = computed(() => this.skippedCode() === this.step().code);

  /** What an earlier docket already answers. */
  protected readonly recorded = computed(() => {
    const recorded = this.store.recorded();
    if (recorded === null) return null;
    const day = new Date(recorded.takenAt).toLocaleDateString('en-GB', {
      day: 'numeric',
      month: 'long',
      year: 'numeric',
    });
    const words = `On record: ${formatLength(recorded.value, this.unit())}, ${ORIGIN_WORDS[recorded.origin]} on ${day}.`;
    return { due: recorded.due, words: recorded.due ? `${words} It is due to be measured again.` : words };
  });

  /** What is asked about the values of this step, the first thing first. */
  protected readonly asked = computed(
    () => this.store.currentSuspicions().find(({ weight }) => weight === 'ask') ?? null,
  );
  protected readonly asks = computed(() =>
    this.store
      .currentSuspicions()
      .map((suspicion) => ({ suspicion, words: saySuspicion(suspicion, this.store.unit()) })),
  );

  protected readonly fault = computed(() => {
    const problem = this.store.problem();
    return problem && sayReadingProblem(problem, this.unit());
  });
  protected readonly offer = computed(() => {
    const problem = this.store.problem();
    return problem?.code === 'impossible' ? (problem.offers[0] ?? null) : null;
  });

  /** What is typed, once it can be read, in the other unit too: a second pair of eyes. */
  protected readonly echo = computed(() => {
    const read = parseMeasure(this.store.entry(), this.unit());
    if (!read.ok || !withinLimits(this.step().code, read.value.length)) return '';
    const other = isMassUnit(this.unit())
      ? read.value.unit === 'lb'
        ? 'kg'
        : 'lb'
      : read.value.unit === 'in' || read.value.unit === 'ft'
        ? 'cm'
        : 'in';
    return `${formatLength(read.value.length, this.unit())} is ${formatLength(read.value.length, other)}`;
  });

  /** The third box: what the readings come to, in words. */
  protected readonly comparison = computed(() => {
    const { agreement } = this.step();
    const unit = this.unit();
    switch (agreement.state) {
      case 'none':
        return { state: agreement.state, words: 'Read it twice.' };
      case 'one':
        return { state: agreement.state, words: 'One reading: read it once more.' };
      case 'agreed':
        return {
          state: agreement.state,
          words: `${formatLength(agreement.difference, unit)} apart, ${formatLength(agreement.allowed, unit)} allowed`,
        };
      case 'third-wanted':
        return {
          state: agreement.state,
          words: `${formatLength(agreement.difference, unit)} apart, ${formatLength(agreement.allowed, unit)} allowed: read it a third time.`,
        };
      case 'disagree':
        return {
          state: agreement.state,
          words: `No two of the three are within ${formatLength(agreement.allowed, unit)}. Go on with S and come back.`,
        };
    }
  });
  protected readonly boxes = computed(() => {
    const { readings } = this.step();
    const count = Math.max(
      2,
      Math.min(readings.length + (this.step().agreement.state === 'agreed' ? 0 : 1), 3),
    );
    const last = readings.slice(-count);
    return Array.from({ length: count }, (_, index) => ({
      name: ['First reading', 'Second reading', 'Third reading'][index]!,
      reading: last[index] ?? null,
      now: index === last.length,
    }));
  });
  /** How far what is typed would lie from the reading before it. */
  protected readonly difference = computed(() => {
    const read = parseMeasure(this.store.entry(), this.unit());
    const before = this.step().readings.at(-1);
    return read.ok && before !== undefined
      ? `${formatLength(distance(read.value.length, before.length), this.unit())} from the reading before`
      : '';
  });

  constructor() {
    // The entry waits for digits whenever a step is shown; nobody has to find it first.
    effect(() => {
      this.currentCode();
      this.field().nativeElement.focus({ preventScroll: true });
    });
  }

  /** Whether an event's target is the entry itself. */
  owns(target: EventTarget | null): boolean {
    return target === this.field().nativeElement;
  }

  /** Takes the keys of the entry; returns whether the key was one. */
  onKey(key: string, event: KeyboardEvent): boolean {
    const entry = this.store.entry();
    if (key === 'Enter' && (this.owns(event.target) || !(event.target instanceof HTMLButtonElement)))
      this.store.takeEntry();
    else if (key === 'Escape' && entry !== '') this.store.clearEntry();
    else if (this.skipping() && this.chooseSkip(key)) return true;
    else if (key === 'c' && entry === '' && this.asked() !== null) this.store.confirm(this.asked()!);
    else if (key === 'k' && entry === '' && this.recorded()?.due === false) this.store.takeRecorded();
    else if (key === 'y' && this.offer() !== null) this.store.takeOffer();
    else if ((key === 'ArrowUp' || key === 'ArrowDown') && this.nudge(key === 'ArrowUp' ? 1 : -1))
      return true;
    else if (/^[\d.,½¼¾⅛⅜⅝⅞]$/.test(key) && !this.owns(event.target)) {
      // A digit anywhere on the page belongs to the reading.
      this.field().nativeElement.focus({ preventScroll: true });
      this.write(entry + key);
    } else return false;
    // The next key may come before the page is drawn again; it must not meet what was cleared.
    this.field().nativeElement.value = this.store.entry();
    // What was refused stays to be seen and mended; typing on replaces it.
    if (key === 'Enter' && this.store.problem() !== null) this.field().nativeElement.select();
    return true;
  }

  /** The next way for the tape to lie. */
  turnTension(): void {
    this.store.takeWith(after(TENSIONS, this.store.tension()));
  }

  /** The next thing that may lie between tape and body. */
  turnClothing(): void {
    this.store.clothing.set(after(CLOTHINGS, this.store.clothing()));
  }

  /** Goes on where the step has its value; otherwise asks why it is passed over. */
  passOver(): void {
    if (this.step().agreement.state === 'agreed') this.store.next();
    else this.skippedCode.set(this.step().code);
  }

  protected skip(reason: string): void {
    this.skippedCode.set(null);
    this.store.skip(reason);
  }

  private chooseSkip(key: string): boolean {
    const reason = SKIP_REASONS[Number(key) - 1];
    if (reason !== undefined) this.skip(reason);
    else if (key === 'Escape') this.skippedCode.set(null);
    return reason !== undefined || key === 'Escape' || key === 'Enter';
  }

  protected write(text: string): void {
    this.store.entry.set(text);
    this.store.problem.set(null);
  }

  /** Moves what is typed by a step of the unit; with nothing typed, starts from the last reading. */
  protected nudge(direction: 1 | -1): boolean {
    const nudged = nudgeEntry(
      this.store.entry(),
      this.step().readings.at(-1)?.length ?? null,
      this.unit(),
      direction,
    );
    if (nudged === null) return false;
    this.write(nudged);
    return true;
  }
}

/** The one after in a short list, round and round. */
function after<One>(list: readonly One[], one: One): One {
  return list[(list.indexOf(one) + 1) % list.length]!;
}
