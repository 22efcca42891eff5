import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Build, GarmentKind } from '@neat-measure/core';
import { fitScene } from '@neat-measure/core/fit-drawing';

/** A garment on the wearer as it looks where an answer holds; nothing for a maker's own check. */
@Component({
  selector: 'nm-fit-picture',
  template: `
    @if (scene(); as scene) {
      <svg [attr.viewBox]="scene.viewBox" aria-hidden="true">
        @for (path of scene.body; track $index) {
          <path class="body" [attr.d]="path" />
        }
        @for (path of scene.lines; track $index) {
          <path class="thin" [attr.d]="path" />
        }
        @for (one of scene.strokes; track $index) {
          <path [class]="one.kind" [attr.d]="one.path" />
        }
      </svg>
    }
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
    path {
      fill: none;
      stroke: var(--green);
      stroke-width: 1.6;
      stroke-linejoin: round;
      vector-effect: non-scaling-stroke;
    }
    .body {
      fill: #eae6da;
      stroke: var(--line-strong);
    }
    .thin {
      stroke: #b9b3a2;
    }
    :is(.cloth, .under) {
      fill: #cfe1d8;
    }
    .under {
      fill: #dfeae4;
    }
    .clear {
      fill: #cfe1d880;
    }
    .seam {
      stroke-width: 1;
    }
    :is(.crease, .gap) {
      stroke: var(--ink);
      stroke-linecap: round;
      stroke-width: 2.4;
    }
    .belt {
      stroke: var(--soft);
      stroke-width: 5;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FitPicture {
  readonly kind = input.required<GarmentKind>();
  readonly check = input.required<string>();
  readonly answer = input.required<string>();
  readonly build = input<Build>();

  protected readonly scene = computed(() => fitScene(this.kind(), this.check(), this.answer(), this.build()));
}
