import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  columnName,
  FIT_POSES,
  measurement,
  writtenLength,
  writtenLengthSchema,
  type ChartPart,
  type ChartSheet,
  type WrittenFitCheck,
  counted,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ControlName } from '../../../parts/forms/control-name';
import { ChoicesEditor } from './choices-editor';
import { TakingEditor } from './taking-editor';

/** What a chart says besides its table: names, lean and reach of its parts, how measurements are taken, choices, fit checks, notes. */
@Component({
  selector: 'nm-details-editor',
  imports: [
    ChoicesEditor,
    ControlName,
    FormsModule,
    NzButtonModule,
    NzInputModule,
    NzSelectModule,
    TakingEditor,
  ],
  template: `
    <h3>Parts</h3>
    <ul class="rows">
      @for (part of sheet().parts; track part.code) {
        <li>
          <div class="fields">
            <label class="field"
              ><span>Name</span>
              <input
                nz-input
                maxlength="80"
                [attr.aria-label]="'Name of part ' + part.code"
                [value]="part.name"
                (change)="rename(part, $any($event.target).value)"
              />
            </label>
            <div class="field">
              <span>Where several sizes fit</span>
              <nz-select
                [nmName]="'Which size where several fit, ' + part.name"
                [nzOptions]="leans"
                [ngModel]="part.lean ?? ''"
                (ngModelChange)="changePart(part, { lean: $event || null })"
              />
            </div>
            <label class="field wide"
              ><span>Each size measures, smallest first</span>
              <input
                nz-input
                maxlength="2000"
                placeholder="nothing of their own"
                [attr.aria-label]="'What each size measures, ' + part.name"
                [value]="measuresOf(part)"
                (change)="measures(part, $any($event.target).value)"
              />
            </label>
          </div>
          @if (faults()[part.code]; as fault) {
            <p class="fault" role="alert">{{ fault }}</p>
          }
          @for (column of singles(part); track column.code) {
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

    <nm-taking-editor [sheet]="sheet()" (changed)="changed.emit($event)" />
    <nm-choices-editor [sheet]="sheet()" (changed)="changed.emit($event)" />

    <h3>Fit checks of the maker</h3>
    <ul class="rows">
      @for (check of sheet().fitChecks; track $index; let at = $index) {
        <li class="line">
          <input
            nz-input
            class="what"
            maxlength="200"
            [attr.aria-label]="'Check ' + (at + 1) + ', what to check'"
            [value]="check.look"
            (change)="changeCheck(at, { look: $any($event.target).value.trim() })"
          />
          <input
            nz-input
            class="what"
            maxlength="200"
            [attr.aria-label]="'Check ' + (at + 1) + ', what to do if it fails'"
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
    .wide {
      grid-column: span 2;
    }
    h3 {
      margin-top: 18px;
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
    { label: 'as the wearer likes it', value: '' },
    { label: 'the smaller', value: 'smaller' },
    { label: 'the larger', value: 'larger' },
  ];
  protected readonly reaches = [
    { label: 'reaches half-way', value: 'halfway' },
    { label: 'reaches up to itself', value: 'next-up' },
    { label: 'reaches down to itself', value: 'next-down' },
  ];
  protected readonly poses = FIT_POSES.map((value) => ({ label: value.replace('-', ' '), value }));

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

  /** The columns that have single values: only of these it matters how far one reaches. */
  protected singles(part: ChartPart): ChartPart['columns'] {
    return part.columns.filter(({ cells }) => cells.some((cell) => cell.kind === 'nominal'));
  }

  protected measuresOf({ values }: ChartPart): string {
    return (values ?? []).map(writtenLength).join('; ');
  }

  /** Gives every size the measure of its own that is written, one a size; nothing written takes that away. */
  protected measures(part: ChartPart, text: string): void {
    const written = text.split(';').flatMap((one) => (one.trim() === '' ? [] : [one.trim()]));
    const read = written.map((one) => writtenLengthSchema.safeParse(one));
    const unread = read.findIndex(({ success }) => !success);
    const counts = written.length === 0 || written.length === part.sizes.length;
    this.tell(
      part.code,
      unread >= 0
        ? `“${written[unread]}” is not a length. Write each with its unit, such as 12 in.`
        : counts
          ? ''
          : `${counted(part.sizes.length, 'size')}, ${counted(written.length, 'measure')}. Write one for each size: 12 in; 13 in.`,
    );
    if (unread < 0 && counts)
      this.changePart(part, { values: read.length === 0 ? null : read.map(({ data }) => data!) });
  }

  protected reach(part: ChartPart, code: string, reach: ChartPart['columns'][number]['reach']): void {
    this.changePart(part, {
      columns: part.columns.map((one) => (one.code === code ? { ...one, reach } : one)),
    });
  }

  protected changeCheck(at: number, change: Partial<WrittenFitCheck>): void {
    this.changed.emit({
      fitChecks: this.sheet().fitChecks.map((one, index) => (index === at ? { ...one, ...change } : one)),
    });
  }

  protected addCheck(): void {
    const check = { look: 'What to check', otherwise: 'What to do if it fails' };
    this.changed.emit({ fitChecks: [...this.sheet().fitChecks, check] });
  }

  protected dropCheck(at: number): void {
    this.changed.emit({ fitChecks: this.sheet().fitChecks.filter((_, index) => index !== at) });
  }

  private tell(at: string, fault: string): void {
    this.faults.update((faults) => ({ ...faults, [at]: fault }));
  }
}
