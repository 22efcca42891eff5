import { isMeaning, plainWords, type Meaning } from '@neat-measure/core/imported';
import { firstValueFrom, map, type Observable } from 'rxjs';
import type { ChartService } from '../../../data/chart-service';

/** As many charts of a maker are looked at for what their headings meant. */
const LOOKED_AT = 6;

/** The makers who have a chart in use, each once. */
export function makersOnShelf(charts: ChartService): Observable<string[]> {
  return charts
    .list({ search: '', from: 0 })
    .pipe(map(({ items }) => [...new Set(items.map(({ maker }) => maker))]));
}

/** What the headings of a maker's tables meant when their charts were kept, by their plain words; the latest counts. */
export async function headingsOfMaker(
  charts: ChartService,
  maker: string,
): Promise<ReadonlyMap<string, Meaning>> {
  const remembered = new Map<string, Meaning>();
  if (maker.trim() === '') return remembered;
  const { items } = await firstValueFrom(charts.list({ search: maker, from: 0 }));
  const theirs = items.filter((one) => one.maker === maker).slice(0, LOOKED_AT);
  const sheets = await Promise.all(theirs.map(({ id }) => firstValueFrom(charts.open(id))));
  for (const { sheet } of sheets.reverse())
    for (const { printed, means } of sheet.headings ?? [])
      if (isMeaning(means)) remembered.set(plainWords(printed), means);
  return remembered;
}
