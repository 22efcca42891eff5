import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { sayChance, type Verdict } from '@neat-measure/core';
import { besideSize, RESTS_WORDS, restsOf, type SizedGarment, type SizedOne } from '@neat-measure/core/group';
import { SizesStore } from '../../../data/musters/sizes-store';
import { VerdictGlyph } from '../../../parts/verdict-glyph/verdict-glyph';

/** A garment that is in sight, and in which column. */
export interface ShownGarment {
  /** Its place among the garments of the sizing. */
  readonly at: number;
  /** Counted from 1, as columns are. */
  readonly column: number;
}

/** What stands in a cell. */
interface Cell {
  readonly column: number;
  readonly verdict: Verdict;
  readonly size: string;
  /** Beside the size, in a word or a chance. */
  readonly beside: string;
  readonly said: string;
}

/** A cell of a garment that the wearer does not get. */
interface EmptyCell {
  readonly column: number;
  readonly said: null;
}

/**
 * One wearer of the table of sizes. A component of its own, so that scrolling works out only the rows that come into sight.
 */
@Component({
  selector: 'nm-size-row',
  imports: [RouterLink, VerdictGlyph],
  template: `
    <div role="rowheader">
      @if (docketId(); as id) {
        <a [routerLink]="['/bench', id]" tabindex="-1"
          ><b>{{ name() }}</b></a
        >
      } @else {
        <b>{{ name() }}</b>
      }
      <span class="soft">{{ role() }}</span>
    </div>
    <div role="cell" class="soft">{{ rests() }}</div>
    @for (cell of cells(); track $index) {
      @if (cell.said !== null) {
        <div
          role="cell"
          class="sized"
          [title]="cell.said"
          [style.grid-column]="cell.column"
          [attr.aria-colindex]="cell.column"
        >
          <nm-verdict-glyph [verdict]="cell.verdict" />
          @if (cell.size !== '') {
            <b>{{ cell.size }}</b>
          }
          @if (cell.beside !== '') {
            <span class="soft">{{ cell.beside }}</span>
          }
        </div>
      } @else {
        <div
          role="cell"
          aria-label="not asked for"
          [style.grid-column]="cell.column"
          [attr.aria-colindex]="cell.column"
        ></div>
      }
    }
  `,
  styleUrl: './size-row.less',
  host: { role: 'row' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizeRow {
  private readonly store = inject(SizesStore);
  /** Their place among the wearers of the sizing. */
  readonly row = input.required<number>();
  /** The garments whose columns are drawn. */
  readonly garments = input.required<readonly ShownGarment[]>();
  protected readonly name = computed(() => this.store.nameAt(this.row()));
  protected readonly role = computed(() => this.store.wearerAt(this.row())?.role ?? '');
  protected readonly docketId = computed(() => this.store.docketAt(this.row()));
  protected readonly rests = computed(() => RESTS_WORDS[restsOf(this.store.sizing()!, this.row())]);
  protected readonly cells = computed(() =>
    this.garments().map(({ at, column }): Cell | EmptyCell => {
      const one = this.store.cell(at, this.row());
      if (one === null) return { column, said: null };
      return {
        column,
        verdict: one.verdict,
        size: one.size ?? (one.stands === 'open' ? '–' : ''),
        beside: besideSize(one),
        said: sayOdds(this.store.sizing()!.garments[at]!, one),
      };
    }),
  );
}

function sayOdds({ garment }: SizedGarment, { odds }: SizedOne): string {
  const said = odds.map(({ label, chance }) => `${label ?? 'no size'} ${sayChance(chance)}`).join(', ');
  return `${garment}: ${said === '' ? 'no size' : said}`;
}
