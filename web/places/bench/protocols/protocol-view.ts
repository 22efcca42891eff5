import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Protocol } from '@neat-measure/contract';
import {
  byPlacing,
  CHAINS,
  INSTRUMENT_WORDS,
  markWords,
  measurement,
  planDocket,
  sayCord,
  sayPlacings,
  STANCE_WORDS,
  TENSION_WORDS,
  tensionIn,
  wishOf,
  type PlannedStep,
  type Stance,
  nameAt,
  placeAt,
  wordsAt,
} from '@neat-measure/core';
import { ISO_8559_NAMES } from '@neat-measure/core/iso8559-names';
import { BodyFigure } from '../../../parts/body-figure/body-figure';

/** What the standard calls each measurement. */
const STANDARD = new Map(ISO_8559_NAMES.map(({ code, term }) => [code, term]));

/** A protocol as it is worked through: stance by stance, each step with the place of the tape drawn. */
@Component({
  selector: 'nm-protocol-view',
  imports: [BodyFigure],
  template: `
    <h2 class="title">{{ protocol().name }}</h2>
    <p class="school">{{ protocol().school }}</p>
    @for (line of protocol().cautions; track line) {
      <p class="note"><b>Caution.</b> {{ line }}</p>
    }
    <p class="prepare"><b>First:</b> {{ first() }}.</p>
    @if (saved()) {
      <p class="soft">{{ saved() }}</p>
    }
    @if (wishes()) {
      <p class="soft"><b>Wishes asked about:</b> {{ wishes() }}.</p>
    }
    @for (group of stances(); track group.stance) {
      <h3>
        {{ group.words }}
        <small>{{ group.placings.length === 1 ? '1 placing' : group.placings.length + ' placings' }}</small>
      </h3>
      <ol>
        @for (placing of group.placings; track placing.code) {
          <li>
            <nm-body-figure [code]="placing.code" [along]="placing.along" [cord]="plan().cord !== null" />
            <b>{{ placing.name }}</b>
            <span>{{ placing.place }}</span>
            @if (placing.standard) {
              <small>ISO 8559-1: {{ placing.standard }}</small>
            }
            <small>{{ placing.how }}</small>
          </li>
        }
      </ol>
    }
  `,
  styles: `
    .school,
    .prepare {
      max-width: 76ch;
      margin-top: 4px;
      font-size: 17px;
    }
    .prepare {
      margin-top: 12px;
      font-size: inherit;
    }
    ol {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(168px, 1fr));
      gap: 12px;
      margin-top: 8px;
    }
    li {
      display: flex;
      flex-direction: column;
      gap: 3px;
      padding: 10px 12px 12px;
      border: 1px solid var(--line);
      border-radius: var(--radius);
      background: var(--paper);
      line-height: 1.3;
    }
    nm-body-figure {
      height: 190px;
      margin-bottom: 6px;
    }
    small {
      margin-left: 2px;
      font-weight: 400;
    }
    li > small:last-child {
      margin: auto 0 0;
      padding-top: 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProtocolView {
  readonly protocol = input.required<Protocol>();

  /** The protocol planned by itself. */
  protected readonly plan = computed(() => {
    const protocol = this.protocol();
    return planDocket(
      protocol.steps.map((step) => ({
        by: protocol.name,
        code: step.code,
        tension: tensionIn(protocol, step),
        waist: protocol.waist,
      })),
    );
  });
  protected readonly saved = computed(() => sayPlacings(this.plan()));
  protected readonly first = computed(() => {
    const cord = sayCord(this.plan());
    const lines = this.protocol().prepare.join('; ').toLowerCase();
    return cord === '' ? lines : `${lines}; ${cord.replace(/\.$/, '').toLowerCase()}`;
  });
  protected readonly wishes = computed(() =>
    (this.protocol().wishes ?? []).map((code) => wishOf(code).name.toLowerCase()).join('; '),
  );

  protected readonly stances = computed(() => {
    const groups: { stance: Stance; words: string; placings: ReturnType<ProtocolView['card']>[] }[] = [];
    for (const placing of byPlacing(this.plan().steps)) {
      const { stance } = measurement(placing[0]!.code);
      if (groups.at(-1)?.stance !== stance)
        groups.push({ stance, words: STANCE_WORDS[stance], placings: [] });
      groups.at(-1)!.placings.push(this.card(placing));
    }
    return groups;
  });

  private card(placing: readonly PlannedStep[]) {
    const codes = placing.map(({ code }) => code);
    const last = codes.at(-1)!;
    const { instruments } = measurement(last);
    const { waist } = placing[0]!;
    const chain = placing[0]!.chain === null ? null : CHAINS[placing[0]!.chain];
    const taped = instruments.includes('tape');
    const demanded = this.protocol().steps.some(
      (step) => codes.includes(step.code) && step.onDemand === true,
    );
    const how = taped
      ? TENSION_WORDS[placing[0]!.tension]
      : instruments.map((one) => INSTRUMENT_WORDS[one]).join(' or ');
    return {
      // On tiptoe is another view than the rest of its chain: the tape is shown where most marks are.
      code: codes.filter((code) => measurement(code).stance !== 'tiptoe').at(-1) ?? last,
      along: chain === null ? [] : codes,
      name: chain?.name ?? nameAt(last, waist),
      place:
        chain === null
          ? placeAt(last, waist)
          : wordsAt(`From ${chain.from}: ${codes.map(markWords).join(', ')}.`, waist),
      standard: codes.flatMap((one) => STANDARD.get(one) ?? []).join(', '),
      how: demanded ? `${how}; on demand` : how,
    };
  }
}
