import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';

/** Something that is fetched: a list, or what a desk shows. */
interface OnItsWay {
  loading(): boolean;
  /** Why it did not come, in words; empty while nothing is wrong. */
  trouble(): string;
  again(): void;
}

/** While something is on its way it says so; where it did not come, why, and lets it be tried again. */
@Component({
  selector: 'nm-fetching',
  imports: [NzButtonModule],
  template: `
    @if (of().trouble(); as trouble) {
      <p class="fault" role="alert">
        {{ trouble }}
        <button nz-button nzType="link" type="button" (click)="of().again()">Try again</button>
      </p>
    } @else if (of().loading()) {
      <p class="on-its-way soft" role="status">{{ words() }} …</p>
    }
  `,
  // What waits is told over what is there already, which keeps its place.
  styles: `
    :host {
      display: block;
      position: relative;
    }
    .on-its-way {
      position: absolute;
      z-index: 2;
      inset: 2px auto auto 0;
      padding: 2px 10px;
      border: 1px solid var(--line);
      border-radius: var(--radius);
      background: var(--paper);
      white-space: nowrap;
      pointer-events: none;
      animation: comes 0.15s 0.2s backwards;
    }
    @keyframes comes {
      from {
        opacity: 0;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Fetching {
  readonly of = input.required<OnItsWay>();
  /** What is done, as `Loading the roll`. */
  readonly words = input.required<string>();
}
