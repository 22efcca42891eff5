import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { sheetPath } from '@neat-measure/contract';
import {
  CLOTHING_WORDS,
  CONSENT,
  conflictChoices,
  sayCord,
  sayPlacings,
  garmentKind,
  instrumentsOf,
  INSTRUMENT_WORDS,
  measurement,
  sayConflict,
  STANCE_WORDS,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { DocketStore } from '../docket-store';
import { CursorStore } from './cursor-store';
import { EntryStore } from './reading/entry-store';
import { ToldSizes } from './told-sizes';

/** Before the tape is out: what to wear, what to have at hand, what does not go together, what to be careful of. */
@Component({
  selector: 'nm-prepare-panel',
  imports: [NzButtonModule, ToldSizes],
  template: `
    <p class="soft">Prepare, before the tape</p>
    <h1>{{ store.wearer()?.name }}</h1>
    @for (line of cautions(); track line) {
      <p class="note"><b>Caution.</b> {{ line }}</p>
    }
    <div class="under onward row tools" role="group" aria-label="Consent">
      <button
        nz-button
        type="button"
        [attr.aria-pressed]="agreed()"
        (click)="store.does({ kind: 'consent-recorded', given: !agreed(), wording: consent.version })"
      >
        {{ agreed() ? '✓ Wearer agrees' : 'Wearer agrees' }}
      </button>
      <span>{{ consent.words }}</span>
    </div>
    <ul class="list">
      @for (line of prepare(); track line) {
        <li>{{ line }}</li>
      }
    </ul>
    <p class="under"><b>At hand:</b> {{ instruments().join('; ') }}.</p>
    <p class="under"><b>To measure:</b> {{ summary() }}. {{ placings() }}</p>
    @for (conflict of conflicts(); track conflict.words) {
      <p class="note">{{ conflict.words }}</p>
      @if (conflict.choices.length > 0) {
        <div class="row under" role="group" [attr.aria-label]="'How to measure ' + conflict.name">
          <b>Take {{ conflict.name }}:</b>
          @for (choice of conflict.choices; track choice.words) {
            <button
              nz-button
              type="button"
              [attr.aria-pressed]="choice.taken"
              (click)="store.does(choice.doing)"
            >
              {{ choice.taken ? '✓ ' : '' }}{{ choice.words }}
            </button>
          }
        </div>
      }
    }
    @if (entry.usable().length > 0) {
      <p class="under">
        <button nz-button type="button" (click)="entry.takeAllRecorded()">
          Use {{ entry.usable().length }} recorded
          {{ entry.usable().length === 1 ? 'value' : 'values' }}
        </button>
      </p>
    }
    @defer (on idle) {
      <nm-told-sizes />
    } @placeholder {
      <!-- Keeps the place: what comes late must not move Begin from under a finger. -->
      <div class="row under told"></div>
    }
    @if (store.extras().length > 0) {
      <div class="row under" role="group" aria-label="On demand">
        <b>On demand:</b>
        @for (extra of extras(); track extra.code) {
          <button
            nz-button
            type="button"
            [attr.aria-pressed]="extra.asked"
            (click)="store.does({ kind: 'measurement-asked', code: extra.code, asked: !extra.asked })"
          >
            {{ extra.asked ? '✓ ' : '' }}{{ extra.name }}
          </button>
        }
      </div>
    }
    <p class="under">
      <a [href]="sheet()" target="_blank" rel="noopener">Print steps</a> for use without a screen.
    </p>
    <div class="foot">
      <button nz-button nzType="primary" nzSize="large" type="button" (click)="cursor.next()">
        <kbd>Enter</kbd> Begin
      </button>
    </div>
  `,
  styleUrl: './prompt-panel.less',
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PreparePanel {
  protected readonly store = inject(DocketStore);
  protected readonly cursor = inject(CursorStore);
  protected readonly entry = inject(EntryStore);

  protected readonly consent = CONSENT;
  /** Whether the wearer agrees to the words as they are now. */
  protected readonly agreed = computed(() => {
    const consent = this.store.docket()?.consent ?? null;
    return consent !== null && consent.given && consent.wording === CONSENT.version;
  });
  protected readonly prepare = computed(() => {
    const lines = this.store.prepare();
    const cord = sayCord(this.store.plan());
    return cord === '' ? lines : [...lines, cord];
  });
  protected readonly instruments = computed(() =>
    instrumentsOf(this.store.steps().map(({ code }) => code)).map((one) => INSTRUMENT_WORDS[one]),
  );
  protected readonly extras = computed(() =>
    this.store.extras().map((extra) => ({ ...extra, name: measurement(extra.code).name })),
  );
  protected readonly sheet = computed(() => sheetPath(this.store.docket()!.id));
  protected readonly conflicts = computed(() =>
    this.store.plan().conflicts.map((conflict) => {
      const code =
        conflict.kind === 'one-word-two-places'
          ? conflict.codes[0]!
          : conflict.kind === 'waist'
            ? 'waist-girth'
            : conflict.code;
      return {
        choices: conflictChoices(conflict),
        words: sayConflict(conflict),
        name: measurement(code).name.toLowerCase(),
      };
    }),
  );
  protected readonly placings = computed(() => sayPlacings(this.store.plan()));
  /** What the protocols say, and what must be said of garments that come without one. */
  protected readonly cautions = computed(() => {
    const said = this.store.protocols().flatMap(({ cautions }) => cautions);
    const kinds = this.store.garments().flatMap(({ chart }) => garmentKind(chart.sheet.kind).caution ?? []);
    return [...new Set(said.length > 0 ? said : kinds)];
  });
  protected readonly summary = computed(() => {
    const steps = this.store.steps();
    const stances = [
      ...new Set(steps.map(({ code }) => STANCE_WORDS[measurement(code).stance].toLowerCase())),
    ];
    const other = steps.filter(({ clothing }) => clothing !== 'close-fitting');
    const clothes = [...new Set(other.map(({ clothing }) => `, ${CLOTHING_WORDS[clothing]}`))].join('');
    return `${steps.length} ${steps.length === 1 ? 'measurement' : 'measurements'}${clothes}: ${stances.join('; ')}`;
  });
}
