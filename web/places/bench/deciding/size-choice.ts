import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { isMade, labelOf, type ChartSheet } from '@neat-measure/core';

/** Reasons to hand over another size, as fitters give them. */
const REASONS = [
  'Wearer wants it roomier',
  'Wearer wants it closer',
  'Thick layers beneath',
  'Tried on, fits better',
  'Nothing else on the shelf',
] as const;

/** Sizes chosen in the place of the proposal, and why. */
export interface ChosenSizes {
  readonly sizes: Readonly<Record<string, string>>;
  readonly reason: string;
}

/** Another size: one a part, and the reason for it, from a short list or in words. */
@Component({
  selector: 'nm-size-choice',
  template: `
    <div class="choice" role="group" aria-label="Another size" (keydown)="onKey($event)">
      @for (part of sheet().parts; track part.code) {
        <fieldset>
          <legend>{{ sheet().parts.length === 1 ? 'Size' : part.name }}</legend>
          @for (size of part.sizes; track size) {
            <label class="chip"
              ><input
                type="radio"
                [name]="part.code"
                [value]="size"
                [checked]="sizes()[part.code] === size"
                (change)="choose(part.code, size)"
              />{{ size }}</label
            >
          }
        </fieldset>
      }
      <fieldset>
        <legend>Reason</legend>
        @for (one of reasons; track one) {
          <label class="chip"
            ><input type="radio" name="reason" [checked]="reason() === one" (change)="reason.set(one)" />{{
              one
            }}</label
          >
        }
        <input
          class="words"
          type="text"
          aria-label="Reason in your own words"
          placeholder="or in your own words"
          maxlength="300"
          [value]="reason()"
          (input)="reason.set($any($event.target).value)"
        />
      </fieldset>
      @if (unmade()) {
        <p class="unmade" role="status">{{ label() }} is not made by the chart’s own list.</p>
      }
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
      <div class="acts">
        <button type="button" class="primary" (click)="take()">
          <kbd>Enter</kbd> Hand over {{ label() }}
        </button>
        <button type="button" (click)="kept.emit()"><kbd>Esc</kbd> Keep the proposal</button>
      </div>
    </div>
  `,
  styleUrl: './choice.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizeChoice {
  readonly sheet = input.required<ChartSheet>();
  /** What is ticked to begin with. */
  readonly start = input.required<Readonly<Record<string, string>>>();
  readonly startReason = input('');
  readonly taken = output<ChosenSizes>();
  readonly kept = output<void>();

  protected readonly reasons = REASONS;
  protected readonly sizes = linkedSignal(() => this.start());
  protected readonly reason = linkedSignal(() => this.startReason());
  protected readonly fault = signal('');
  protected readonly label = computed(() => labelOf(this.sheet(), this.sizes()));
  protected readonly unmade = computed(() => this.label() !== null && !isMade(this.sheet(), this.sizes()));

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef);
    afterNextRender(() =>
      (
        host.nativeElement.querySelector<HTMLElement>('input:checked') ??
        host.nativeElement.querySelector<HTMLElement>('input')
      )?.focus(),
    );
  }

  protected choose(part: string, size: string): void {
    this.sizes.update((sizes) => ({ ...sizes, [part]: size }));
  }

  protected take(): void {
    if (this.label() === null) return this.fault.set('Choose a size of every part first.');
    const reason = this.reason().trim();
    if (reason === '') return this.fault.set('Give a reason: choose one, or write it.');
    this.taken.emit({ sizes: this.sizes(), reason });
  }

  protected onKey(event: KeyboardEvent): void {
    if (event.key === 'Escape') this.kept.emit();
    else if (event.key === 'Enter' && !(event.target instanceof HTMLButtonElement)) this.take();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
}
