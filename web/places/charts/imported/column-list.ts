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
} from '@neat-measure/core/imported';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule, type NzSelectOptionInterface } from 'ng-zorro-antd/select';
import { ControlName } from '../../../parts/forms/control-name';

const LIKELY = 'Most likely';
const NAMED = [...FOOT_MEANINGS, ...CATALOGUE.filter(({ kind }) => kind !== 'mass').map(({ code }) => code)]
  .map((code: Meaning) => ({ value: code, label: nameOfMeaning(code), groupLabel: 'All' }))
  .sort((a, b) => a.label.localeCompare(b.label));
const LEFT_OUT = { value: '', label: 'left out' };
/** What a column of a list of sizes may be besides a measurement. */
const OF_SIZES = [
  { value: 'size', label: 'the size' },
  { value: 'label', label: 'another system’s label' },
  { value: 'class', label: 'the class of lengths' },
];

/** What is asked of an imported table, and what each of its columns is taken for: guessed, and the fitter's to change. */
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

  private readonly meanings = new Map<string, NzSelectOptionInterface[]>();

  /** What a column may mean, the likeliest first. Columns alike in this share one list, which stands while they are. */
  protected meaningsOf({ candidates, named, numbers }: PlannedColumn): NzSelectOptionInterface[] {
    const { inside } = this.plan();
    const key = [inside, candidates.join(), named, numbers.join()].join('|');
    const before = this.meanings.get(key);
    if (before !== undefined) return before;
    const likely = likelyMeanings(candidates, named, numbers);
    const options = [
      LEFT_OUT,
      ...(inside === 'measures' ? OF_SIZES : []),
      ...likely.map((code) => ({ value: code, label: nameOfMeaning(code), groupLabel: LIKELY })),
      ...NAMED.filter(({ value }) => !likely.includes(value)),
    ];
    this.meanings.set(key, options);
    return options;
  }
  protected nameOf({ heading, index, half, key }: PlannedColumn): string {
    if (heading === '' && key === 'down') return 'The row labels';
    if (heading === '' && key === 'across') return 'The column labels';
    const which = half === null ? '' : half === 0 ? ', the first of its two,' : ', the second of its two,';
    return heading === '' ? `Column ${index + 1}, without a heading,` : `“${heading}”${which}`;
  }

  /** The unit in which nobody could be so, in words. */
  protected spanOf({ numbers, named }: PlannedColumn): string {
    return `${numbers[0] ?? ''} to ${numbers.at(-1) ?? ''} ${named ?? ''}`;
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

  protected leaveOut(rightly = true): void {
    this.answered.emit({ ...this.answers(), leftOutRightly: rightly });
  }

  protected sayRow(line: number, is: 'size' | 'left-out'): void {
    this.answered.emit({ ...this.answers(), rows: { ...this.answers().rows, [line]: is } });
  }
}
