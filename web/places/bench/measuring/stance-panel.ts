import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { measurement, STANCE_ASKS, STANCE_WORDS, type Stance } from '@neat-measure/core';
import { DocketStore } from '../docket-store';
import { CursorStore } from './cursor-store';

/** A change of stance, announced as a step of its own. */
@Component({
  selector: 'nm-stance-panel',
  template: `
    <p class="step">Change of stance</p>
    <h1>{{ words() }}</h1>
    <p class="ask">{{ asks() }}</p>
    <p class="tools"><b>Next:</b> {{ next() }}.</p>
    <button type="button" class="primary" (click)="cursor.next()"><kbd>Enter</kbd> They are ready</button>
  `,
  styleUrl: './prompt-panel.less',
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
