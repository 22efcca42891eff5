import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { sheetPath } from '@neat-measure/contract';
import {
  GENERAL_PREPARATION,
  instrumentsOf,
  INSTRUMENT_WORDS,
  measurement,
  sayConflict,
  STANCE_WORDS,
} from '@neat-measure/core';
import { BenchStore } from './bench-store';

/** Before the tape is out: what to wear, what to have at hand, what does not go together, what to be careful of. */
@Component({
  selector: 'nm-prepare-panel',
  template: `
    <p class="step">Before the tape</p>
    <h1>Prepare</h1>
    @for (line of cautions(); track line) {
      <p class="caution"><b>Caution.</b> {{ line }}</p>
    }
    <ul class="list">
      @for (line of prepare(); track line) {
        <li>{{ line }}</li>
      }
    </ul>
    <p class="tools"><b>At hand:</b> {{ instruments().join('; ') }}.</p>
    <p class="tools"><b>To be taken:</b> {{ summary() }}.</p>
    @for (line of conflicts(); track line) {
      <p class="conflict">{{ line }}</p>
    }
    @if (store.extras().length > 0) {
      <div class="extras" role="group" aria-label="On demand">
        <b>On demand:</b>
        @for (extra of extras(); track extra.code) {
          <button
            type="button"
            class="small"
            [attr.aria-pressed]="extra.asked"
            (click)="store.askFor(extra.code, !extra.asked)"
          >
            {{ extra.asked ? '✓ ' : '' }}{{ extra.name }}
          </button>
        }
      </div>
    }
    <p class="tools">
      <a [href]="sheet()" target="_blank" rel="noopener">Print these steps</a> for someone without a screen.
    </p>
    <div class="go">
      <button type="button" class="primary" (click)="store.next()"><kbd>Enter</kbd> Begin</button>
    </div>
  `,
  styleUrl: './prompt-panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PreparePanel {
  protected readonly store = inject(BenchStore);

  protected readonly prepare = computed(() => {
    const lines = this.store.protocols().flatMap(({ prepare }) => prepare);
    return [
      ...new Set(
        lines.length === 0 || this.store.garments().length > 0 ? [...lines, ...GENERAL_PREPARATION] : lines,
      ),
    ];
  });
  protected readonly instruments = computed(() =>
    instrumentsOf(this.store.steps().map(({ code }) => code)).map((one) => INSTRUMENT_WORDS[one]),
  );
  protected readonly extras = computed(() =>
    this.store.extras().map((extra) => ({ ...extra, name: measurement(extra.code).name })),
  );
  protected readonly sheet = computed(() => sheetPath(this.store.docket()!.id));
  protected readonly conflicts = computed(() => this.store.plan().conflicts.map(sayConflict));
  protected readonly cautions = computed(() => [
    ...new Set(this.store.protocols().flatMap(({ cautions }) => cautions)),
  ]);
  protected readonly summary = computed(() => {
    const steps = this.store.steps();
    const stances = [
      ...new Set(steps.map(({ code }) => STANCE_WORDS[measurement(code).stance].toLowerCase())),
    ];
    return `${steps.length} ${steps.length === 1 ? 'measurement' : 'measurements'}: ${stances.join('; ')}`;
  });
}
