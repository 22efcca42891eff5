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
import { isTakenElsewhere, ShortcutService } from '../../parts/shortcuts/shortcut-service';
import { BodyFigure } from '../../parts/body-figure/body-figure';
import { BenchStore } from './bench-store';
import { DecidePanel } from './decide-panel';
import { GarmentCards } from './garment-cards';
import { ReadingPanel } from './reading-panel';
import { TapeStrip } from './tape-strip';

/** The Bench: one wearer, one docket. Where the tape goes, what is read, and what it comes to. */
@Component({
  selector: 'nm-bench',
  imports: [BodyFigure, ReadingPanel, DecidePanel, GarmentCards, TapeStrip],
  providers: [BenchStore],
  templateUrl: './bench.html',
  styleUrl: './bench.less',
  host: { '(document:keydown)': 'onKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Bench {
  readonly docketId = input.required<string>();
  protected readonly store = inject(BenchStore);
  private readonly shortcuts = inject(ShortcutService);
  private readonly router = inject(Router);
  private readonly reading = viewChild(ReadingPanel);
  private readonly deciding = viewChild(DecidePanel);

  /** Which garment is being decided, by its place on the docket. */
  protected readonly garmentAt = signal(0);
  protected readonly measuring = computed(() => this.store.current() !== null);
  protected readonly garment = computed(() => this.store.garments()[this.garmentAt()] ?? null);

  constructor() {
    effect(() => {
      const id = this.docketId();
      untracked(() => this.store.open(id));
    });
    this.shortcuts.shortcuts.set([
      { keys: ['0–9'], does: 'type a reading' },
      { keys: ['Enter'], does: 'take the reading, go on, or accept the size' },
      { keys: ['↑', '↓'], does: 'nudge what is typed by 1/8 in or 5 mm' },
      { keys: ['Y'], does: 'take the number in the unit offered' },
      { keys: ['R'], does: 'take the last reading back' },
      { keys: ['B'], does: 'back one step' },
      { keys: ['S'], does: 'on to the next step' },
      { keys: ['D'], does: 'decide the garments' },
      { keys: ['←', '→'], does: 'deciding: the garment before or after' },
      { keys: ['O'], does: 'deciding: another size' },
      { keys: ['Esc'], does: 'clear what is typed; deciding: back to the proposal' },
    ]);
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
    const handled = this.measuring()
      ? (this.reading()?.onKey(key, event) ?? false)
      : (this.deciding()?.onKey(key, event) ?? false);
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

  private readonly commands: Readonly<Record<string, () => void>> = {
    b: () => this.store.back(),
    s: () => this.store.next(),
    r: () => this.store.takeBack(),
    d: () => this.decide(),
    '?': () => this.shortcuts.shown.set(true),
  };

  /** On to the garments, from wherever the tape is. */
  protected decide(): void {
    while (this.store.current() !== null) this.store.next();
  }
}
