import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import {
  compileChart,
  countingFeet,
  formatLength,
  measurement,
  sayReason,
  VERDICT_WORDS,
  type CompiledChart,
  type MeasurementCode,
} from '@neat-measure/core';
import { SizeRuler } from '../../parts/size-ruler/size-ruler';
import { VerdictGlyph } from '../../parts/verdict-glyph/verdict-glyph';
import { BenchStore } from './bench-store';
import type { Garment } from './bench-view';

/** Every garment on the docket, narrowing as the readings come in. */
@Component({
  selector: 'nm-garment-cards',
  imports: [SizeRuler, VerdictGlyph],
  templateUrl: './garment-cards.html',
  styleUrl: './garment-cards.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GarmentCards {
  protected readonly store = inject(BenchStore);
  /** The garment being decided, or `null` while measuring. */
  readonly deciding = input<number | null>(null);
  readonly chosen = output<number>();

  private readonly compiled = new Map<string, CompiledChart>();

  protected readonly cards = computed(() =>
    this.store.garments().map((garment) => {
      const { chart, verdict, decision } = garment;
      return {
        garment,
        chart: this.compile(garment),
        name: chart.sheet.garment,
        size: decision?.size ?? outcome(garment),
        decided: decision !== null,
        beyond: decision === null && verdict.verdict === 'beyond',
        word:
          decision === null
            ? VERDICT_WORDS[verdict.verdict]
            : decision.outcome === 'accepted'
              ? 'accepted'
              : 'chosen instead',
        reason: decision?.reason ?? sayReason(verdict, this.store.unit()),
        candidates: candidates(garment),
      };
    }),
  );

  protected readonly heading = computed(() => {
    const [garments, protocols] = [this.store.garments().length, this.store.protocols().length];
    const counted = (count: number, one: string) =>
      count === 0 ? '' : `${count} ${one}${count === 1 ? '' : 's'}`;
    return `Docket: ${[counted(garments, 'garment'), counted(protocols, 'protocol')].filter(Boolean).join(', ')}`;
  });

  /** Protocols have no size to give: how far they are, and what counts of the feet. */
  protected readonly records = computed(() =>
    this.store.protocols().map(({ id, name, steps }) => {
      const wanted = this.store.steps().filter(({ code }) => steps.some((step) => step.code === code));
      const taken = wanted.filter(({ agreement }) => agreement.value !== null).length;
      const feet = wanted.some(({ code }) => code.startsWith('foot-'))
        ? countingFeet(this.store.values())
        : null;
      const longer = feet?.length ? `longer foot ${formatLength(feet.length, 'mm')}` : '';
      const wider = feet?.width ? `wider ${formatLength(feet.width, 'mm')}` : '';
      return {
        id,
        name,
        done: `${taken} of ${wanted.length}`,
        feet: [longer, wider].filter(Boolean).join(', '),
      };
    }),
  );

  protected name(code: MeasurementCode): string {
    return measurement(code).name;
  }

  protected markOf({ verdict }: Garment, code: MeasurementCode) {
    return verdict.placements.find((placement) => placement.code === code) ?? null;
  }

  private compile({ chart }: Garment): CompiledChart {
    const known = this.compiled.get(chart.id) ?? compileChart(chart.sheet);
    this.compiled.set(chart.id, known);
    return known;
  }
}

/** What stands at the right of a card: the size, both where it is near or in between, or how far the sizes have narrowed. */
function outcome({ verdict }: Garment): string {
  const { reason, proposed } = verdict;
  switch (reason.verdict) {
    case 'beyond':
      return 'made to measure';
    case 'between':
      return [...new Set(reason.gaps.flatMap(({ below, above }) => [below, above]))].join(' | ');
    case 'edge':
      return reason.neighbour === null ? reason.size : `${reason.size} | ${reason.neighbour}`;
    case 'incomplete':
      return `${reason.possible.length} left`;
    default:
      return proposed ?? '';
  }
}

function candidates({ verdict, decision }: Garment): readonly string[] {
  if (decision !== null) return [decision.size];
  if (verdict.reason.verdict === 'incomplete')
    return verdict.placements.length === 0 ? [] : verdict.reason.possible;
  if (verdict.verdict === 'beyond') return [];
  return verdict.proposed === null
    ? verdict.alternates
    : verdict.verdict === 'settled'
      ? [verdict.proposed]
      : [verdict.proposed, ...verdict.alternates];
}
