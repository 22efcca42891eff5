import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { formatLength, type Interval, type WorkingUnit } from '@neat-measure/core';
import { labelsOf, layOut, type MarkedReading } from './ruler-scale';
import { UnitService } from '../../data/unit-service';

/**
 * The size ruler: one measurement's sizes to scale, gaps left bare, overlaps drawn doubled,
 * the wearer's reading as a mark with whiskers for the tape's error.
 *
 * Three statures: `bench` (a line in the docket), `verdict` and `chart` (with an axis).
 */
@Component({
  selector: 'nm-size-ruler',
  templateUrl: './size-ruler.html',
  styleUrl: './size-ruler.less',
  host: { '[class]': '"at-" + stature()', role: 'img', '[attr.aria-label]': 'spoken()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizeRuler {
  readonly measurement = input.required<string>();
  readonly sizes = input.required<readonly string[]>();
  readonly intervals = input.required<readonly Interval[]>();
  readonly unit = input.required<WorkingUnit>();
  readonly reading = input<MarkedReading | null>(null);
  /** The labels still in the running. */
  readonly candidates = input<readonly string[]>([]);
  readonly stature = input<'bench' | 'verdict' | 'chart'>('bench');

  private readonly units = inject(UnitService);
  protected readonly scale = computed(() =>
    layOut(this.sizes(), this.intervals(), this.reading(), this.unit()),
  );

  protected readonly labels = computed(() =>
    labelsOf(this.scale().segments, this.candidates(), this.scale().mark?.at ?? null),
  );

  protected readonly spoken = computed(() => {
    const reading = this.reading();
    const where =
      reading === null ? 'not read yet' : formatLength(reading.value, this.units.written(this.unit()));
    const left = this.candidates();
    return `${this.measurement()}, ${where}; sizes ${this.sizes()[0]} to ${this.sizes().at(-1)}${left.length > 0 ? `; in the running: ${left.join(', ')}` : ''}`;
  });
}
