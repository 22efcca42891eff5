import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { measurement, STANCE_ASKS, STANCE_WORDS, type Stance } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { DocketStore } from '../docket-store';
import { CursorStore } from './cursor-store';

/** A change of stance, announced as a step of its own. */
@Component({
  selector: 'nm-stance-panel',
  imports: [NzButtonModule],
  template: `
    <p class="soft">Change of stance</p>
    <h1>{{ words() }}</h1>
    <p class="ask">{{ asks() }}</p>
    <p class="tools"><b>Next:</b> {{ next() }}.</p>
    <p class="foot">
      <button nz-button nzType="primary" nzSize="large" type="button" (click)="cursor.next()">
        <kbd>Enter</kbd> Ready
      </button>
    </p>
  `,
  styleUrl: './prompt-panel.less',
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StancePanel {
  private readonly docket = inject(DocketStore);
  protected readonly cursor = inject(CursorStore);
  readonly stance = input.required<Stance>();
  protected readonly words = computed(() => STANCE_WORDS[this.stance()]);
  protected readonly asks = computed(() => STANCE_ASKS[this.stance()]);
  protected readonly next = computed(() =>
    this.docket
      .steps()
      .map(({ code }) => measurement(code))
      .filter(({ stance }) => stance === this.stance())
      .map(({ name }) => name.toLowerCase())
      .join(', '),
  );
}
