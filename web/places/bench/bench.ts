import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { partOf } from '@neat-measure/core/muster';
import { markWords, nameAt, placeAt, STANCE_ASKS, wordsAt } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { OpenDocket } from '../../data/open-docket';
import { SpeechService } from '../../data/speech-service';
import { BodyFigure } from '../../parts/body-figure/body-figure';
import { hearScanner } from '../../parts/shortcuts/hear-scanner';
import type { Listening } from '../../parts/shortcuts/scanner-ear';
import { isTakenElsewhere, listKeys, ShortcutService } from '../../parts/shortcuts/shortcut-service';
import { DecidePanel } from './deciding/decide-panel';
import { DecidingStore } from './deciding/deciding-store';
import { DocketStore } from './docket-store';
import { GarmentCards } from './garment-cards';
import { handleKey, keyOf, notOnButton, type KeyCommand } from '../../parts/shortcuts/keys';
import { CursorStore } from './measuring/cursor-store';
import { EntryStore } from './measuring/reading/entry-store';
import { ForesightService } from './measuring/foresight/foresight-service';
import { ForesightStore } from './measuring/foresight/foresight-store';
import { PreparePanel } from './measuring/prepare-panel';
import { ReadingPanel } from './measuring/reading/reading-panel';
import { StancePanel } from './measuring/stance-panel';
import { TapeStrip } from './measuring/strip/tape-strip';
import { HandPanel } from './handing/hand-panel';
import { HandingStore } from './handing/handing-store';
import { TryPanel } from './trying/try-panel';
import { ShelvesHere } from './shelves/shelves-here';
import { StationHere } from './station/station-here';
import { TryingStore } from './trying/trying-store';
import { MetHere } from './met-here';
import { WearerLink } from './wearer-link';
import { WishesPanel } from './measuring/wishes/wishes-panel';

