import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { WearerRecord } from '@neat-measure/contract';
import { isMassUnit, measurement, MICROMETRES_PER, type MeasureUnit, GRAMS_PER } from '@neat-measure/core';
import { LineChart } from 'echarts/charts';
import { AriaComponent, GridComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import type { EChartsCoreOption } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';

echarts.use([LineChart, GridComponent, TooltipComponent, AriaComponent, SVGRenderer]);

const INK = '#1e2a2b';
const SOFT = '#566160';
const GREEN = '#17544a';
const TEXT = 'Atkinson Hyperlegible Next Variable, sans-serif';
const DAY_MS = 86_400_000;

/** How one measurement has moved: a mark a value, with whiskers as long as the tape's own error. */
@Component({
  selector: 'nm-value-plot',
  imports: [NgxEchartsDirective],
  providers: [provideEchartsCore({ echarts })],
  template: `<div echarts class="plot" [options]="options()" [autoResize]="true"></div>`,
  styles: `
    .plot {
      height: 330px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ValuePlot {
  readonly points = input.required<WearerRecord['points']>();
  readonly unit = input.required<MeasureUnit>();
  readonly name = input.required<string>();

  protected readonly options = computed<EChartsCoreOption>(() => {
    const unit = this.unit();
    const per = isMassUnit(unit) ? GRAMS_PER[unit] : MICROMETRES_PER[unit];
    const points = this.points().map(({ takenAt, value }) => [Date.parse(takenAt), value / per] as const);
    const error = this.points().map(({ code }) => measurement(code).standardError / per)[0] ?? 0;
    const values = points.map(([, value]) => value);
    const margin = Math.max(3 * error, (Math.max(...values) - Math.min(...values)) * 0.2);
    const times = points.map(([at]) => at);
    const axis = {
      axisLine: { lineStyle: { color: SOFT } },
      axisLabel: { color: SOFT, fontFamily: TEXT, fontSize: 13, hideOverlap: true },
    };
    const whiskers = points.map(([at, value]) => ({
      type: 'line',
      silent: true,
      symbol: 'none',
      lineStyle: { color: INK, width: 1.5 },
      data: [
        [at, value - error],
        [at, value + error],
      ],
    }));
    return {
      animation: false,
      aria: { enabled: true },
      textStyle: { fontFamily: TEXT },
      grid: { left: 62, right: 48, top: 30, bottom: 36 },
      xAxis: {
        type: 'time',
        // One value alone, or several of one day, still have a day to either side.
        min: Math.min(...times) - 10 * DAY_MS,
        max: Math.max(...times) + 10 * DAY_MS,
        splitLine: { show: false },
        ...axis,
      },
      yAxis: {
        type: 'value',
        name: `${this.name()}, ${unit}`,
        nameTextStyle: { color: INK, fontFamily: TEXT, fontSize: 14, align: 'left' },
        min: Math.floor(Math.min(...values) - margin),
        max: Math.ceil(Math.max(...values) + margin),
        splitLine: { lineStyle: { color: '#e8e4d8' } },
        ...axis,
      },
      series: [
        ...whiskers,
        {
          type: 'line',
          symbol: 'circle',
          symbolSize: 10,
          lineStyle: { color: GREEN, width: 2 },
          itemStyle: { color: GREEN },
          // Beside the mark, clear of its whiskers.
          label: {
            show: points.length < 12,
            position: 'right',
            distance: 8,
            color: INK,
            fontSize: 14,
            formatter: labelOf,
          },
          data: points,
        },
      ],
      backgroundColor: 'transparent',
    };
  });
}

function labelOf({ value }: { readonly value: readonly [number, number] }): string {
  return String(Math.round(value[1] * 10) / 10);
}
