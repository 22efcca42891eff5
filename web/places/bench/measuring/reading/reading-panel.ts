import {
  ChangeDetectionStrategy,
  Component,
  afterNextRender,
  computed,
  effect,
  type ElementRef,
  inject,
  Injector,
  signal,
  viewChild,
  viewChildren,
} from '@angular/core';
import {
  dayOf,
  distance,
  formatLength,
  measurement,
  nudgeEntry,
  parseMeasure,
  sayDay,
  isMassUnit,
  sayReadingProblem,
  saySuspicion,
  CHAINS,
  CLOTHING_WORDS,
  markWords,
  ORIGIN_WORDS,
  sayOffMark,
  sayUnitSlip,
  WAIST_WORDS,
  wishOf,
  CLOTHINGS,
  TENSION_WORDS,
  TENSIONS,
  STANCE_WORDS,
  type MeasurementCode,
  bareUnit,
  withinLimits,
  nameAt,
  placeAt,
  wordsAt,
  UNIT_WORDS,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { UnitService } from '../../../../data/unit-service';
import { Figures } from '../../../../parts/figures/figures';
import { notOnButton, type KeyCommand } from '../../../../parts/shortcuts/keys';
import { DocketStore } from '../../docket-store';
import { CursorStore } from '../cursor-store';
import { ChainMarks } from '../chains/chain-marks';
import { ReadingBoxes } from './reading-boxes';
import { EntryStore } from './entry-store';
import { after, atCordWords, FROM, FROM_WORDS, SKIP_REASONS } from './reading-words';
import { ReadingNotes } from './reading-notes';
import { ShortcutService } from '../../../../parts/shortcuts/shortcut-service';

/** The centre of the Bench: one measurement, the reading as large as can be, and what the readings say. */
@Component({
  selector: 'nm-reading-panel',
  imports: [ChainMarks, Figures, NzButtonModule, ReadingBoxes, ReadingNotes],
  templateUrl: './reading-panel.html',
  styleUrl: './reading-panel.less',
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadingPanel {
  private readonly injector = inject(Injector);
  private readonly units = inject(UnitService);
  private readonly docket = inject(DocketStore);
  protected readonly steps = this.docket.steps;
  protected readonly cursor = inject(CursorStore);
  protected readonly shortcuts = inject(ShortcutService);
  protected readonly store = inject(EntryStore);
  private readonly questions = viewChildren<ElementRef<HTMLElement>>('question');
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');

  protected readonly step = computed(() => this.cursor.current()!);
  private readonly currentCode = computed(() => this.step().code);
  protected readonly described = computed(() => measurement(this.step().code));
  protected readonly stance = computed(() => STANCE_WORDS[this.described().stance]);
  /** The chain that the step is read along with others; `null` where the tape is laid for it alone. */
  protected readonly chain = computed(() => {
    const { chain } = this.step();
    return chain === null ? null : { ...CHAINS[chain], from: wordsAt(CHAINS[chain].from, this.step().waist) };
  });
  protected readonly name = computed(() => nameAt(this.step().code, this.step().waist));
  protected readonly place = computed(() => placeAt(this.step().code, this.step().waist));
  protected readonly mark = computed(() => wordsAt(markWords(this.step().code), this.step().waist));
  /** Where the waist is, of what is read at it. */
  protected readonly atCord = computed(() =>
    atCordWords(this.step().waist, this.docket.plan().cord !== null),
  );
  /** Wishes that can be read while the tape lies as it does. */
  protected readonly besides = computed(() => {
    const { chain } = this.step();
    const asked = this.docket.wishesAsked().filter((code) => chain !== null && wishOf(code).chain === chain);
    const open = asked.filter((code) => this.docket.wishes().every(({ wish }) => wish !== code));
    return open.map((code) => wishOf(code).name.toLowerCase()).join('; ');
  });
  /** A mark that does not lie where it can. */
  protected readonly off = computed(
    () => this.store.off() && sayOffMark(this.store.off()!, this.units.written(this.units.entered())),
  );
  /** The unit a bare number takes here. */
  protected readonly unit = computed(() => bareUnit(this.step().code, this.units.entered()));

  protected readonly tension = computed(() => TENSION_WORDS[this.store.tension()]);
  protected readonly clothing = computed(() => CLOTHING_WORDS[this.store.clothing()]);
  /** Whether the tape lies, or lies over something, otherwise than the plan asks. */
  protected readonly otherwise = computed(() => this.store.tension() !== this.step().tension);
  protected readonly overOther = computed(() => this.store.clothing() !== this.step().clothing);
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
    const recorded = this.cursor.recorded();
    if (recorded === null) return null;
    const day = sayDay(dayOf(new Date(recorded.takenAt)));
    const words = `On record: ${formatLength(recorded.value, this.units.written(this.unit()))}, ${ORIGIN_WORDS[recorded.origin]} on ${day}.`;
    const { due, elsewhere, waist } = recorded;
    if (elsewhere)
      return {
        due,
        elsewhere,
        words: `${words} The waist was ${WAIST_WORDS[waist ?? 'natural']}, which is another place than here: measure it.`,
      };
    return { due, elsewhere, words: due ? `${words} It is due to be measured again.` : words };
  });

  /** What is asked about the values of this step, the first thing first. */
  protected readonly asked = computed(
    () => this.cursor.suspicions().find(({ weight }) => weight === 'ask') ?? null,
  );
  protected readonly asks = computed(() =>
    this.cursor.suspicions().map((suspicion) => ({
      suspicion,
      words: saySuspicion(suspicion, this.units.written(this.units.entered())),
    })),
  );

  protected readonly fault = computed(() => {
    const problem = this.store.problem();
    return problem && sayReadingProblem(problem, this.units.written(this.unit()));
  });
  protected readonly unitWords: Readonly<Record<string, string | undefined>> = UNIT_WORDS;
  protected readonly from = computed(() => FROM_WORDS[this.store.origin()]);
  protected readonly slip = computed(() => {
    const slip = this.store.slip();
    return slip === null
      ? null
      : {
          words: sayUnitSlip(slip, this.units.written(this.units.entered())),
          unit: slip.offer.unit,
          own: slip.unit,
        };
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
    return `${formatLength(read.value.length, this.units.written(this.unit()))} is ${formatLength(read.value.length, this.units.written(other))}`;
  });

  /** How far what is typed would lie from the reading before it. */
  protected readonly difference = computed(() => {
    const read = parseMeasure(this.store.entry(), this.unit());
    const before = this.step().readings.at(-1);
    return read.ok && before !== undefined
      ? `${formatLength(distance(read.value.length, before.length), this.units.written(this.unit()))} from the reading before`
      : '';
  });

  constructor() {
    const held = computed(() => this.store.asks() || this.fault() !== null || this.asked() !== null);
    effect(() => {
      this.store.held();
      if (held()) afterNextRender(() => this.showQuestion(), { injector: this.injector });
    });
    // The entry waits for digits whenever a step is shown; nobody has to find it first.
    effect(() => {
      this.currentCode();
      this.field().nativeElement.focus({ preventScroll: true });
    });
  }

  /** Has a question that holds the fitter come to where the eyes are. */
  private showQuestion(): void {
    this.questions()
      .filter(({ nativeElement }) => nativeElement.childElementCount > 0)
      .at(0)
      ?.nativeElement.scrollIntoView({ block: 'nearest' });
  }

  /** Whether an event's target is the entry itself. */
  owns(target: EventTarget | null): boolean {
    return target === this.field().nativeElement;
  }

  /** The keys of the entry, the first that has something to do first. */
  readonly commands: readonly KeyCommand[] = [
    {
      keys: Array.from('0123456789.,½¼¾⅛⅜⅝⅞'),
      shown: ['0–9'],
      does: 'type a reading',
      // A digit anywhere on the page belongs to the reading; while a reason is asked it chooses one.
      // One that had to wait for its stop has been kept from the field.
      when: (_key, { target, defaultPrevented }) =>
        !this.skipping() && (!this.owns(target) || defaultPrevented),
      run: (key) => {
        this.field().nativeElement.focus({ preventScroll: true });
        this.store.write(this.store.entry() + key);
      },
    },
    {
      keys: ['Enter'],
      does: 'take the reading, or continue',
      when: (key, event) => !this.skipping() && (this.owns(event.target) || notOnButton(key, event)),
      run: () => this.store.take(),
    },
    {
      keys: ['ArrowUp', 'ArrowDown'],
      does: 'nudge what is typed by 1/8 in or 5 mm',
      when: (key) => this.nudged(key === 'ArrowUp' ? 1 : -1) !== null,
      run: (key) => this.nudge(key === 'ArrowUp' ? 1 : -1),
    },
    {
      keys: ['y'],
      does: 'take the number in the unit offered',
      when: () => this.offer() !== null || this.store.slip() !== null,
      run: () => this.store.takeOffer(),
    },
    {
      keys: ['c'],
      does: 'confirm a number that was asked about',
      when: () => this.store.asks(),
      run: () => (this.store.off() === null ? this.store.takeAsTyped() : this.store.takeOff()),
    },
    {
      keys: ['c'],
      does: 'confirm a value that was asked about',
      when: () => this.nothingTyped() && this.asked() !== null,
      run: () => this.store.confirm(this.asked()!),
    },
    {
      keys: ['k'],
      does: 'use the recorded value',
      when: () =>
        this.nothingTyped() && this.recorded()?.due === false && this.recorded()?.elsewhere === false,
      run: () => this.store.takeRecorded(),
    },
    {
      keys: SKIP_REASONS.map((_, at) => String(at + 1)),
      does: '',
      when: () => this.skipping(),
      run: (key) => this.skip(SKIP_REASONS[Number(key) - 1]!),
    },
    {
      keys: ['Escape', 'Enter'],
      does: '',
      when: () => this.skipping(),
      run: (key) => {
        if (key === 'Escape') this.skippedCode.set(null);
      },
    },
    {
      keys: ['Escape'],
      does: 'clear what is typed',
      when: () => !this.nothingTyped(),
      run: () => this.store.clear(),
    },
    {
      keys: ['s'],
      does: 'skip the step, with a reason',
      when: () => this.nothingTyped(),
      run: () => this.passOver(),
    },
    {
      keys: ['t'],
      does: 'change the tension of the tape',
      when: () => this.nothingTyped(),
      run: () => this.turnTension(),
    },
    {
      keys: ['w'],
      does: 'change what is worn under the tape',
      when: () => this.nothingTyped(),
      run: () => this.turnClothing(),
    },
    {
      keys: ['o'],
      does: 'change who reads: you, a helper, or the wearer',
      when: () => this.nothingTyped(),
      run: () => this.turnOrigin(),
    },
  ];

  /** After a key: the next one may come before the page is drawn again; it must not meet what was cleared. */
  settle(key: string): void {
    const field = this.field().nativeElement;
    field.value = this.store.entry();
    // What was refused stays to be seen and mended; typing on replaces it.
    const refused = this.store.problem() !== null || this.store.asks();
    if (key === 'Enter' && refused) field.select();
  }

  private nothingTyped(): boolean {
    return this.store.entry() === '';
  }

  /** The next way for the tape to lie. */
  turnTension(): void {
    this.store.takeWith(after(TENSIONS, this.store.tension()));
  }

  /** The next that a reading may come from. */
  turnOrigin(): void {
    this.store.takeFrom(after(FROM, this.store.origin()));
  }

  /** The next thing that may lie between tape and body. */
  turnClothing(): void {
    this.store.takeOver(after(CLOTHINGS, this.store.clothing()));
  }

  /** Goes on where the step has its value; otherwise asks why it is passed over. */
  passOver(): void {
    if (this.step().agreement.state === 'agreed') this.cursor.next();
    else this.skippedCode.set(this.step().code);
  }

  protected skip(reason: string): void {
    this.skippedCode.set(null);
    this.store.pass(this.step().code, reason);
  }

  /** Moves what is typed by a step of the unit; with nothing typed, starts from the last reading. */
  protected nudge(direction: 1 | -1): void {
    const nudged = this.nudged(direction);
    if (nudged !== null) this.store.write(nudged);
  }

  private nudged(direction: 1 | -1): string | null {
    const last = this.step().readings.at(-1)?.length ?? null;
    return nudgeEntry(this.store.entry(), last, this.units.written(this.unit()), direction);
  }
}
