import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  CLOTHING_WORDS,
  CLOTHINGS,
  codesRead,
  columnName,
  FIT_POSES,
  measurement,
  TENSION_WORDS,
  TENSIONS,
  writtenLength,
  writtenLengthSchema,
  type ChartPart,
  type ChartSheet,
  type Expectation,
  type MeasurementCode,
  type WrittenFitCheck,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ControlName } from '../../../parts/forms/control-name';
import { ChoicesEditor } from './choices-editor';

type Rounding = NonNullable<Expectation['rounding']>;

/** A measurement that nothing is said of yet. */
const UNSAID: Omit<Expectation, 'code'> = {
  tension: null,
  clothing: null,
  rounding: null,
  recorded: false,
  remeasureAfter: null,
};

/** What a chart says besides its table: names, lean and reach of its parts, how measurements are taken, choices, fit checks, notes. */
@Component({
  selector: 'nm-details-editor',
  imports: [
    ChoicesEditor,
    ControlName,
    FormsModule,
    NzButtonModule,
    NzCheckboxModule,
    NzInputModule,
    NzSelectModule,
  ],
  template: `
    <h3>Parts</h3>
    <ul class="rows">
      @for (part of sheet().parts; track part.code) {
        <li>
          <div class="line">
            <input
              nz-input
              class="what"
              maxlength="80"
              [attr.aria-label]="'Name of part ' + part.code"
              [value]="part.name"
              (change)="rename(part, $any($event.target).value)"
            />
            <nz-select
              class="what"
              [nmName]="'Which size where several fit, ' + part.name"
              [nzOptions]="leans"
              [ngModel]="part.lean"
              (ngModelChange)="changePart(part, { lean: $event })"
            />
            <label
              nz-checkbox
              [ngModel]="part.values !== null"
              (ngModelChange)="measures(part, $event)"
              [ngModelOptions]="{ standalone: true }"
              >sizes have a measure of their own</label
            >
          </div>
          @for (column of part.columns; track column.code) {
            <div class="line">
              <span class="what">{{ nameOf(column.code) }}</span>
              <nz-select
                class="what"
                [nmName]="'Reach of single values, ' + nameOf(column.code) + ', ' + part.name"
                [nzOptions]="reaches"
                [ngModel]="column.reach"
                (ngModelChange)="reach(part, column.code, $event)"
              />
            </div>
          }
        </li>
      }
    </ul>

    <h3>How measurements are taken</h3>
    <ul class="rows">
      @for (code of codes(); track code) {
        <li class="line">
          <span class="what">{{ nameOf(code) }}</span>
          <nz-select
            [nmName]="'Tape at ' + nameOf(code)"
            [nzOptions]="tensions"
            [ngModel]="said(code).tension"
            (ngModelChange)="expect(code, { tension: $event })"
          />
          <nz-select
            [nmName]="'Clothes at ' + nameOf(code)"
            [nzOptions]="clothings"
            [ngModel]="said(code).clothing"
            (ngModelChange)="expect(code, { clothing: $event })"
          />
          <nz-select
            [nmName]="'Rounding of ' + nameOf(code)"
            [nzOptions]="modes"
            [ngModel]="modeOf(code)"
            (ngModelChange)="round(code, $event, stepOf(code))"
          />
          @if (modeOf(code) !== null && modeOf(code) !== 'down-to-offered') {
            <input
              nz-input
              class="num"
              maxlength="24"
              [attr.aria-label]="'Step of rounding, ' + nameOf(code)"
              [value]="stepOf(code)"
              (change)="round(code, modeOf(code), $any($event.target).value)"
            />
            <label
              nz-checkbox
              [ngModel]="said(code).recorded"
              (ngModelChange)="expect(code, { recorded: $event })"
              [ngModelOptions]="{ standalone: true }"
              >recorded so</label
            >
          }
          @if (faults()[code]; as fault) {
            <span class="fault" role="alert">{{ fault }}</span>
          }
        </li>
      }
    </ul>

    <nm-choices-editor [sheet]="sheet()" (changed)="changed.emit($event)" />

    <h3>Fit checks of the maker</h3>
    <ul class="rows">
      @for (check of sheet().fitChecks; track $index; let at = $index) {
        <li class="line">
          <input
            nz-input
            class="what"
            maxlength="200"
            [attr.aria-label]="'What to look at, check ' + (at + 1)"
            [value]="check.look"
            (change)="changeCheck(at, { look: $any($event.target).value.trim() })"
          />
          <input
            nz-input
            class="what"
            maxlength="200"
            [attr.aria-label]="'What to do otherwise, check ' + (at + 1)"
            [value]="check.otherwise"
            (change)="changeCheck(at, { otherwise: $any($event.target).value.trim() })"
          />
          <nz-select
            [nmName]="'Pose of check ' + (at + 1)"
            [nzOptions]="poses"
            [ngModel]="check.pose ?? 'standing'"
            (ngModelChange)="changeCheck(at, { pose: $event })"
          />
          <button nz-button nzType="text" type="button" (click)="dropCheck(at)">Remove</button>
        </li>
      }
    </ul>
    <div class="acts"><button nz-button type="button" (click)="addCheck()">Add fit check</button></div>

    <h3>Notes</h3>
    <textarea
      nz-input
      rows="3"
      maxlength="1000"
      aria-label="Notes"
      [value]="sheet().notes"
      (change)="changed.emit({ notes: $any($event.target).value })"
    ></textarea>
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
export class DetailsEditor {
  readonly sheet = input.required<ChartSheet>();
  readonly changed = output<Partial<ChartSheet>>();

  protected readonly faults = signal<Readonly<Record<string, string>>>({});
  protected readonly leans = [
    { label: 'as the wearer likes it', value: null },
    { label: 'the smaller', value: 'smaller' },
    { label: 'the larger', value: 'larger' },
  ];
  protected readonly reaches = [
    { label: 'reaches half-way', value: 'halfway' },
    { label: 'reaches up to itself', value: 'next-up' },
    { label: 'reaches down to itself', value: 'next-down' },
  ];
  protected readonly tensions = [
    { label: 'tape: not said', value: null },
    ...TENSIONS.map((value) => ({ label: TENSION_WORDS[value], value })),
  ];
  protected readonly clothings = [
    { label: 'clothes: not said', value: null },
    ...CLOTHINGS.map((value) => ({ label: CLOTHING_WORDS[value], value })),
  ];
  protected readonly modes = [
    { label: 'taken as it is', value: null },
    { label: 'to the nearest', value: 'nearest' },
    { label: 'up to a whole', value: 'up' },
    { label: 'down to a whole', value: 'down' },
  ];
  protected readonly poses = FIT_POSES.map((value) => ({ label: value.replace('-', ' '), value }));
  protected readonly codes = computed((): MeasurementCode[] => codesRead(this.sheet()));

  protected nameOf(code: Parameters<typeof columnName>[1]): string {
    return columnName(this.sheet(), code, (one) => measurement(one).name);
  }

  protected changePart(part: ChartPart, change: Partial<ChartPart>): void {
    this.changed.emit({
      parts: this.sheet().parts.map((one) => (one.code === part.code ? { ...one, ...change } : one)),
    });
  }

  protected rename(part: ChartPart, name: string): void {
    if (name.trim() !== '') this.changePart(part, { name: name.trim() });
  }

  /** Gives every size a measure of its own, its printed number where it has one; or takes that away. */
  protected measures(part: ChartPart, has: boolean): void {
    const { unit } = this.sheet();
    const values = part.sizes.map((size) => {
      const read = writtenLengthSchema.safeParse(`${/[\d.]+/.exec(size)?.[0] ?? '1'} ${unit}`);
      return read.data!;
    });
    this.changePart(part, { values: has ? values : null });
  }

  protected reach(part: ChartPart, code: string, reach: ChartPart['columns'][number]['reach']): void {
    this.changePart(part, {
      columns: part.columns.map((one) => (one.code === code ? { ...one, reach } : one)),
    });
  }

  protected said(code: MeasurementCode): Expectation {
    return this.sheet().expects.find((one) => one.code === code) ?? { code, ...UNSAID };
  }

  protected modeOf(code: MeasurementCode): Rounding['mode'] | null {
    return this.said(code).rounding?.mode ?? null;
  }

  protected stepOf(code: MeasurementCode): string {
    const { rounding } = this.said(code);
    return rounding === null || rounding.mode === 'down-to-offered'
      ? `1 ${this.sheet().unit}`
      : writtenLength(rounding.step);
  }

  protected round(code: MeasurementCode, mode: Rounding['mode'] | null, step: string): void {
    if (mode === null) return this.expect(code, { rounding: null, recorded: false });
    if (mode === 'down-to-offered') return;
    const read = writtenLengthSchema.safeParse(step);
    const sound = read.success && read.data > 0;
    this.tell(code, sound ? '' : 'Write the step with its unit, such as 1 in.');
    if (sound) this.expect(code, { rounding: { mode, step: read.data } });
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

  protected changeCheck(at: number, change: Partial<WrittenFitCheck>): void {
    this.changed.emit({
      fitChecks: this.sheet().fitChecks.map((one, index) => (index === at ? { ...one, ...change } : one)),
    });
  }

  protected addCheck(): void {
    const check = { look: 'What is looked at', otherwise: 'What is done otherwise' };
    this.changed.emit({ fitChecks: [...this.sheet().fitChecks, check] });
  }

  protected dropCheck(at: number): void {
    this.changed.emit({ fitChecks: this.sheet().fitChecks.filter((_, index) => index !== at) });
  }

  private tell(at: string, fault: string): void {
    this.faults.update((faults) => ({ ...faults, [at]: fault }));
  }
}
