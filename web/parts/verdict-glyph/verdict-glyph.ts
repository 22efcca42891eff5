import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { VERDICT_WORDS, type Verdict } from '@neat-measure/core';

/** What a glyph is drawn of, on a ground of 34 by 28. */
interface Drawing {
  /** Brackets: the sizes. */
  readonly brackets: string;
  readonly dotted?: boolean;
  /** The bar: the wearer. Left edge and whether it leans. */
  readonly bar?: { readonly x: number; readonly tone: 'ink' | 'green' | 'brick'; readonly leaning?: boolean };
  /** Lines of neither: a fork, a stroke through. */
  readonly lines?: string;
}

const PAIR = 'M9 5H5V23H9M25 5H29V23H25';

const DRAWINGS: Readonly<Record<Verdict, Drawing>> = {
  settled: { brackets: PAIR, bar: { x: 14.4, tone: 'green' } },
  edge: { brackets: PAIR, bar: { x: 22.6, tone: 'ink' } },
  overlap: {
    brackets: 'M8 5H4V23H8M18 5H22V23H18M16 5H12V23H16M26 5H30V23H26',
    bar: { x: 14.4, tone: 'ink' },
  },
  between: { brackets: 'M7 5H11V23H7M27 5H23V23H27', bar: { x: 14.4, tone: 'ink' } },
  split: { brackets: PAIR, lines: 'M17 21V15L11 8M17 15L23 8' },
  beyond: { brackets: 'M7 5H3V23H7M15 5H19V23H15', bar: { x: 25, tone: 'brick' } },
  'not-made': { brackets: PAIR, lines: 'M6 24L28 4' },
  incomplete: { brackets: PAIR, dotted: true },
  suspect: { brackets: PAIR, bar: { x: 14.4, tone: 'ink', leaning: true } },
};

/** A verdict's glyph: brackets are a size, the bar is the wearer. Shown beside its word, never alone. */
@Component({
  selector: 'nm-verdict-glyph',
  template: `
    <svg viewBox="0 0 34 28" width="34" height="28" role="img" [attr.aria-label]="word()">
      <path
        class="brackets"
        [attr.d]="drawing().brackets"
        [attr.stroke-dasharray]="drawing().dotted ? '3 2.6' : null"
      />
      @if (drawing().bar; as bar) {
        <rect
          [class]="bar.tone"
          [attr.x]="bar.x"
          y="8"
          width="5.2"
          height="12"
          [attr.transform]="bar.leaning ? 'rotate(24 17 14)' : null"
        />
      }
      @if (drawing().lines; as lines) {
        <path class="lines" [attr.d]="lines" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: inline-flex;
      flex: none;
    }
    .brackets {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2.4;
    }
    .lines {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2.6;
    }
    .ink {
      fill: var(--ink);
    }
    .green {
      fill: var(--green);
    }
    .brick {
      fill: var(--brick);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VerdictGlyph {
  readonly verdict = input.required<Verdict>();
  protected readonly drawing = computed(() => DRAWINGS[this.verdict()]);
  protected readonly word = computed(() => VERDICT_WORDS[this.verdict()]);
}
