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
import { FormsModule } from '@angular/forms';
import {
  isMade,
  labelOf,
  sayChance,
  type ChartSheet,
  type GarmentVerdict,
  alterationsIn,
  compiled,
  sayAlterationShort,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { UnitService } from '../../../data/unit-service';
import { notOnButton } from '../../../parts/shortcuts/keys';

/** Reasons to hand over another size, as fitters give them. */
const REASONS = [
  'Wearer wants it roomier',
  'Wearer wants it closer',
  'Thick layers beneath',
  'Tried on, fits better',
  'No other size in stock',
] as const;

/** So many sizes of a part stand side by side. */
const NEAR = 5;

/** Sizes chosen in the place of the proposal, and why. */
export interface ChosenSizes {
  readonly sizes: Readonly<Record<string, string>>;
  readonly reason: string;
}

/** Another size: one a part, and the reason for it, from a short list or in words. */
@Component({
  selector: 'nm-size-choice',
  imports: [NzButtonModule, NzInputModule, NzRadioModule, FormsModule],
  template: `
    <div class="choice" role="group" aria-label="Another size" (keydown)="onKey($event)">
      @for (row of rows(); track row.code) {
        <fieldset class="row">
          <legend class="fine">{{ row.name }}</legend>
          <nz-radio-group
            [nzName]="row.code"
            [ngModel]="sizes()[row.code]"
            (ngModelChange)="choose(row.code, $event)"
          >
            @for (one of row.near; track one.size) {
              <label
                nz-radio-button
                [nzValue]="one.size"
                [attr.data-chosen]="sizes()[row.code] === one.size || null"
                >{{ one.size }}<small>{{ one.says }}</small></label
              >
            }
          </nz-radio-group>
        </fieldset>
      }
      @if (asksReason()) {
        <fieldset class="row">
          <legend class="fine">Reason</legend>
          <nz-radio-group nzName="reason" [ngModel]="reason()" (ngModelChange)="reason.set($event)">
            @for (one of reasons; track one) {
              <label nz-radio-button [nzValue]="one">{{ one }}</label>
            }
          </nz-radio-group>
          <input
            nz-input
            class="words"
            type="text"
            aria-label="Another reason"
            placeholder="or another reason"
            maxlength="300"
            [value]="reason()"
            (input)="reason.set($any($event.target).value)"
          />
        </fieldset>
      }
      @if (unmade()) {
        <p class="soft" role="status">{{ label() }} is not made according to the chart.</p>
      }
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
      <p class="foot">
        <button nz-button nzType="primary" nzSize="large" type="button" (click)="take()">
          <kbd>Enter</kbd> {{ does() }} {{ label() }}
        </button>
        <button nz-button nzType="text" type="button" (click)="kept.emit()">
          <kbd>Esc</kbd> {{ keeps() }}
        </button>
      </p>
    </div>
  `,
  styleUrl: './choice.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizeChoice {
  readonly sheet = input.required<ChartSheet>();
  readonly verdict = input.required<GarmentVerdict>();
  /** What is ticked to begin with. */
  readonly start = input.required<Readonly<Record<string, string>>>();
  readonly startReason = input('');
  /** What is done with the sizes, and what is done instead. */
  readonly does = input('Hand over');
  readonly keeps = input('Keep the proposal');
  readonly asksReason = input(true);
  readonly taken = output<ChosenSizes>();
  readonly kept = output<void>();

  private readonly units = inject(UnitService);
  protected readonly reasons = REASONS;
  protected readonly sizes = linkedSignal(() => this.start());
  protected readonly reason = linkedSignal(() => this.startReason());
  protected readonly fault = signal('');
  protected readonly label = computed(() => labelOf(this.sheet(), this.sizes()));
  protected readonly unmade = computed(() => this.label() !== null && !isMade(this.sheet(), this.sizes()));

  /**
   * Each part with the sizes beside the one that is chosen, in their order, and what the tape and the
   * maker say of each. Choosing one brings the next ones beside it.
   */
  protected readonly rows = computed(() => {
    const { parts } = this.sheet();
    return parts.map(({ code, name, sizes }) => {
      const chances = this.verdict().parts.find(({ part }) => part === code)?.odds ?? [];
      const at = Math.max(0, sizes.indexOf(this.sizes()[code] ?? this.verdict().sizes[code] ?? ''));
      const from = Math.max(0, Math.min(at - Math.floor(NEAR / 2), sizes.length - NEAR));
      const says = (size: string) => {
        const changed = { ...this.sizes(), [code]: size };
        if (labelOf(this.sheet(), changed) !== null && !isMade(this.sheet(), changed)) return 'not made';
        const chance = chances.find((one) => one.size === size)?.chance;
        const odds = chance === undefined || chances.length < 2 ? '' : sayChance(chance);
        return [odds, ...this.altered(code, size)].filter((one) => one !== '').join(', ');
      };
      return {
        code,
        name: parts.length === 1 ? 'Size' : name,
        near: sizes.slice(from, from + NEAR).map((size) => ({ size, says: says(size) })),
      };
    });
  });

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef);
    afterNextRender(() =>
      (
        host.nativeElement.querySelector<HTMLElement>('[data-chosen] input') ??
        host.nativeElement.querySelector<HTMLElement>('input')
      )?.focus(),
    );
  }

  /** What would have to be altered on a size of a part; of several alterations the first, and how many more. */
  private altered(part: string, size: string): string[] {
    const verdict = this.verdict().parts.find((one) => one.part === part);
    const compiledPart = compiled(this.sheet()).parts.find(({ whole }) => whole.code === part);
    if (verdict === undefined || compiledPart === undefined) return [];
    const [first, ...more] = alterationsIn(compiledPart.whole, verdict, size);
    if (first === undefined) return [];
    const words = sayAlterationShort(first, this.units.shown());
    return [more.length === 0 ? words : `${words} and ${more.length} more`];
  }

  protected choose(part: string, size: string): void {
    this.sizes.update((sizes) => ({ ...sizes, [part]: size }));
  }

  protected take(): void {
    if (this.label() === null) return this.fault.set('Choose a size of every part first.');
    const reason = this.reason().trim();
    if (reason === '' && this.asksReason()) return this.fault.set('Choose a reason, or enter one.');
    this.taken.emit({ sizes: this.sizes(), reason });
  }

  protected onKey(event: KeyboardEvent): void {
    if (event.key === 'Escape') this.kept.emit();
    else if (event.key === 'Enter' && notOnButton(event.key, event)) this.take();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
}
