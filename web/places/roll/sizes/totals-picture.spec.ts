import { TestBed } from '@angular/core/testing';
import { pictureOf, TotalsPicture } from './totals-picture';

const LINES = [
  { label: 'M', wanted: 12, certain: 9, expected: 11.26, spares: 2, there: 8, coming: 3, short: 3 },
  { label: 'L', wanted: 4, certain: 4, expected: 4, spares: 0, there: 9, coming: 0, short: 0 },
];
const TOTALS = {
  ...{ seriesId: 's', maker: 'Ostrel', name: 'Field jacket, Ostrel', most: 12 },
  ...{ lines: LINES, served: 0, without: 0, unknown: 0 },
};

describe('the picture of totals', () => {
  it('has as much in a bar as is wanted, and beside it what there is', () => {
    const { series, xAxis } = pictureOf(TOTALS) as {
      series: { name: string; stack?: string; data: (number | null)[] }[];
      xAxis: { data: string[] };
    };
    expect(xAxis.data).toEqual(['M', 'L']);
    const sum = (stack: string, at: number) =>
      series.filter((one) => one.stack === stack).reduce((total, { data }) => total + (data[at] ?? 0), 0);
    LINES.forEach((line, at) => {
      expect(sum('wanted', at)).toBe(line.wanted + line.spares);
      expect(sum('there', at)).toBe(line.there + line.coming);
    });
    expect(series.at(-1)!.data).toEqual([11.3, 4]);
  });

  it('says in words what is short', () => {
    const words = (lines: typeof LINES) =>
      (pictureOf({ name: 'Field jacket, Ostrel', lines }) as { aria: { label: { description: string } } })
        .aria.label.description;
    expect(words(LINES)).toBe('Field jacket, Ostrel: short of M by 3.');
    expect(words(LINES.slice(1))).toBe('Field jacket, Ostrel: nothing is short.');
  });

  it('is drawn', async () => {
    const fixture = TestBed.createComponent(TotalsPicture);
    document.body.append(fixture.nativeElement as HTMLElement);
    fixture.componentRef.setInput('totals', TOTALS);
    fixture.detectChanges();
    await fixture.whenStable();
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect((fixture.nativeElement as HTMLElement).querySelector('svg')).not.toBeNull();
    (fixture.nativeElement as HTMLElement).remove();
  });
});
