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
  MICROMETRES_PER,
  type ChartSheet,
  type CompiledColumn,
  type Interval,
  type Length,
  type MeasurementCode,
  type WorkingUnit,
  compiled,
} from '@neat-measure/core';
import { codesOfCoverage, partCoverage, valueIn, type Held } from '@neat-measure/core/coverage';
import { bodies507 } from '@neat-measure/core/bodies-507';
import { ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, MarkAreaComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import type { EChartsCoreOption } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { catchError, map, of, switchMap, tap } from 'rxjs';
import { ChartService } from '../../data/chart-service';

echarts.use([ScatterChart, GridComponent, MarkAreaComponent, TooltipComponent, AriaComponent, SVGRenderer]);

const INK = '#1e2a2b';
const SOFT = '#566160';
const LINE = '#d9d4c5';
const GREEN = '#17544a';
const BRICK = '#a63a24';
/** Axes begin and end on round numbers. */
const ROUND = 5;
const TEXT = 'Atkinson Hyperlegible Next Variable, sans-serif';

/** Two measurements as axes, the sizes as boxes to scale, gaps bare, and the 507 bodies or the roll as points: whom a part holds, and whom not. */
@Component({
  selector: 'nm-size-map',
  imports: [NgxEchartsDirective, NzSelectModule, FormsModule],
  providers: [provideEchartsCore({ echarts })],
  template: `
    @if (columns().length < 2) {
      <p>
        A map needs two measurements in one part, and this chart has only one. The rulers show the whole
        chart.
      </p>
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
        <div class="field">
          <label for="map-points">Points</label>
          <nz-select nzId="map-points" [nzOptions]="whoses" [(ngModel)]="whose" />
        </div>
      </div>
      <p class="held" role="status">{{ says() }}</p>
      <div echarts class="map" [options]="options()" [autoResize]="true"></div>
      <p class="soft">{{ source() }}</p>
    }
  `,
  styles: `
    .held {
      margin-top: 12px;
      font-size: 17px;
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

  /** Deciding columns of parts that have more than one. */
  protected readonly columns = computed(() =>
    compiled(this.sheet())
      .parts.map(({ whole }) => whole)
      .filter(({ deciding }) => deciding.length > 1)
      .flatMap((part) =>
        part.deciding.map((column) => ({
          key: `${part.code} ${column.code}`,
          part: part.code,
          sizes: part.sizes,
          label: column.name,
          value: `${part.code} ${column.code}`,
          name: column.name,
          column,
        })),
      ),
  );
  protected readonly across = linkedSignal(() => this.columns()[0]?.key ?? '');
  protected readonly others = computed(() => {
    const along = this.columns().find(({ key }) => key === this.across());
    return this.columns().filter(({ key, part }) => key !== this.across() && part === along?.part);
  });
  protected readonly up = linkedSignal(() => this.others()[0]?.key ?? '');

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
  private readonly measured = computed(() => codesOfCoverage(compiled(this.sheet())).join(' '));

  private readonly axes = computed(() => {
    const along = this.columns().find(({ key }) => key === this.across());
    const upward = this.others().find(({ key }) => key === this.up()) ?? this.others()[0];
    return along === undefined || upward === undefined ? null : { along, upward };
  });

  /** Everybody, as the part of the axes holds them: by all it decides by, the two axes and the rest. */
  private readonly points = computed(() => {
    const axes = this.axes();
    if (axes === null) return [];
    const chart = compiled(this.sheet());
    const { deciding } = chart.parts.find(({ whole }) => whole.code === axes.along.part)!.whole;
    const bodies = this.whose() === 'roll' ? this.roll() : BODIES;
    return partCoverage(chart, axes.along.part, bodies).flatMap((body) => {
      const x = valueIn(body, deciding, axes.along.column.code);
      const y = valueIn(body, deciding, axes.upward.column.code);
      return x === null || y === null ? [] : [{ x, y, where: body.held }];
    });
  });
  /** Of whom everything is known that decides. */
  private readonly known = computed(() => this.points().filter(({ where }) => where !== 'unknown'));

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
    const share = (where: Held) =>
      `${Math.round((100 * known.filter((point) => point.where === where).length) / known.length)} %`;
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
    const per = MICROMETRES_PER[this.unit()];
    const points = this.points();
    const xs = rangeOf(
      axes.along.column,
      points.map(({ x }) => x),
    );
    const ys = rangeOf(
      axes.upward.column,
      points.map(({ y }) => y),
    );
    const axis = (name: string, [low, high]: [number, number]) => ({
      name: `${name}, ${this.unit()}`,
      nameLocation: 'middle',
      nameGap: 34,
      nameTextStyle: { color: INK, fontFamily: TEXT, fontSize: 15 },
      min: Math.floor(low / per / ROUND) * ROUND,
      max: Math.ceil(high / per / ROUND) * ROUND,
      axisLine: { lineStyle: { color: SOFT } },
      axisLabel: { color: SOFT, fontFamily: TEXT, fontSize: 13 },
      splitLine: { show: false },
    });
    const box = (size: string, index: number) => {
      const [x, y] = [axes.along.column.intervals[index]!, axes.upward.column.intervals[index]!];
      const end = (bound: number | null, open: number) => (bound ?? open) / per;
      return [
        { name: size, xAxis: end(x.lower, xs[0]), yAxis: end(y.lower, ys[0]) },
        { xAxis: end(x.upper, xs[1]), yAxis: end(y.upper, ys[1]) },
      ];
    };
    const scatter = (where: Held, color: string) => ({
      type: 'scatter',
      symbolSize: 6,
      silent: true,
      itemStyle: { color, opacity: 0.5 },
      data: points.filter((point) => point.where === where).map(({ x, y }) => [x / per, y / per]),
    });
    return {
      animation: false,
      aria: { enabled: true },
      textStyle: { fontFamily: TEXT },
      grid: { left: 62, right: 20, top: 14, bottom: 54 },
      xAxis: axis(axes.along.name, xs),
      yAxis: axis(axes.upward.name, ys),
      series: [
        {
          ...scatter('inside', GREEN),
          markArea: {
            silent: true,
            itemStyle: { color: 'rgba(23,84,74,0.09)', borderColor: GREEN, borderWidth: 1.2 },
            label: { color: INK, fontWeight: 600, fontSize: 14, position: 'insideTopLeft' },
            data: axes.along.sizes.map(box),
          },
        },
        scatter('between', INK),
        scatter('outside', BRICK),
        scatter('unknown', SOFT),
      ],
      backgroundColor: 'transparent',
      color: [GREEN, LINE],
    };
  });
}

const BODIES: readonly ReadonlyMap<MeasurementCode, Length>[] = bodies507();

function rangeOf({ intervals }: CompiledColumn, values: readonly Length[]): [number, number] {
  const ends = intervals
    .flatMap(({ lower, upper }: Interval) => [lower, upper])
    .filter((end) => end !== null);
  const all = [...ends, ...values];
  const [low, high] = [Math.min(...all), Math.max(...all)];
  return [low - (high - low) * 0.03, high + (high - low) * 0.03];
}
