import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  Injector,
  input,
  model,
  output,
  signal,
  untracked,
} from '@angular/core';
import {
  compileChart,
  measurement,
  onlyPart,
  RULE_WORDS,
  sayChance,
  sayReason,
  VERDICT_WORDS,
  type MeasurementCode,
} from '@neat-measure/core';
import { SizeRuler } from '../../parts/size-ruler/size-ruler';
import { VerdictGlyph } from '../../parts/verdict-glyph/verdict-glyph';
import { BenchStore } from './bench-store';
import type { Garment } from './bench-view';

/** Reasons to hand over another size, as fitters give them. */
const REASONS = [
  'Wearer wants it roomier',
  'Wearer wants it closer',
  'Thick layers beneath',
  'Tried on, fits better',
  'Nothing else on the shelf',
] as const;

/** Deciding one garment: the verdict at its largest, the proposal to accept, or another size with its reason. */
@Component({
  selector: 'nm-decide-panel',
  imports: [SizeRuler, VerdictGlyph],
  templateUrl: './decide-panel.html',
  styleUrl: './decide-panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DecidePanel {
  protected readonly store = inject(BenchStore);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly garment = input.required<Garment>();
  readonly count = input.required<number>();
  readonly at = model.required<number>();
  readonly decided = output<void>();
  readonly leave = output<void>();

  protected readonly reasons = REASONS;
  /** Whether another size is being chosen. */
  protected readonly choosing = signal(false);
  protected readonly size = signal<string | null>(null);
  protected readonly reason = signal('');
  protected readonly fault = signal('');

  protected readonly verdict = computed(() => this.garment().verdict);
  protected readonly word = computed(() => VERDICT_WORDS[this.verdict().verdict]);
  protected readonly says = computed(() => sayReason(this.verdict(), this.store.unit()));
  protected readonly compiled = computed(() => compileChart(this.garment().chart.sheet));
  protected readonly sizes = computed(() => onlyPart(this.garment().chart.sheet).sizes);
  protected readonly ruleWords = computed(() => RULE_WORDS[this.verdict().rule]);
  protected readonly acceptable = computed(() => this.verdict().proposed);
  protected readonly odds = computed(() =>
    this.verdict().odds.map(({ size, chance }) => ({
      size: size ?? 'none',
      words: sayChance(chance),
      percent: chance * 100,
    })),
  );
  protected readonly allDecided = computed(() =>
    this.store.garments().every(({ decision }) => decision !== null),
  );

  constructor() {
    // Another garment, not another reading of the same one, ends the choosing.
    const chartId = computed(() => this.garment().chart.id);
    effect(() => {
      chartId();
      untracked(() => this.choosing.set(false));
    });
  }

  /** Takes the keys of deciding; returns whether the key was one. */
  onKey(key: string, event: KeyboardEvent): boolean {
    const onButton = event.target instanceof HTMLButtonElement;
    if (key === 'Enter' && !onButton) this.enter();
    else if (key === 'o') this.choose();
    else if (key === 'Escape' && this.choosing()) this.choosing.set(false);
    else if (key === 'ArrowLeft' || key === 'ArrowRight') this.move(key === 'ArrowRight' ? 1 : -1);
    else return false;
    return true;
  }

  private enter(): void {
    if (this.choosing()) this.override();
    else if (this.allDecided()) this.leave.emit();
    else this.accept();
  }

  protected accept(): void {
    const size = this.acceptable();
    if (size === null || this.store.saving()) return;
    this.store.decide(this.garment(), { size, reason: null });
    this.decided.emit();
  }

  protected choose(): void {
    this.size.set(this.verdict().alternates[0] ?? this.verdict().proposed);
    this.reason.set('');
    this.fault.set('');
    this.choosing.set(true);
    afterNextRender(
      () => this.host.nativeElement.querySelector<HTMLElement>('.choice input:checked')?.focus(),
      {
        injector: this.injector,
      },
    );
  }

  protected override(): void {
    const size = this.size();
    if (size === null) return this.fault.set('Choose a size first.');
    if (this.reason().trim() === '') return this.fault.set('Give a reason: choose one, or write it.');
    this.store.decide(this.garment(), { size, reason: this.reason().trim() });
    this.choosing.set(false);
    this.decided.emit();
  }

  protected onFormKey(event: KeyboardEvent): void {
    if (event.key === 'Escape') this.choosing.set(false);
    else if (event.key === 'Enter') this.override();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  protected move(by: number): void {
    this.at.set((this.at() + by + this.count()) % this.count());
  }

  protected name(code: MeasurementCode): string {
    return measurement(code).name;
  }

  protected markOf(code: MeasurementCode) {
    return this.verdict().placements.find((placement) => placement.code === code) ?? null;
  }
}
