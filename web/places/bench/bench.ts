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
import { Router } from '@angular/router';
import { DocketService } from '../../data/docket-service';
import { SpeechService } from '../../data/speech-service';
import { measurement, STANCE_ASKS } from '@neat-measure/core';
import { isTakenElsewhere, ShortcutService } from '../../parts/shortcuts/shortcut-service';
import { BodyFigure } from '../../parts/body-figure/body-figure';
import { BenchStore } from './bench-store';
import { ForesightService } from './foresight-service';
import { ForesightStore } from './foresight-store';
import { DecidePanel } from './decide-panel';
import { GarmentCards } from './garment-cards';
import { PreparePanel } from './prepare-panel';
import { ReadingPanel } from './reading-panel';
import { StancePanel } from './stance-panel';
import { TapeStrip } from './tape-strip';

/** The Bench: one wearer, one docket. Where the tape goes, what is read, and what it comes to. */
@Component({
  selector: 'nm-bench',
  imports: [BodyFigure, PreparePanel, StancePanel, ReadingPanel, DecidePanel, GarmentCards, TapeStrip],
  providers: [BenchStore, ForesightService, ForesightStore],
  templateUrl: './bench.html',
  styleUrl: './bench.less',
  host: { '(document:keydown)': 'onKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Bench {
  readonly docketId = input.required<string>();
  /** The chart of the garment to be decided first, where one was followed here. */
  readonly decide = input<string>();
  protected readonly store = inject(BenchStore);
  private readonly foresight = inject(ForesightStore);
  private readonly shortcuts = inject(ShortcutService);
  protected readonly speech = inject(SpeechService);
  private readonly dockets = inject(DocketService);
  private readonly router = inject(Router);
  private readonly reading = viewChild(ReadingPanel);
  private readonly decidePanel = viewChild(DecidePanel);

  /** Which garment is being decided, by its place on the docket. */
  protected readonly garmentAt = signal(0);
  /** At a step, before one, or deciding. */
  protected readonly stop = this.store.stop;
  protected readonly deciding = computed(() => this.stop().kind === 'decide' && this.garment() !== null);
  private followed = false;
  protected readonly garment = computed(() => this.store.garments()[this.garmentAt()] ?? null);

  constructor() {
    effect(() => {
      const id = this.docketId();
      untracked(() => this.store.open(id));
    });
    effect(() => {
      // Followed from the exceptions, the docket opens at the garment that is to be decided.
      const at = this.store.garments().findIndex(({ chart }) => chart.id === this.decide());
      if (at < 0 || this.followed) return;
      this.followed = true;
      untracked(() => {
        this.garmentAt.set(at);
        this.store.toDeciding();
      });
    });
    effect(() => {
      const stop = this.stop();
      if (stop.kind === 'step')
        this.speech.say(`${measurement(stop.code).name}. ${measurement(stop.code).place}`);
      else if (stop.kind === 'stance') this.speech.say(STANCE_ASKS[stop.stance]);
    });
    this.shortcuts.shortcuts.set([
      { keys: ['0–9'], does: 'type a reading' },
      { keys: ['Enter'], does: 'take the reading, go on, or accept the size' },
      { keys: ['↑', '↓'], does: 'nudge what is typed by 1/8 in or 5 mm' },
      { keys: ['Y'], does: 'take the number in the unit offered' },
      { keys: ['R'], does: 'take the last reading back' },
      { keys: ['B'], does: 'back one step' },
      { keys: ['S'], does: 'pass the step over, with a reason' },
      { keys: ['C'], does: 'confirm a value that was asked about' },
      { keys: ['K'], does: 'keep what an earlier docket has on record' },
      { keys: ['T'], does: 'how the tape lies, where it cannot lie as asked' },
      { keys: ['W'], does: 'what lies between tape and body' },
      { keys: ['G'], does: 'go to the step that decides most' },
      { keys: ['N'], does: 'pass over the steps that can change no size' },
      { keys: ['V'], does: 'spoken prompts on or off' },
      { keys: ['D'], does: 'decide the garments' },
      { keys: ['←', '→'], does: 'deciding: the garment before or after' },
      { keys: ['O'], does: 'deciding: another size' },
      { keys: ['Esc'], does: 'clear what is typed; deciding: back to the proposal' },
    ]);
  }

  /** The address with which the wearer measures themselves, once it has been made. */
  protected readonly link = signal('');
  protected readonly linkEnds = signal('');

  protected makeLink(): void {
    this.dockets.selfLink(this.docketId()).subscribe({
      next: ({ token, expiresAt }) => {
        this.link.set(`${location.origin}/self/${token}`);
        this.linkEnds.set(new Date(expiresAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' }));
      },
      error: (problem: Error) => this.store.trouble.set(problem.message),
    });
  }

  /** Leaves for the next wearer. */
  protected leave(): void {
    void this.router.navigateByUrl('/bench');
  }

  protected onDecided(): void {
    const open = this.store
      .garments()
      .findIndex(({ decision }, index) => decision === null && index !== this.garmentAt());
    if (open >= 0) this.garmentAt.set(open);
  }

  protected onKey(event: KeyboardEvent): void {
    if (this.reading()?.owns(event.target) !== true && isTakenElsewhere(event)) return;
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    if (this.typedAhead(key)) return event.preventDefault();
    const panel = this.reading() ?? this.decidePanel();
    const handled = panel?.onKey(key, event) ?? false;
    if (handled) {
      event.preventDefault();
      return;
    }
    if (this.store.entry() !== '') return;
    const command = this.commands[key];
    if (command === undefined || (event.target instanceof HTMLButtonElement && key === 'Enter')) return;
    event.preventDefault();
    command();
  }

  /** A key of a reading that comes before its step is drawn: it belongs to that step all the same. */
  private typedAhead(key: string): boolean {
    if (this.stop().kind !== 'step' || this.reading() !== undefined) return false;
    if (/^[\d.,/ ½¼¾⅛⅜⅝⅞]$/.test(key)) this.store.entry.update((entry) => entry + key);
    else if (key === 'Enter' && this.store.entry() !== '') this.store.takeEntry();
    else return false;
    return true;
  }

  private readonly commands: Readonly<Record<string, () => void>> = {
    b: () => this.store.back(),
    s: () => (this.stop().kind === 'step' ? this.reading()?.passOver() : this.store.next()),
    Enter: () => this.enter(),
    t: () => this.reading()?.turnTension(),
    w: () => this.reading()?.turnClothing(),
    g: () => this.foresight.takeNext(),
    n: () => this.foresight.skipIdle(),
    v: () => this.speech.toggle(),
    r: () => this.store.takeBack(),
    d: () => this.store.toDeciding(),
    '?': () => this.shortcuts.shown.set(true),
  };

  /** Enter where no panel has its own: begins, goes on after a stance, or leaves when nothing is to be decided. */
  private enter(): void {
    if (this.stop().kind === 'decide') this.leave();
    else this.store.next();
  }
}
