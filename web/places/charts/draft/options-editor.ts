import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  CATALOGUE,
  writtenLength,
  writtenLengthSchema,
  type ChartOption,
  type ChartSheet,
  type ColumnCode,
  type Condition,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ControlName } from '../../../parts/forms/control-name';

/** An option as the form holds it: lengths stay texts until they can be read. */
interface OptionText {
  readonly name: string;
  readonly adds: string;
  readonly when: readonly {
    readonly of: ColumnCode;
    readonly is: Condition['is'];
    readonly length: string;
  }[];
}

/** The options a maker offers, when they are proposed, and what must be read beside the garment. */
@Component({
  selector: 'nm-options-editor',
  imports: [ControlName, FormsModule, NzButtonModule, NzInputModule, NzSelectModule],
  template: `
    <h3>Options</h3>
    <p class="soft">Such as a long torso. An option is proposed when one of its conditions is met.</p>
    <ul class="rows">
      @for (option of options(); track $index; let at = $index) {
        <li>
          <div class="line">
            <input
              nz-input
              class="what"
              maxlength="60"
              placeholder="Long torso"
              [attr.aria-label]="'Name of option ' + (at + 1)"
              [value]="option.name"
              (change)="change(at, { name: $any($event.target).value })"
            />
            <input
              nz-input
              class="what"
              maxlength="160"
              placeholder="+2 in in the torso"
              [attr.aria-label]="'What option ' + (at + 1) + ' adds'"
              [value]="option.adds"
              (change)="change(at, { adds: $any($event.target).value })"
            />
            <button nz-button nzType="text" type="button" (click)="drop(at)">Remove</button>
          </div>
          @for (condition of option.when; track $index; let index = $index) {
            <div class="line">
              <span class="soft">{{ index === 0 ? 'when' : 'or when' }}</span>
              <nz-select
                class="what"
                nzShowSearch
                [nmName]="'Measurement of condition ' + (index + 1) + ', option ' + (at + 1)"
                [nzOptions]="columns()"
                [ngModel]="condition.of"
                (ngModelChange)="setCondition(at, index, { of: $event })"
              />
              <nz-select
                [nmName]="'Way of condition ' + (index + 1) + ', option ' + (at + 1)"
                [nzOptions]="ways"
                [ngModel]="condition.is"
                (ngModelChange)="setCondition(at, index, { is: $event })"
              />
              <input
                nz-input
                class="num"
                maxlength="24"
                placeholder="74 in"
                [attr.aria-label]="'Length of condition ' + (index + 1) + ', option ' + (at + 1)"
                [value]="condition.length"
                (change)="setCondition(at, index, { length: $any($event.target).value })"
              />
              @if (option.when.length > 1) {
                <button nz-button nzType="text" type="button" (click)="dropCondition(at, index)">
                  Remove
                </button>
              }
            </div>
          }
          @if (faultOf(option); as fault) {
            <p class="fault" role="alert">{{ fault }}</p>
          }
          <button nz-button nzType="link" type="button" (click)="addCondition(at)">Add condition</button>
        </li>
      }
    </ul>
    <div class="acts"><button nz-button type="button" (click)="add()">Add option</button></div>

    <h3>Cautions of the maker</h3>
    <p class="soft">
      One a line. They are shown with the cautions of the garment’s kind wherever it is sized.
    </p>
    <textarea
      nz-input
      rows="3"
      aria-label="Cautions of the maker, one a line"
      [value]="sheet().cautions.join('\\n')"
      (change)="cautions($any($event.target).value)"
    ></textarea>
    <h3>Label format</h3>
    <p class="soft">{{ labelHint() }}</p>
    <input
      nz-input
      maxlength="120"
      aria-label="Label format"
      [value]="sheet().label ?? ''"
      (change)="changed.emit({ label: $any($event.target).value.trim() || null })"
    />
  `,
  styles: `
    h3 {
      margin-top: 18px;
    }
    .num {
      width: 110px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OptionsEditor {
  readonly sheet = input.required<ChartSheet>();
  readonly changed = output<Partial<ChartSheet>>();
  /** Whether all options that are typed can be read; until they can, the chart keeps those it had. */
  readonly readable = output<boolean>();

  protected readonly ways = [
    { label: 'is above', value: 'above' },
    { label: 'is at least', value: 'at-least' },
    { label: 'is below', value: 'below' },
    { label: 'is at most', value: 'at-most' },
  ];
  protected readonly columns = computed((): { label: string; value: ColumnCode }[] => [
    ...this.sheet().derivations.map(({ code, name }) => ({ label: name, value: code as ColumnCode })),
    ...CATALOGUE.filter(({ kind }) => kind !== 'mass').map(({ code, name }) => ({
      label: name,
      value: code as ColumnCode,
    })),
  ]);
  protected readonly labelHint = computed(
    () =>
      `A part in braces stands for its size: ${this.sheet()
        .parts.map(({ code }) => `{${code}}`)
        .join(' ')}. Empty, they are parted by spaces.`,
  );

  /** Follows the chart from outside, and is otherwise what is typed. */
  protected readonly options = linkedSignal<readonly ChartOption[], readonly OptionText[]>({
    source: () => this.sheet().options,
    computation: (options, before) => {
      const made = before?.value.map(optionOf);
      const same = made !== undefined && JSON.stringify(made) === JSON.stringify(options);
      return same ? before!.value : options.map(textOf);
    },
  });

  constructor() {
    effect(() => this.readable.emit(this.options().every((one) => optionOf(one) !== null)));
  }

  protected faultOf(option: OptionText): string {
    if (option.name.trim() === '') return 'Enter a name for the option.';
    if (option.adds.trim() === '') return 'Enter what the option adds, such as +2 in in the torso.';
    const unread = option.when.find(({ length }) => !writtenLengthSchema.safeParse(length).success);
    return unread === undefined ? '' : 'Enter the length with its unit, such as 74 in.';
  }

  protected change(at: number, change: Partial<OptionText>): void {
    this.set(this.options().map((one, index) => (index === at ? { ...one, ...change } : one)));
  }

  protected setCondition(at: number, index: number, change: Partial<OptionText['when'][number]>): void {
    const when = this.options()[at]!.when.map((one, place) =>
      place === index ? { ...one, ...change } : one,
    );
    this.change(at, { when });
  }

  protected addCondition(at: number): void {
    this.change(at, { when: [...this.options()[at]!.when, EMPTY] });
  }

  protected dropCondition(at: number, index: number): void {
    this.change(at, { when: this.options()[at]!.when.filter((_, place) => place !== index) });
  }

  protected add(): void {
    this.set([...this.options(), { name: '', adds: '', when: [EMPTY] }]);
  }

  protected drop(at: number): void {
    this.set(this.options().filter((_, index) => index !== at));
  }

  protected cautions(text: string): void {
    const cautions = text
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => line !== '');
    this.changed.emit({ cautions });
  }

  private set(options: readonly OptionText[]): void {
    this.options.set(options);
    const made = options.map(optionOf);
    if (made.every((one) => one !== null)) this.changed.emit({ options: made });
  }
}

const EMPTY = { of: 'height' as ColumnCode, is: 'above' as const, length: '' };

function textOf({ name, adds, when }: ChartOption): OptionText {
  return { name, adds, when: when.map(({ of, is, length }) => ({ of, is, length: writtenLength(length) })) };
}

/** The option that its texts make; nothing while they cannot be read. */
function optionOf({ name, adds, when }: OptionText): ChartOption | null {
  const read = when.map(({ of, is, length }) => ({ of, is, length: writtenLengthSchema.safeParse(length) }));
  if (name.trim() === '' || adds.trim() === '' || read.some(({ length }) => !length.success)) return null;
  return {
    name: name.trim(),
    adds: adds.trim(),
    when: read.map(({ of, is, length }) => ({ of, is, length: length.data! })),
  };
}
