import { ChangeDetectionStrategy, Component, computed, model } from '@angular/core';
import type { NewPiece } from '@neat-measure/contract/stores';
import { NzInputModule } from 'ng-zorro-antd/input';
import { DayWords } from '../../../parts/forms/day-words';

const NONE: NewPiece = { serial: '', made: null, goodUntil: null };

/** Numbered pieces that come in, a row each; below the last that is filled another one waits. */
@Component({
  selector: 'nm-piece-rows',
  imports: [DayWords, NzInputModule],
  template: `
    <div class="wide">
      <table class="cells">
        <thead>
          <tr>
            <th scope="col">Number on the piece</th>
            <th scope="col">Made on</th>
            <th scope="col">Maker’s last day</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track $index; let at = $index) {
            <tr>
              <td>
                <input
                  #serial
                  data-codes
                  nz-input
                  maxlength="60"
                  autocomplete="off"
                  [attr.aria-label]="'Number of piece ' + (at + 1)"
                  [value]="row.serial"
                  (input)="put(at, { serial: serial.value })"
                />
              </td>
              <td>
                <input
                  #made
                  nz-input
                  type="date"
                  [attr.aria-label]="'Day piece ' + (at + 1) + ' was made'"
                  [value]="row.made ?? ''"
                  (change)="put(at, { made: made.value || null })"
                />
              </td>
              <td>
                <input
                  #last
                  nz-input
                  type="date"
                  [attr.aria-label]="'Last day of piece ' + (at + 1)"
                  [value]="row.goodUntil ?? ''"
                  (change)="put(at, { goodUntil: last.value || null })"
                />
              </td>
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceRows {
  readonly pieces = model<readonly NewPiece[]>([]);
  protected readonly rows = computed(() => [...this.pieces(), NONE]);

  protected put(at: number, change: Partial<NewPiece>): void {
    const rows = [...this.rows()];
    rows[at] = { ...rows[at]!, ...change };
    // The one that waits is no piece.
    this.pieces.set(rows.at(-1)!.serial === '' && rows.at(-1)!.made === null ? rows.slice(0, -1) : rows);
  }
}
