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
      <p class="soft" role="status">{{ words() }} …</p>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Fetching {
  readonly of = input.required<OnItsWay>();
  /** What is done, as `Fetching the roll`. */
  readonly words = input.required<string>();
}
