import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { measurement, sceneOf, type Build, type MeasurementCode } from '@neat-measure/core';

/** The body with the tape where a measurement wants it. */
@Component({
  selector: 'nm-body-figure',
  template: `
    <svg [attr.viewBox]="scene().viewBox" role="img" [attr.aria-label]="spoken()">
      @for (path of scene().outlines; track $index) {
        <path class="body" [attr.d]="path" />
      }
      @for (path of scene().lines; track $index) {
        <path class="line" [attr.d]="path" />
      }
      @if (scene().cord; as cord) {
        <path class="cord" [attr.d]="cord" />
      }
      @if (scene().tape; as tape) {
        <path class="tape-edge" [attr.d]="tape" />
        <path class="tape" [attr.d]="tape" />
      }
      @for (mark of scene().marks; track $index) {
        <circle
          [class.now]="mark.now"
          [attr.cx]="mark.at[0]"
          [attr.cy]="mark.at[1]"
          [attr.r]="mark.now ? 6 : 4.5"
        />
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
    .line {
      fill: none;
      stroke: #b9b3a2;
      stroke-width: 1.4;
    }
    .tape-edge,
    .tape {
      fill: none;
      stroke-linecap: butt;
      stroke-linejoin: round;
    }
    .tape-edge {
      stroke: var(--ink);
      stroke-width: 9;
    }
    .tape {
      stroke: var(--tape);
      stroke-width: 6.5;
    }
    .cord {
      fill: none;
      stroke: var(--green);
      stroke-width: 3;
    }
    circle {
      fill: var(--chalk);
      stroke: var(--ink);
      stroke-width: 2;
    }
    .now {
      fill: var(--ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BodyFigure {
  readonly code = input<MeasurementCode | null>(null);

  /** All marks that are read along the same tape. */
  readonly along = input<readonly MeasurementCode[]>([]);
  /** Whether the cord is tied. */
  readonly cord = input(false);
  /** How the person is built; the figure's own build where nothing is known of them. */
  readonly build = input<Build>();

  protected readonly scene = computed(() =>
    sceneOf({ code: this.code(), along: this.along(), cord: this.cord(), build: this.build() }),
  );
  protected readonly spoken = computed(() => {
    const code = this.code();
    return code === null ? 'A standing figure' : `Where the tape goes: ${measurement(code).place}`;
  });
}
