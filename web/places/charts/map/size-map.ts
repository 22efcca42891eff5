import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import {
  compiled,
  type ChartSheet,
  type Length,
  type MeasurementCode,
  type WorkingUnit,
} from '@neat-measure/core';
import {
  codesOfCoverage,
  partsCoverage,
  sizeByColumn,
  valueIn,
  type Held,
} from '@neat-measure/core/coverage';
import { bodies507 } from '@neat-measure/core/bodies-507';
import { ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, MarkAreaComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import type { EChartsCoreOption } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { catchError, map, of, switchMap, tap } from 'rxjs';
import { ChartService } from '../../../data/chart-service';
import { mapOptions, shadeOf, type MapColumn, type MapPoint } from './map-options';

echarts.use([ScatterChart, GridComponent, MarkAreaComponent, TooltipComponent, AriaComponent, SVGRenderer]);

/** No third measurement. */
const NO_SHADE = '';

/**
 * Two measurements as axes, the sizes as boxes to scale, gaps bare, and the 507 bodies or the roll as points: whom the parts
 * of the axes hold, and whom not. A third measurement tells its size by shade.
 */
@Component({
  selector: 'nm-size-map',
  imports: [NgxEchartsDirective, NzSelectModule, FormsModule],
  providers: [provideEchartsCore({ echarts })],
  template: `
    @if (columns().length < 2) {
      <p>A map needs two measurements, and this chart has only one. The rulers show the whole chart.</p>
    } @else {
      <div class="fields">
        <div class="field">
          <label for="map-along">Along</label>
          <nz-select nzId="map-along" [nzOptions]="columns()" [(ngModel)]="across" />
        </div>
        <div class="field">
          <label for="map-up">Up</label>
          <nz-select nzId="map-up" [nzOptions]="others()" [(ngModel)]="up" />
        </div>
        @if (shades().length > 1) {
          <div class="field">
            <label for="map-shade">Shade</label>
            <nz-select nzId="map-shade" [nzOptions]="shades()" [(ngModel)]="shade" />
          </div>
        }
        <div class="field">
          <label for="map-points">Points</label>
          <nz-select nzId="map-points" [nzOptions]="whoses" [(ngModel)]="whose" />
        </div>
      </div>
      <p class="held" role="status">{{ says() }}</p>
      @if (legend(); as legend) {
        <ul class="row legend" [attr.aria-label]="'Shade: size by ' + legend.name">
          @for (one of legend.shades; track one.label) {
            <li><span class="dot" [style.background]="one.color"></span> {{ one.label }}</li>
          }
          <li><span class="dot none"></span> no size</li>
          <li><span class="dot unknown"></span> not known</li>
        </ul>
      }
      <div echarts class="map" [options]="options()" [autoResize]="true"></div>
      <p class="soft">{{ source() }}</p>
    }
  `,
  styles: `
    .held {
      margin-top: 12px;
      font-size: 17px;
    }
    .legend {
      margin: 4px 0 0;
      padding: 0;
      list-style: none;
    }
    .dot {
      display: inline-block;
      width: 12px;
      height: 12px;
      border-radius: 6px;
    }
    .unknown {
      background: var(--soft);
      opacity: 0.5;
    }
    .none {
      border: 1.5px solid var(--brick);
    }
    .map {
      height: 470px;
      max-width: 860px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizeMap {
  readonly sheet = input.required<ChartSheet>();
  readonly unit = input.required<WorkingUnit>();

  private readonly chart = computed(() => compiled(this.sheet()));
  /** Every deciding column of every part; two of one name are told apart by their part. */
  protected readonly columns = computed(() => {
    const parts = this.chart().parts.map(({ whole }) => whole);
    const names = parts.flatMap((part) => part.deciding.map(({ name }) => name));
    return parts.flatMap((part) =>
      part.deciding.map((column) => {
        const isTwice = names.filter((name) => name === column.name).length > 1;
        const name = isTwice ? `${column.name}, ${part.name}` : column.name;
        const key = `${part.code} ${column.code}`;
        return { key, part: part.code, sizes: part.sizes, label: name, value: key, name, column };
      }),
    );
  });
  protected readonly across = linkedSignal(() => this.columns()[0]?.key ?? '');
  protected readonly others = computed(() => this.columns().filter(({ key }) => key !== this.across()));
  protected readonly up = linkedSignal(() => this.others()[0]?.key ?? '');
  /** What is left for the shade. */
  protected readonly shades = computed(() => [
    { label: 'none', value: NO_SHADE },
    ...this.others().filter(({ key }) => key !== this.axes()?.upward.key),
  ]);
  protected readonly shade = linkedSignal({
    source: this.shades,
    computation: (shades, before?: { value: string }): string =>
      shades.some(({ value }) => value === before?.value) ? before!.value : NO_SHADE,
  });

  protected readonly whoses = [
    { label: '507 measured bodies', value: '507' as const },
    { label: 'all wearers', value: 'roll' as const },
  ];
  protected readonly whose = signal<'507' | 'roll'>('507');
  protected readonly rollTrouble = signal('');
  private readonly charts = inject(ChartService);
  /** The roll's values of what the chart decides by, fetched once they are asked for. */
  private readonly roll = toSignal(
    toObservable(computed(() => (this.whose() === 'roll' ? this.measured() : ''))).pipe(
      switchMap((codes) =>
        codes === ''
          ? of([])
          : this.charts.bodies(codes.split(' ') as MeasurementCode[]).pipe(
              tap(() => this.rollTrouble.set('')),
              catchError((problem: Error) => {
                this.rollTrouble.set(problem.message);
                return of([]);
              }),
            ),
      ),
      map((bodies) =>
        bodies.map((body) => new Map(Object.entries(body)) as ReadonlyMap<MeasurementCode, Length>),
      ),
    ),
    { initialValue: [] },
  );
  /** What the chart decides by, as far as a tape takes it. */
  private readonly measured = computed(() => codesOfCoverage(this.chart()).join(' '));

  private readonly axes = computed(() => {
    const along = this.columns().find(({ key }) => key === this.across());
    const upward = this.others().find(({ key }) => key === this.up()) ?? this.others()[0];
    return along === undefined || upward === undefined ? null : { along, upward };
  });
  private readonly shadedBy = computed(() => this.others().find(({ key }) => key === this.shade()) ?? null);
  protected readonly legend = computed(() => {
    const shade = this.shadedBy();
    if (shade === null) return null;
    const { name, sizes } = shade;
    return { name, shades: sizes.map((label, at) => ({ label, color: shadeOf(at, sizes.length) })) };
  });

  /** Everybody, as the parts of the axes hold them: by all they decide by, the two axes and the rest. */
  private readonly points = computed<readonly MapPoint[]>(() => {
    const [axes, shade, chart] = [this.axes(), this.shadedBy(), this.chart()];
    if (axes === null) return [];
    const { along, upward } = axes;
    const bodies = this.whose() === 'roll' ? this.roll() : BODIES;
    return partsCoverage(chart, [along.part, upward.part], bodies).flatMap((body): MapPoint[] => {
      const valueOf = ({ part, column }: MapColumn) => valueIn(chart, body, part, column.code);
      const [x, y, third] = [valueOf(along), valueOf(upward), shade === null ? null : valueOf(shade)];
      if (x === null || y === null) return [];
      const shaded = shade === null || third === null ? undefined : sizeByColumn(shade.column, third);
      return [{ x, y, held: body.held, shade: shaded }];
    });
  });
  /** Of whom everything is known that decides. */
  private readonly known = computed(() => this.points().filter(({ held }) => held !== 'unknown'));

  /** Whom the sizes hold, in one sentence; and how many it says nothing of. */
  protected readonly says = computed(() => {
    const [points, known] = [this.points(), this.known()];
    const roll = this.whose() === 'roll';
    if (roll && this.rollTrouble() !== '') return this.rollTrouble();
    if (points.length === 0)
      return roll
        ? 'No wearer has both measurements yet. The boxes are to scale.'
        : 'The 507 bodies lack one of the measurements. The boxes are to scale.';
    const unknown = points.length - known.length;
    const left = unknown === 0 ? '' : ` ${unknown} more lack a deciding measurement and are not counted.`;
    if (known.length === 0)
      return `No wearer has all deciding measurements, so no share is shown; the ${unknown} points are to scale.`;
    const share = (one: Held) =>
      `${Math.round((100 * known.filter(({ held }) => held === one).length) / known.length)} %`;
    const whom = roll ? `${known.length} wearers` : `${known.length} bodies`;
    return `Of ${whom}, ${share('inside')} are inside a size, ${share('between')} between sizes or split, ${share('outside')} outside all sizes.${left}`;
  });
  protected readonly source = computed(() =>
    this.whose() === 'roll'
      ? 'Points: the latest settled readings of all wearers, without names.'
      : 'Points: Heinz, Peterson, Johnson and Kerk (2003), Journal of Statistics Education 11(2); 247 men and 260 women, most of them young and active.',
  );

  protected readonly options = computed<EChartsCoreOption>(() => {
    const axes = this.axes();
    if (axes === null) return {};
    return mapOptions({
      ...axes,
      ...{ sheet: this.sheet(), shade: this.shadedBy(), points: this.points(), unit: this.unit() },
    });
  });
}

const BODIES: readonly ReadonlyMap<MeasurementCode, Length>[] = bodies507();
