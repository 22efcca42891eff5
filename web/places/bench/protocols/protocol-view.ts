import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Protocol } from '@neat-measure/contract';
import {
  INSTRUMENT_WORDS,
  measurement,
  planSteps,
  STANCE_WORDS,
  TENSION_WORDS,
  type MeasurementCode,
  type Stance,
} from '@neat-measure/core';
import { BodyFigure } from '../../../parts/body-figure/body-figure';

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
    <p class="prepare"><b>First:</b> {{ protocol().prepare.join('; ').toLowerCase() }}.</p>
    @for (group of stances(); track group.stance) {
      <h3>
        {{ group.words }}
        <small>{{ group.steps.length === 1 ? '1 step' : group.steps.length + ' steps' }}</small>
      </h3>
      <ol>
        @for (step of group.steps; track step.code) {
          <li>
            <nm-body-figure [code]="step.code" />
            <b>{{ step.name }}</b>
            <span>{{ step.place }}</span>
            <small>{{ step.how }}</small>
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
    li > small {
      margin: auto 0 0;
      padding-top: 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProtocolView {
  readonly protocol = input.required<Protocol>();

  protected readonly stances = computed(() => {
    const { steps } = this.protocol();
    const groups: { stance: Stance; words: string; steps: ReturnType<ProtocolView['step']>[] }[] = [];
    for (const code of planSteps(steps.map((step) => step.code))) {
      const { stance } = measurement(code);
      if (groups.at(-1)?.stance !== stance) groups.push({ stance, words: STANCE_WORDS[stance], steps: [] });
      groups.at(-1)!.steps.push(this.step(code));
    }
    return groups;
  });

  private step(code: MeasurementCode) {
    const { name, place, instruments, tension } = measurement(code);
    const own = this.protocol().steps.find((step) => step.code === code)!;
    const taped = instruments.includes('tape');
    const how = taped
      ? TENSION_WORDS[own.tension ?? tension]
      : instruments.map((one) => INSTRUMENT_WORDS[one]).join(' or ');
    return { code, name, place, how: own.onDemand === true ? `${how}; on demand` : how };
  }
}
