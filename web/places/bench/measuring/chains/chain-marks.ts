import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { formatNumber, markWords, nameAt, type MeasureUnit, formatLength, wordsAt } from '@neat-measure/core';
import { CursorStore } from '../cursor-store';
import { UnitService } from '../../../../data/unit-service';

/** The marks of one tape in the order they are met, with what has been read at each, a row a round. */
@Component({
  selector: 'nm-chain-marks',
  template: `
    <table>
      <thead>
        <tr>
          <th scope="col"><span class="unseen">Round</span></th>
          @for (mark of marks(); track mark.code) {
            <th scope="col">
              <button
                type="button"
                [attr.aria-current]="mark.now ? 'step' : null"
                [attr.aria-label]="mark.name + ': ' + mark.state"
                (click)="cursor.goTo(mark.code)"
              >
                {{ mark.words }}
              </button>
            </th>
          }
        </tr>
      </thead>
      <tbody>
        @for (round of rounds(); track round.name) {
          <tr>
            <th scope="row">{{ round.name }}</th>
            @for (cell of round.cells; track $index) {
              <td class="num" [class.due]="cell.due">{{ cell.text }}</td>
            }
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    table {
      width: 100%;
      border-collapse: collapse;
      table-layout: fixed;
    }
    th:first-child {
      width: 62px;
      color: var(--soft);
      font-weight: 400;
      text-align: left;
    }
    th {
      padding: 0;
      font-size: 14px;
    }
    button {
      width: 100%;
      min-height: var(--target);
      padding: 2px 4px;
      border: 0;
      border-bottom: 3px solid var(--line);
      background: none;
      color: inherit;
      font: 600 13.5px/1.15 var(--text);
      overflow-wrap: anywhere;
      cursor: pointer;
      &[aria-current] {
        border-color: var(--tape);
        background: var(--green-wash);
      }
    }
    td {
      height: 30px;
      font-size: 19px;
      text-align: center;
    }
    .due {
      outline: 2px solid var(--ink);
      outline-offset: -2px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChainMarks {
  protected readonly cursor = inject(CursorStore);
  /** The unit the numbers stand in. */
  readonly unit = input.required<MeasureUnit>();

  private readonly units = inject(UnitService);
  protected readonly marks = computed(() => {
    const now = this.cursor.current()?.code;
    return this.cursor.placing().map(({ code, agreement, skipped, waist }) => ({
      code,
      words: wordsAt(markWords(code), waist),
      name: nameAt(code, waist),
      now: code === now,
      state:
        skipped !== null
          ? 'skipped'
          : agreement.state === 'agreed'
            ? formatLength(agreement.value, this.units.written(this.unit()))
            : agreement.state === 'none'
              ? 'not read'
              : 'to be read again',
    }));
  });

  /** Two rounds, a third where two readings do not agree, then what they come to. */
  protected readonly rounds = computed(() => {
    const placing = this.cursor.placing();
    const now = this.cursor.current()?.code;
    const unit = this.unit();
    const most = Math.max(
      2,
      ...placing.map(({ readings, agreement }) =>
        agreement.state === 'third-wanted' || agreement.state === 'disagree' || readings.length > 2 ? 3 : 2,
      ),
    );
    const rounds = ROUNDS.slice(0, most).map((name, round) => ({
      name,
      cells: placing.map(({ code, readings }) => {
        const last = readings.slice(-3);
        const reading = last[round];
        return {
          text: reading === undefined ? '·' : formatNumber(reading.length, this.units.written(unit)),
          due: code === now && round === Math.min(last.length, most - 1),
        };
      }),
    }));
    const values = placing.map(({ agreement, skipped }) => ({
      text:
        skipped !== null
          ? 'passed'
          : agreement.state === 'agreed'
            ? formatNumber(agreement.value, this.units.written(unit))
            : agreement.state === 'third-wanted' || agreement.state === 'disagree'
              ? 'apart'
              : '',
      due: false,
    }));
    return [...rounds, { name: 'Value', cells: values }];
  });
}

const ROUNDS = ['First', 'Second', 'Third'] as const;
