import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { termOf, type TermCode } from '@neat-measure/core/terms';

/** What a term means, what to do about it, and a drawing where one helps. */
@Component({
  selector: 'nm-term-card',
  template: `
    @if (term().picture; as picture) {
      <svg viewBox="0 0 104 26" aria-hidden="true">
        @for (size of picture.sizes; track size.label; let odd = $odd) {
          <rect
            [class.meant]="picture.meant.includes(size.label)"
            [attr.x]="size.from"
            [attr.y]="odd && laps() ? 11 : 5"
            [attr.width]="size.to - size.from"
            height="9"
            rx="1"
          />
          <text [attr.x]="(size.from + size.to) / 2" [attr.y]="odd && laps() ? 18 : 12">
            {{ size.label }}
          </text>
        }
        @if (picture.error; as error) {
          <line class="error" [attr.x1]="picture.at - error" [attr.x2]="picture.at + error" y1="23" y2="23" />
        }
        <line class="mark" [attr.x1]="picture.at" [attr.x2]="picture.at" y1="1" y2="25" />
      </svg>
    }
    <p>{{ term().means }}</p>
    <p>{{ term().does }}</p>
  `,
  styles: `
    :host {
      display: block;
      max-width: 320px;
    }
    svg {
      display: block;
      width: 100%;
      margin-bottom: 8px;
    }
    rect {
      fill: var(--chalk);
      stroke: #b9b3a2;
      stroke-width: 0.6;
    }
    rect.meant {
      fill: var(--green-wash);
      stroke: var(--green);
    }
    text {
      fill: var(--ink);
      font: 600 6px var(--text);
      text-anchor: middle;
    }
    .mark {
      stroke: var(--ink);
      stroke-width: 1.2;
    }
    .error {
      stroke: var(--ink);
      stroke-width: 2.4;
      opacity: 0.5;
    }
    p + p {
      margin-top: 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TermCard {
  readonly of = input.required<TermCode>();
  protected readonly term = computed(() => termOf(this.of()));
  /** Sizes that overlap are drawn below each other. */
  protected readonly laps = computed(() => {
    const sizes = this.term().picture?.sizes ?? [];
    return sizes.some(({ from }, at) => at > 0 && from < sizes[at - 1]!.to);
  });
}
