import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  output,
  signal,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import {
  counted,
  formatLength,
  measurement,
  MEASUREMENT_CODES,
  micrometres,
  MICROMETRES_PER,
  type ChartSheet,
  type Length,
  type MeasurementCode,
} from '@neat-measure/core';
import { bodies507 } from '@neat-measure/core/bodies-507';
import { shareOf, sheetOfPairs, sheetOfSizes } from '@neat-measure/core/own-chart';
import { LineChart } from 'echarts/charts';
import { AriaComponent, GridComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import type { EChartsCoreOption } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { catchError, combineLatest, map, of, switchMap } from 'rxjs';
import { ChartService } from '../../../data/chart-service';
import { Fetched } from '../../../data/fetched';
import { MusterService } from '../../../data/musters/muster-service';
import { Fetching } from '../../../parts/fetching/fetching';
import { UnitService } from '../../../data/unit-service';
import type { OwnAnswer, OwnQuestion } from './draft-own';
import { sayOwn } from './say-own';

echarts.use([LineChart, GridComponent, TooltipComponent, AriaComponent, SVGRenderer]);

const INK = '#1e2a2b';
const SOFT = '#566160';
const GREEN = '#17544a';
const TEXT = 'Atkinson Hyperlegible Next Variable, sans-serif';
/** So many who are left out are listed. */
const MOST_LISTED = 20;

type Widths = 'any' | 'equal' | 'graded';

/** A chart drafted from people who were measured: as many sizes as are wanted, where they leave fewest people out. */
@Component({
  selector: 'nm-own-chart',
  imports: [
    Fetching,
    FormsModule,
    NgxEchartsDirective,
    NzButtonModule,
    NzInputModule,
    NzInputNumberModule,
    NzSelectModule,
  ],
  providers: [provideEchartsCore({ echarts })],
  templateUrl: './own-chart.html',
  styles: `
    :host {
      max-width: 1000px;
      gap: 12px;
    }
    .panel {
      gap: 12px;
      padding: 14px 18px;
    }
    .curve {
      height: 260px;
      max-width: 720px;
    }
    .wish {
      width: 100%;
    }
  `,
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnChart {
  readonly drafted = output<{ readonly sheet: ChartSheet; readonly source: string }>();
  readonly discarded = output<void>();
  private readonly charts = inject(ChartService);
  protected readonly units = inject(UnitService);
  protected readonly counted = counted;
  private readonly musters = inject(MusterService);
  protected readonly groups = new Fetched(() => this.musters.groups());

  protected readonly whom = signal('all');
  protected readonly whoms = computed(() => [
    { value: 'all', label: 'all wearers' },
    ...(this.groups.value() ?? []).map(({ id, name }) => ({ value: id, label: name })),
    { value: '507', label: '507 measured bodies' },
  ]);
  protected readonly codes = MEASUREMENT_CODES.map((value) => ({ value, label: measurement(value).name }));
  protected readonly first = signal<MeasurementCode>('chest-girth');
  protected readonly second = signal<MeasurementCode | null>(null);
  protected readonly seconds = computed(() => this.codes.filter(({ value }) => value !== this.first()));
  protected readonly count = signal(5);
  /** In the unit that is shown. */
  protected readonly span = signal<number | null>(null);
  protected readonly secondSpan = signal<number | null>(null);
  protected readonly step = signal<number | null>(null);
  protected readonly widths = signal<Widths>('any');
  protected readonly grading = signal('');
  protected readonly widthOptions: { value: Widths; label: string }[] = [
    { value: 'any', label: 'as they fit' },
    { value: 'equal', label: 'all alike' },
    { value: 'graded', label: 'by a grading' },
  ];
  protected readonly trouble = signal('');
  /** How often it was asked for once more. */
  protected readonly tries = signal(0);
  protected readonly unit = computed(() => this.units.unit());
  private readonly per = computed(() => MICROMETRES_PER[this.unit()]);
  protected readonly usual = computed(() =>
    this.unit() === 'in'
      ? { span: 3, step: 0.5 }
      : this.unit() === 'mm'
        ? { span: 80, step: 10 }
        : { span: 8, step: 1 },
  );

  private readonly known = toSignal(
    combineLatest([
      toObservable(this.whom),
      toObservable(this.first),
      toObservable(this.second),
      toObservable(this.tries),
    ]).pipe(
      switchMap(([whom, first, second]) => {
        const codes = second === null ? [first] : [first, second];
        const bodies =
          whom === '507'
            ? of(bodies507().map((body) => codes.map((code) => body.get(code))))
            : this.charts
                .bodies(codes, whom === 'all' ? null : whom)
                .pipe(map((all) => all.map((body) => codes.map((code) => body[code]))));
        return bodies.pipe(
          map((all) => {
            this.trouble.set('');
            const people = all.filter((values): values is Length[] =>
              values.every((one) => one !== undefined),
            );
            return { people, lacking: all.length - people.length };
          }),
          catchError((problem: Error) => {
            this.trouble.set(problem.message);
            return of(null);
          }),
        );
      }),
    ),
    { initialValue: null },
  );
  protected readonly people = computed(() => this.known()?.people ?? null);

  private readonly question = computed<OwnQuestion | null>(() => {
    const people = this.people();
    if (people === null || people.length === 0) return null;
    const length = (value: number | null, usual: number) =>
      micrometres(Math.round((value ?? usual) * this.per()));
    const { span, step } = this.usual();
    const first = length(this.span(), span);
    const second = length(this.secondSpan(), span);
    const widths = this.widths();
    const graded = this.graded();
    return {
      ...{ id: 0, people, grid: length(this.step(), step) },
      spans: this.second() === null ? [first] : [first, second],
      count: widths === 'graded' && this.second() === null ? graded.length : this.count(),
      widths: widths !== 'graded' ? widths : graded,
    };
  });
  /** The widths that were written, smallest size first. */
  protected readonly graded = computed(() =>
    this.grading()
      .split(/[\s;]+/)
      .map((word) => Number(word.replace(',', '.')))
      .filter((width) => width > 0)
      .map((width) => micrometres(Math.round(width * this.per()))),
  );
  protected readonly answer = signal<OwnAnswer | null>(null);
  private asked = 0;
  private readonly worker = new Worker(new URL('./own-chart.worker', import.meta.url), { type: 'module' });

  protected readonly held = computed(() => {
    const answer = this.answer();
    const people = this.people() ?? [];
    const left = (answer?.one ?? answer?.two)?.left ?? 0;
    return { left, of: people.length, share: shareOf(people.length - left, people.length) };
  });
  /** The sizes as lines of a table. */
  protected readonly sizes = computed(() => {
    const answer = this.answer();
    const say = (length: Length) => formatLength(length, this.units.shown());
    if (answer?.one)
      return answer.one.sizes.map(({ from, until, holds }) => ({
        ends: [`${say(from)} to below ${say(until)}`],
        holds,
      }));
    const spans = this.question()?.spans ?? [];
    return (answer?.two?.sizes ?? []).map(({ middles, holds }) => ({
      ends: middles.map((middle, at) => {
        const half = spans[at]! / 2;
        return `${say(micrometres(Math.round(middle - half)))} to below ${say(micrometres(Math.round(middle + half)))}`;
      }),
      holds,
    }));
  });
  protected readonly says = computed(() => {
    const known = this.known();
    return known === null ? [] : sayOwn({ ...this.held(), lacking: known.lacking });
  });
  /** Whom no size holds, by their values, as far as they are listed. */
  protected readonly leftOut = computed(() => {
    const answer = this.answer();
    const spans = this.question()?.spans ?? [];
    if (answer === null) return [];
    const isHeld = (values: readonly number[]) =>
      answer.one !== null
        ? answer.one.sizes.some(({ from, until }) => from <= values[0]! && values[0]! < until)
        : (answer.two?.sizes ?? []).some(({ middles }) =>
            middles.every((middle, at) => {
              const off = 2 * (values[at]! - middle);
              return off >= -spans[at]! && off < spans[at]!;
            }),
          );
    return (this.people() ?? [])
      .filter((values) => !isHeld(values))
      .sort((one, other) => one[0]! - other[0]!)
      .map((values) => values.map((value) => formatLength(value, this.units.shown())).join(' / '));
  });
  protected readonly listed = computed(() => this.leftOut().slice(0, MOST_LISTED));

  protected readonly curve = computed<EChartsCoreOption>(() => {
    const points = this.answer()?.curve ?? [];
    const of_ = Math.max(1, this.people()?.length ?? 1);
    return {
      animation: false,
      aria: { enabled: true },
      textStyle: { fontFamily: TEXT },
      grid: { left: 58, right: 20, top: 16, bottom: 48 },
      tooltip: { trigger: 'axis' },
      xAxis: {
        ...{ type: 'category', name: 'sizes', nameLocation: 'middle', nameGap: 30 },
        nameTextStyle: { color: INK, fontSize: 15 },
        axisLabel: { color: SOFT, fontSize: 13 },
        data: points.map(({ count }) => count),
      },
      yAxis: {
        ...{ type: 'value', max: 100, axisLabel: { color: SOFT, fontSize: 13, formatter: '{value} %' } },
        splitLine: { lineStyle: { color: '#e6e2d6' } },
      },
      series: [
        {
          ...{ type: 'line', name: 'held', symbolSize: 8, color: GREEN },
          data: points.map(({ left }) => Number(((100 * (of_ - left)) / of_).toFixed(1))),
        },
      ],
      backgroundColor: 'transparent',
    };
  });

  constructor() {
    this.worker.onmessage = ({ data }: MessageEvent<OwnAnswer>) => {
      if (data.id !== this.asked) return;
      this.trouble.set(data.trouble);
      this.answer.set(data.trouble === '' ? data : null);
    };
    this.worker.onerror = () =>
      this.trouble.set('The sizes could not be worked out. Change something, then wait.');
    effect(() => {
      const question = this.question();
      this.asked += 1;
      if (question === null || question.count < 1) this.answer.set(null);
      else this.worker.postMessage({ ...question, id: this.asked });
    });
    inject(DestroyRef).onDestroy(() => this.worker.terminate());
  }

  /** Opens it in the editor, with where it is from. */
  protected open(): void {
    const answer = this.answer()!;
    const whom = this.whoms().find(({ value }) => value === this.whom())!.label;
    const codes = this.second() === null ? [this.first()] : [this.first(), this.second()!];
    const names = codes.map((code) => measurement(code).name.toLowerCase()).join(' and ');
    const day = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
    const source = `from ${this.held().of} people (${whom}), by ${names}, ${day}`;
    const head = {
      ...{ maker: 'Own chart', garment: `Drafted by ${names}`, kind: 'other' as const, unit: this.unit() },
      from: `Drafted ${source}. ${sayOwn({ ...this.held(), lacking: 0 }).join(' ')}`,
    };
    const sheet =
      answer.one !== null
        ? sheetOfSizes(codes[0]!, answer.one, head)
        : sheetOfPairs(
            [codes[0]!, codes[1]!],
            answer.two!,
            [this.question()!.spans[0]!, this.question()!.spans[1]!],
            head,
          );
    this.drafted.emit({ sheet, source });
  }
}
