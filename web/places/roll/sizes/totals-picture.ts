import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { BarChart, ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, LegendComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import type { EChartsCoreOption } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import type { Totals } from './garment-totals';

echarts.use([
  ...[BarChart, ScatterChart, GridComponent, LegendComponent, TooltipComponent, AriaComponent, SVGRenderer],
]);

const INK = '#1e2a2b';
const SOFT = '#566160';
const LINE = '#d9d4c5';
const GREEN = '#17544a';
const PAPER = '#fffffb';
const TEXT = 'Atkinson Hyperlegible Next Variable, sans-serif';

/** How many of each size of one garment are wanted, beside how many there are: what stands higher is short. */
@Component({
  selector: 'nm-totals-picture',
  imports: [NgxEchartsDirective],
  providers: [provideEchartsCore({ echarts })],
  template: `<div echarts class="picture" [options]="options()" [autoResize]="true"></div>`,
  styles: `
    .picture {
      height: 300px;
      max-width: 1000px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TotalsPicture {
  readonly totals = input.required<Totals>();
  protected readonly options = computed(() => pictureOf(this.totals()));
}

/** The picture of one garment: two bars a size, and where the odds would have the first of them end. */
export function pictureOf({ name, lines }: Pick<Totals, 'name' | 'lines'>): EChartsCoreOption {
  const bar = (called: string, stack: string, data: readonly number[], itemStyle: object) => ({
    // What there is none of has no outline either.
    ...{ type: 'bar', name: called, stack, data: data.map((count) => count || null), barMaxWidth: 34 },
    itemStyle,
  });
  const outlined = (color: string) => ({ color: PAPER, borderColor: color, borderWidth: 2 });
  return {
    animation: false,
    aria: { enabled: true, label: { description: describe(name, lines) } },
    textStyle: { fontFamily: TEXT, color: INK },
    grid: { left: 46, right: 12, top: 44, bottom: 34 },
    legend: { top: 0, left: 0, itemGap: 18, textStyle: { color: INK, fontFamily: TEXT, fontSize: 14 } },
    tooltip: { trigger: 'axis', axisPointer: { type: 'shadow' } },
    xAxis: {
      type: 'category',
      data: lines.map(({ label }) => label),
      axisTick: { show: false },
      axisLine: { lineStyle: { color: SOFT } },
      axisLabel: { color: INK, fontFamily: TEXT, fontSize: 14 },
    },
    yAxis: {
      type: 'value',
      minInterval: 1,
      axisLabel: { color: SOFT, fontFamily: TEXT, fontSize: 13 },
      splitLine: { lineStyle: { color: LINE } },
    },
    series: [
      bar(
        'certain',
        'wanted',
        lines.map(({ certain }) => certain),
        { color: GREEN, borderColor: GREEN, borderWidth: 2 },
      ),
      bar(
        'in doubt',
        'wanted',
        lines.map(({ wanted, certain }) => wanted - certain),
        outlined(GREEN),
      ),
      bar(
        'spares',
        'wanted',
        lines.map(({ spares }) => spares),
        { color: LINE, borderColor: GREEN, borderWidth: 2, borderType: 'dashed' },
      ),
      bar(
        'in stock',
        'there',
        lines.map(({ there }) => there),
        { color: SOFT, borderColor: SOFT, borderWidth: 2 },
      ),
      bar(
        'on order',
        'there',
        lines.map(({ coming }) => coming),
        outlined(SOFT),
      ),
      {
        ...{ type: 'scatter', name: 'by the odds', symbol: 'diamond', symbolSize: 11, z: 5 },
        data: lines.map(({ expected }) => Math.round(expected * 10) / 10),
        itemStyle: { color: INK, borderColor: PAPER, borderWidth: 1.5 },
      },
    ],
  };
}

/** The picture in words: what is short, as that is what it is looked at for. */
function describe(name: string, lines: Totals['lines']): string {
  const short = lines.filter((line) => line.short > 0).map((line) => `${line.label} by ${line.short}`);
  return `${name}: ${short.length === 0 ? 'nothing is short' : `short of ${short.join(', ')}`}.`;
}
