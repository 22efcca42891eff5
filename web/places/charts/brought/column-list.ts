import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { CATALOGUE } from '@neat-measure/core';
import {
  FOOT_MEANINGS,
  likelyMeanings,
  nameOfMeaning,
  sayOfColumn,
  WRITTEN_UNITS,
  type ColumnAnswer,
  type ColumnMeaning,
  type Meaning,
  type PlannedColumn,
  type TableAnswers,
  type TablePlan,
  type WrittenUnit,
} from '@neat-measure/core/brought';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ControlName } from '../../../parts/forms/control-name';

const NAMED = [...FOOT_MEANINGS, ...CATALOGUE.filter(({ kind }) => kind !== 'mass').map(({ code }) => code)]
  .map((code: Meaning) => ({ code, name: nameOfMeaning(code) }))
  .sort((a, b) => a.name.localeCompare(b.name));

/** What is asked of a brought table, and what each of its columns is taken for: guessed, and the fitter's to change. */
@Component({
  selector: 'nm-column-list',
  imports: [ControlName, NgTemplateOutlet, NzButtonModule, NzInputModule, NzSelectModule, FormsModule],
  templateUrl: './column-list.html',
  styles: `
    .means {
      width: 196px;
    }
    .cells :is(th, td) {
      padding: 2px 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ColumnList {
  readonly plan = input.required<TablePlan>();
  readonly answers = input.required<TableAnswers>();
  readonly answered = output<TableAnswers>();

  protected readonly unitWords = {
    mm: 'millimetres',
    cm: 'centimetres',
    in: 'inches',
    m: 'metres',
    ft: 'feet and inches',
  } as const;
  protected readonly unitOptions = WRITTEN_UNITS.map((unit) => ({ label: unit, value: unit }));
  /** Columns of one measurement in several classes are said together, with the first of them. */
  protected readonly said = computed(() => this.plan().columns.filter(({ follows }) => follows === null));
  protected readonly asked = computed(() => this.said().filter(({ asks }) => asks !== null));
  /** The column whose ease could not be read. */
  protected readonly easeTrouble = signal<string | null>(null);

  protected likely({ candidates, named, numbers }: PlannedColumn): { code: Meaning; name: string }[] | null {
    const some = likelyMeanings(candidates, named, numbers);
    return some.length === 0 ? null : some.map((code) => ({ code, name: nameOfMeaning(code) }));
  }

  /** What else it may mean. */
  protected others({ candidates, named, numbers }: PlannedColumn): { code: Meaning; name: string }[] {
    const some = likelyMeanings(candidates, named, numbers);
    return NAMED.filter(({ code }) => !some.includes(code));
  }

  protected nameOf({ heading, index, half, key }: PlannedColumn): string {
    if (heading === '' && key === 'down') return 'What stands down the side';
    if (heading === '' && key === 'across') return 'What stands along the top';
    const which = half === null ? '' : half === 0 ? ', the first of its two,' : ', the second of its two,';
    return heading === '' ? `Column ${index + 1}, without a heading,` : `“${heading}”${which}`;
  }

  /** The unit in which nobody could be so, in words. */
  protected spanOf({ numbers, named }: PlannedColumn): string {
    return `${Math.min(...numbers)} to ${Math.max(...numbers)} ${named ?? ''}`;
  }

  /** Where a twin is the first time apart. */
  protected apart({ apartAt }: PlannedColumn): string {
    const row = this.plan().rows.filter(({ role }) => role === 'size')[apartAt];
    return row === undefined ? '' : `, first on line ${row.line}`;
  }

  protected say(column: PlannedColumn, said: ColumnAnswer): void {
    this.answered.emit(sayOfColumn(this.answers(), column.key, said));
  }

  protected mean(column: PlannedColumn, value: string | null): void {
    this.say(column, { means: value === '' || value === null ? null : (value as ColumnMeaning), so: false });
  }

  /** A unit that somebody says is the column's, and of those too that name none and could be in no other. */
  protected measureIn(column: PlannedColumn, unit: WrittenUnit): void {
    const alike = this.plan().columns.filter(
      (one) => (one.asks === 'which-unit' || one.asks === 'impossible-unit') && one.proposes === unit,
    );
    this.answered.emit(
      [column, ...alike].reduce((answers, { key }) => sayOfColumn(answers, key, { unit }), this.answers()),
    );
  }

  /** What was asked of a column is so as it stands. */
  protected isSo(column: PlannedColumn): void {
    this.say(column, { so: true });
  }

  protected larger(column: PlannedColumn, by: string, times: 1 | 2): void {
    const ease = /^\s*(\d+(?:[.,]\d+)?)\s*(?:-|–|to)\s*(\d+(?:[.,]\d+)?)\s*$/.exec(by);
    const sound = ease !== null && Number(ease[1]!.replace(',', '.')) <= Number(ease[2]!.replace(',', '.'));
    this.easeTrouble.set(sound ? null : column.key);
    if (sound) this.say(column, { ease: `${ease[1]!}-${ease[2]!}`, times });
  }

  protected leaveOut(): void {
    this.answered.emit({ ...this.answers(), leftOutRightly: true });
  }

  protected sayRow(line: number, is: 'size' | 'left-out'): void {
    this.answered.emit({ ...this.answers(), rows: { ...this.answers().rows, [line]: is } });
  }
}