/** The Bench: one wearer, one docket. Where the tape goes, what is read, and what it comes to. */
@Component({
  selector: 'nm-bench',
  imports: [
    BodyFigure,
    PreparePanel,
    StancePanel,
    ReadingPanel,
    DecidePanel,
    GarmentCards,
    TapeStrip,
    HandPanel,
    MetHere,
    TryPanel,
    WearerLink,
    WishesPanel,
    NzButtonModule,
    RouterLink,
  ],
  providers: [
    DocketStore,
    CursorStore,
    DecidingStore,
    EntryStore,
    ForesightService,
    ForesightStore,
    TryingStore,
    HandingStore,
    ShelvesHere,
    StationHere,
  ],
  templateUrl: './bench.html',
  styleUrl: './bench.less',
  host: { '(document:keydown)': 'onKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Bench {
  readonly docketId = input.required<string>();
  /** The chart of the garment to be decided first, where one was followed here. */
  readonly decide = input<string>();
  /** Where somebody is back for a fitting, it opens at trying on. */
  readonly fitting = input<string>();
  /** Whether the docket opens where it is handed over. */
  readonly hand = input<string>();
  /** The muster and the station it was opened from, where it was. */
  readonly muster = input<string>();
  readonly station = input<string>();
  protected readonly store = inject(DocketStore);
  protected readonly cursor = inject(CursorStore);
  private readonly entry = inject(EntryStore);
  private readonly foresight = inject(ForesightStore);
  private readonly shortcuts = inject(ShortcutService);
  protected readonly speech = inject(SpeechService);
  protected readonly openDocket = inject(OpenDocket);
  private readonly router = inject(Router);
  private readonly reading = viewChild(ReadingPanel);
  private readonly decidePanel = viewChild<DecidePanel>('decidePanel');
  /** By its name in the template: it is fetched when it is wanted. */
  private readonly tryPanel = viewChild<TryPanel>('tryPanel');
  private readonly handPanel = viewChild<HandPanel>('handPanel');

  /** Which garment is being decided, by its place on the docket. */
  protected readonly garmentAt = signal(0);
  /** At a step, before one, or deciding. */
  protected readonly stop = this.cursor.stop;
  protected readonly here = inject(StationHere);
  protected readonly deciding = computed(
    () => this.stop().kind === 'decide' && this.garment() !== null && this.here.has('deciding'),
  );
  protected readonly trying = computed(() => this.stop().kind === 'try' && this.store.garments().length > 0);
  protected readonly handing = computed(
    () => this.stop().kind === 'hand' && this.store.garments().length > 0,
  );
  /** Before anything is tried on or handed over. */
  private readonly atTheTape = computed(() => !this.trying() && !this.handing());
  private readonly tryingStore = inject(TryingStore);
  /** The garment that the work is at, by its place on the docket, once it is past the tape. */
  protected readonly at = computed(() =>
    this.deciding() ? this.garmentAt() : this.trying() ? this.tryingStore.at() : null,
  );
  /** Where the waist is, of what is read at it. */
  private readonly waist = computed(() => this.cursor.current()?.waist ?? null);
  private followed = false;
  protected readonly garment = computed(() => this.store.garments()[this.garmentAt()] ?? null);

  constructor() {
    effect(() => {
      const [muster, station] = [this.muster(), this.station()];
      if (muster !== undefined && station !== undefined) untracked(() => this.here.open(muster, station));
    });
    effect(() => {
      const station = this.here.station();
      untracked(() =>
        this.store.ownSteps.set(station === null ? null : (code) => this.here.has(partOf(code))),
      );
    });
    effect(() => {
      const id = this.docketId();
      // At a station it is known first which steps are its own.
      if (this.muster() !== undefined && !this.here.known()) return;
      untracked(() =>
        this.store.open(id, (again) => {
          this.cursor.begin(again);
          if (this.fitting() !== undefined && !again) this.tryOn();
          if (this.hand() !== undefined && !again) this.cursor.toHanding();
        }),
      );
    });
    effect(() => {
      // Followed from the exceptions, the docket opens at the garment that is to be decided.
      const at = this.store.garments().findIndex(({ chart }) => chart.id === this.decide());
      if (at < 0 || this.followed) return;
      this.followed = true;
      untracked(() => {
        this.garmentAt.set(at);
        this.cursor.toDeciding();
      });
    });
    effect(() => {
      const stop = this.stop();
      if (stop.kind === 'step')
        this.speech.say(
          this.along().length > 0
            ? wordsAt(markWords(stop.code), this.waist())
            : `${nameAt(stop.code, this.waist())}. ${placeAt(stop.code, this.waist())}`,
        );
      else if (stop.kind === 'stance') this.speech.say(STANCE_ASKS[stop.stance]);
    });
    effect(() => {
      while (this.drawn() && this.ahead.length > 0) untracked(() => this.press(this.ahead.shift()!));
    });
    listKeys(() => [...this.panelKeys(), ...this.commands]);
  }

  /** To a garment, by its place on the docket: to try it on where that is what is done, else to decide it. */
  protected toGarment(at: number): void {
    if (this.trying()) {
      this.tryingStore.at.set(at);
      return;
    }
    this.garmentAt.set(at);
    this.cursor.toDeciding();
  }

  /** Tries on what was decided, in the order in which it is put on. */
  protected tryOn(): void {
    this.tryingStore.begin(this.garmentAt());
    this.cursor.toTrying();
  }

  /** From handing over, to trying on a garment by its place. */
  protected tryThis(at: number): void {
    this.tryingStore.at.set(at);
    this.cursor.toTrying();
  }

  /** Leaves for the next wearer; what was decided at a station that hands over is handed over first. */
  protected leave(): void {
    if (this.deciding() && this.here.handsOverHere()) this.cursor.toHanding();
    else void this.here.leave();
  }

  /** From trying on: to handing over where that is done here. */
  protected hands(): void {
    if (this.here.has('handing')) this.cursor.toHanding();
    else void this.here.leave();
  }

  protected onDecided(): void {
    const open = this.store
      .garments()
      .findIndex(({ decision }, index) => decision === null && index !== this.garmentAt());
    if (open >= 0) this.garmentAt.set(open);
  }

  protected onKey(event: KeyboardEvent): void {
    // A key that is held down answers nothing by itself: nobody has looked at what comes up next.
    if (
      event.repeat &&
      !this.ear.holds &&
      !this.atTheTape() &&
      (event.key === 'Enter' || !isTakenElsewhere(event))
    ) {
      event.preventDefault();
      return;
    }
    // Whoever has taken a key keeps it: the list of everything, before its field has the keys.
    if (event.defaultPrevented) return;
    if (this.reading()?.owns(event.target) !== true && isTakenElsewhere(event)) return;
    // Before the stop is drawn, too: a code scanned straight after the last reading is a code.
    if (this.ear.takes(event)) return;
    this.take(event);
  }

  /** At the tape digits are readings, and come as fast as hands can: there a code begins with letters. */
  private listening(): Listening {
    if (this.stop().kind !== 'step') return 'any';
    return this.entry.entry() === '' ? 'lettered' : 'none';
  }

  /** What a scanner types is a code wherever the work stands past the tape, and never a command. */
  private readonly ear = hearScanner({
    heard: ({ article, ...more }) =>
      this.store.trouble.set(
        this.handPanel()?.scanned({ article, ...more }) ??
          `Scanned: ${article.garment} ${article.label}. Tick it at Handing over.`,
      ),
    failed: (message) => this.store.trouble.set(message),
    first: (code) => this.here.takesCode(code, () => this.cursor.toHanding()),
    pass: (event) => this.take(event),
    how: () => this.listening(),
  });

  private take(event: KeyboardEvent): void {
    // Before its stop is drawn a key waits for it: it belongs to that stop, not to the one before.
    if (this.drawn() && this.ahead.length === 0) this.press(event);
    else {
      // Whatever had the focus then, a button of the stop before among them, has nothing to do with it any more.
      this.ahead.push(new KeyboardEvent(event.type, event));
      event.preventDefault();
    }
  }

  /** Keys that came before what they are meant for was drawn. */
  private readonly ahead: KeyboardEvent[] = [];
  /** Whether what is in the middle is what the work stands at. */
  private readonly drawn = computed(
    () =>
      (this.stop().kind === 'step') === (this.reading() !== undefined) &&
      this.trying() === (this.tryPanel() !== undefined) &&
      this.handing() === (this.handPanel() !== undefined) &&
      this.deciding() === (this.decidePanel()?.shown() ?? false),
  );

  private press(event: KeyboardEvent): void {
    const key = keyOf(event);
    if (!handleKey([...this.panelKeys(), ...this.commands], key, event)) return;
    event.preventDefault();
    this.reading()?.settle(key);
  }

  /** The marks that are read along one tape with the step at hand. */
  protected readonly along = computed(() => {
    const placing = this.cursor.placing();
    return placing.length > 1 ? placing.map(({ code }) => code) : [];
  });

  /** The keys of what is in the middle. */
  private readonly panelKeys = computed(
    () =>
      this.reading()?.commands ??
      this.tryPanel()?.commands ??
      this.handPanel()?.commands ??
      (this.deciding() ? (this.decidePanel()?.commands ?? []) : []),
  );

  /** The keys of the Bench wherever the work stands; what is being typed comes before them. */
  private readonly commands: readonly KeyCommand[] = (
    [
      {
        keys: ['Enter'],
        does: '',
        // Past the tape a panel has Enter to itself: what it does not take, nobody does.
        when: (key, event) => this.atTheTape() && notOnButton(key, event),
        run: () => (this.stop().kind === 'decide' ? this.leave() : this.cursor.next()),
      },
      {
        keys: ['s'],
        does: '',
        when: () => this.atTheTape() && this.stop().kind !== 'step',
        run: () => this.cursor.next(),
      },
      {
        keys: ['r'],
        does: 'undo the last reading',
        when: () => this.atTheTape(),
        run: () => this.entry.takeBack(),
      },
      { keys: ['b'], does: 'back one step', run: () => this.cursor.back() },
      {
        keys: ['d'],
        does: 'decide the garments',
        when: () => this.here.has('deciding'),
        run: () => this.cursor.toDeciding(),
      },
      {
        keys: ['t'],
        does: 'try on what was decided',
        when: () => !this.trying() && this.store.garments().length > 0 && this.here.has('trying'),
        run: () => this.tryOn(),
      },
      {
        keys: ['i'],
        does: 'hand over: issue, hire out or sell',
        when: () => !this.handing() && this.store.garments().length > 0 && this.here.has('handing'),
        run: () => this.cursor.toHanding(),
      },
      { keys: ['l'], does: 'lengths wanted of the garment: wishes', run: () => this.cursor.toWishes() },
      { keys: ['g'], does: 'go to the step that decides most', run: () => this.foresight.takeNext() },
      {
        keys: ['n'],
        does: 'skip the steps that can change no size',
        run: () => this.foresight.skipIdle(),
      },
      {
        keys: ['u'],
        does: 'undo the last act',
        when: () => this.store.last() !== null,
        run: () => this.store.undo(),
      },
      {
        keys: ['+'],
        does: 'add a garment, a protocol or a measurement',
        run: () => this.openDocket.asked.set(true),
      },
      { keys: ['v'], does: 'spoken prompts on or off', run: () => this.speech.toggle() },
      { keys: ['?'], does: '', run: () => this.shortcuts.shown.set(true) },
    ] satisfies KeyCommand[]
  ).map((command: KeyCommand) => ({
    ...command,
    when: (key: string, event: KeyboardEvent) =>
      this.entry.entry() === '' && (command.when?.(key, event) ?? true),
  }));
}
