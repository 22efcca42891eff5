import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { measurement, OUTLINES, smoothPath, TAPE_PATHS, type MeasurementCode } from '@neat-measure/core';

/** The body with the tape where a measurement wants it. */
@Component({
  selector: 'nm-body-figure',
  template: `
    <svg viewBox="0 0 250 500" role="img" [attr.aria-label]="spoken()">
      <path class="body" [attr.d]="outline()" />
      @if (tape(); as tape) {
        <path class="tape-edge" [attr.d]="tape.path" />
        <path class="tape" [attr.d]="tape.path" />
        <circle [attr.cx]="tape.end[0]" [attr.cy]="tape.end[1]" r="5" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      min-height: 0;
    }
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    .body {
      fill: #eae6da;
      stroke: var(--line-strong);
      stroke-width: 1.6;
    }
    .tape-edge,
    .tape {
      fill: none;
      stroke-linecap: butt;
    }
    .tape-edge {
      stroke: var(--ink);
      stroke-width: 9;
    }
    .tape {
      stroke: var(--tape);
      stroke-width: 6.5;
    }
    circle {
      fill: var(--ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BodyFigure {
  readonly code = input<MeasurementCode | null>(null);

  private readonly drawn = computed(() => {
    const code = this.code();
    return code === null ? undefined : TAPE_PATHS[code];
  });
  protected readonly outline = computed(() => smoothPath(OUTLINES[this.drawn()?.view ?? 'front'], true));
  protected readonly tape = computed(() => {
    const drawn = this.drawn();
    return drawn && { path: smoothPath(drawn.points), end: drawn.points.at(-1)! };
  });
  protected readonly spoken = computed(() => {
    const code = this.code();
    return code === null ? 'A standing figure' : `Where the tape goes: ${measurement(code).place}`;
  });
}
