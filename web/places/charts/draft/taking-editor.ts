import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  CLOTHING_WORDS,
  CLOTHINGS,
  codesRead,
  columnName,
  measurement,
  TENSION_WORDS,
  TENSIONS,
  writtenLength,
  writtenLengthSchema,
  type ChartSheet,
  type Expectation,
  type MeasurementCode,
} from '@neat-measure/core';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ControlName } from '../../../parts/forms/control-name';

type Rounding = NonNullable<Expectation['rounding']>;

const MODES: readonly { readonly label: string; readonly value: Rounding['mode'] | '' }[] = [
  { label: 'as measured', value: '' },
  { label: 'to the nearest', value: 'nearest' },
  { label: 'up to a whole', value: 'up' },
  { label: 'down to a whole', value: 'down' },
];
const OFFERED = { label: 'down to one of', value: 'down-to-offered' } as const;

/** A measurement that nothing is said of yet. */
const UNSAID: Omit<Expectation, 'code'> = {
  tension: null,
  clothing: null,
  rounding: null,
  recorded: false,
  remeasureAfter: null,
};

/** How a chart wants its measurements taken: tape, clothes, rounding, and whether they are recorded rounded. */
@Component({
  selector: 'nm-taking-editor',
  imports: [ControlName, FormsModule, NzCheckboxModule, NzInputModule, NzSelectModule],
  template: `
    <h3>How measurements are taken</h3>
    <ul class="rows">
      @for (code of codes(); track code) {
        <li class="line">
          <span class="what">{{ nameOf(code) }}</span>
          <nz-select
            [nmName]="'Tape at ' + nameOf(code)"
            [nzOptions]="tensions"
            [ngModel]="said(code).tension ?? ''"
            (ngModelChange)="expect(code, { tension: $event || null })"
          />
          <nz-select
            [nmName]="'Clothes at ' + nameOf(code)"
            [nzOptions]="clothings"
            [ngModel]="said(code).clothing ?? ''"
            (ngModelChange)="expect(code, { clothing: $event || null })"
          />
          <nz-select
            [nmName]="'Rounding of ' + nameOf(code)"
            [nzOptions]="modesFor(code)"
            [ngModel]="modeOf(code) ?? ''"
            (ngModelChange)="round(code, $event || null, stepOf(code))"
          />
          @if (modeOf(code) !== null) {
            <input
              nz-input
              class="num"
              maxlength="400"
              [attr.aria-label]="'Step of rounding, ' + nameOf(code)"
              [value]="stepOf(code)"
              (change)="round(code, modeOf(code), $any($event.target).value)"
            />
            @if (modeOf(code) !== 'down-to-offered') {
              <label
                nz-checkbox
                [ngModel]="said(code).recorded"
                (ngModelChange)="expect(code, { recorded: $event })"
                [ngModelOptions]="{ standalone: true }"
                >recorded so</label
              >
            }
          }
          @if (faults()[code]; as fault) {
            <span class="fault" role="alert">{{ fault }}</span>
          }
        </li>
      }
    </ul>
  `,
  styles: `
    h3 {
      margin-top: 18px;
    }
    .num {
      width: 90px;
    }
    nz-select {
      min-width: 150px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakingEditor {
  readonly sheet = input.required<ChartSheet>();
  readonly changed = output<Partial<ChartSheet>>();

  protected readonly faults = signal<Readonly<Record<string, string>>>({});
  protected readonly tensions = [
    { label: 'tape: not stated', value: '' },
    ...TENSIONS.map((value) => ({ label: TENSION_WORDS[value], value })),
  ];
  protected readonly clothings = [
    { label: 'clothes: not stated', value: '' },
    ...CLOTHINGS.map((value) => ({ label: CLOTHING_WORDS[value], value })),
  ];
  protected readonly codes = computed((): MeasurementCode[] => codesRead(this.sheet()));

  protected nameOf(code: MeasurementCode): string {
    return columnName(this.sheet(), code, (one) => measurement(one).name);
  }

  protected said(code: MeasurementCode): Expectation {
    return this.sheet().expects.find((one) => one.code === code) ?? { code, ...UNSAID };
  }

  protected modeOf(code: MeasurementCode): Rounding['mode'] | null {
    return this.said(code).rounding?.mode ?? null;
  }

  protected stepOf(code: MeasurementCode): string {
    const { rounding } = this.said(code);
    if (rounding === null) return `1 ${this.sheet().unit}`;
    return rounding.mode === 'down-to-offered'
      ? rounding.offered.map(writtenLength).join('; ')
      : writtenLength(rounding.step);
  }

  protected round(code: MeasurementCode, mode: Rounding['mode'] | null, step: string): void {
    if (mode === null) return this.expect(code, { rounding: null, recorded: false });
    if (mode === 'down-to-offered') return this.offer(code, step);
    const read = writtenLengthSchema.safeParse(step);
    const sound = read.success && read.data > 0;
    this.tell(code, sound ? '' : 'Enter the step with its unit, such as 1 in.');
    if (sound) this.expect(code, { rounding: { mode, step: read.data } });
  }

  /** The lengths that a chart which rounds down to one of its own offers. */
  private offer(code: MeasurementCode, text: string): void {
    const read = text.split(';').map((one) => writtenLengthSchema.safeParse(one.trim()));
    const sound = read.every(({ success }) => success);
    this.tell(code, sound ? '' : 'Enter each length with its unit, such as 12 in; 13 in.');
    if (sound)
      this.expect(code, { rounding: { mode: 'down-to-offered', offered: read.map(({ data }) => data!) } });
  }

  /** How a measurement may be rounded: a chart with lengths of its own to round down to keeps them. */
  protected modesFor(code: MeasurementCode): { label: string; value: Rounding['mode'] | '' }[] {
    return this.modeOf(code) === 'down-to-offered' ? [...MODES, OFFERED] : [...MODES];
  }

  /** Says something of a measurement; one of which nothing is said any more stands in the chart no longer. */
  protected expect(code: MeasurementCode, change: Partial<Expectation>): void {
    const { expects } = this.sheet();
    const made = { ...this.said(code), ...change };
    const { code: _code, ...rest } = made;
    const others = expects.filter((one) => one.code !== code);
    const empty = JSON.stringify(rest) === JSON.stringify(UNSAID);
    const at = expects.findIndex((one) => one.code === code);
    this.changed.emit({
      expects: empty
        ? others
        : at < 0
          ? [...expects, made]
          : expects.map((one, index) => (index === at ? made : one)),
    });
  }

  private tell(at: string, fault: string): void {
    this.faults.update((faults) => ({ ...faults, [at]: fault }));
  }
}
