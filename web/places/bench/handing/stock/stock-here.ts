import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { DocketStock } from '@neat-measure/contract/stores';
import { finalSize, sizesAfterTrials } from '@neat-measure/core';
import { nearestLabels } from '@neat-measure/core/stock';
import { catchError, debounceTime, of, Subject, switchMap } from 'rxjs';
import { StoresService } from '../../../../data/stores-service';
import { DocketStore } from '../../docket-store';
import { WITHOUT_STORES, type SourceChoice } from './source';

/** Another size that is there, and what the odds say of it. */
export interface Near {
  readonly label: string;
  readonly sizes: Readonly<Record<string, string>>;
  readonly count: number;
  /** How likely it is the wearer's by tape and trial, from 0 to 1. */
  readonly chance: number;
}

const MOST_NEAR = 3;
/** What is less likely to fit than so is not offered. A working value of ours. */
const LEAST_CHANCE = 0.01;

/** What the stores have for the garments of the docket; what is not known yet stands in nobody's way. */
@Injectable()
export class StockHere {
  private readonly store = inject(DocketStore);
  private readonly service = inject(StoresService);
  private readonly told = signal<DocketStock>([]);
  readonly trouble = signal('');
  /** Whether it has answered, or could not: until then nothing is said to go. */
  readonly known = signal(false);
  private readonly asked = new Subject<string | null>();
  private until: string | null = null;

  constructor() {
    this.asked
      .pipe(
        debounceTime(0),
        switchMap((until) => {
          const id = this.store.docket()?.id;
          if (id === undefined) return of([]);
          return this.service.forDocket(id, until).pipe(
            catchError((problem: unknown) => {
              // The docket goes on without the stores; that it does is said.
              this.trouble.set(`Stock is not available right now. ${(problem as Error).message}`);
              return of(null);
            }),
          );
        }),
        takeUntilDestroyed(inject(DestroyRef)),
      )
      .subscribe((told) => {
        this.known.set(true);
        if (told === null) return;
        this.trouble.set('');
        this.told.set(told);
      });
  }

  /** Asks what is there now; of what is hired, for the days until one. */
  ask(until: string | null): void {
    // While a day is typed its year is none yet.
    if (until !== null && !/^[12]\d{3}-/.test(until)) return;
    this.until = until;
    this.asked.next(until);
  }

  /** The same once more, as something has changed there. */
  askAgain(): void {
    this.asked.next(this.until);
  }

  /** What the stores have of a garment; `null` where they have nothing to do with it. */
  of(chartId: string): DocketStock[number] | null {
    return this.told().find((one) => one.chartId === chartId) ?? null;
  }

  /** Where a garment can be taken from, the first of which is proposed. */
  choicesOf(chartId: string): SourceChoice[] {
    const own = this.of(chartId);
    if (own === null) return [];
    const sayWhose = (pieceId: string) =>
      pieceId === own.reserved?.pieceId
        ? 'reserved for this wearer, '
        : pieceId === own.booked?.pieceId
          ? 'booked for this wearer, '
          : '';
    const there = own.there.flatMap(({ roomId, room, count, pieces }): SourceChoice[] =>
      own.numbered
        ? pieces.map(({ id, serial, says }) => ({
            value: { roomId, pieceId: id },
            label: `${serial}, ${sayWhose(id)}${room}${says === '' ? '' : ` (${says})`}`,
            gone: `${serial} can no longer be handed over for these days. Choose the piece in your hand.`,
          }))
        : [
            {
              value: { roomId, pieceId: null },
              label:
                own.reserved?.roomId === roomId ? `reserved for this wearer, ${room}` : `${room} (${count})`,
              gone: `None is left at ${room}. Choose where it is taken from.`,
            },
          ],
    );
    return [...there, { value: WITHOUT_STORES, label: 'not from the stores', gone: '' }];
  }

  /** Other sizes that are there, the likeliest of the nearest first. */
  nearOf(chartId: string): readonly Near[] {
    return this.near().get(chartId) ?? [];
  }

  private readonly near = computed(() => {
    const docket = this.store.docket();
    const found = new Map<string, readonly Near[]>();
    if (docket === null) return found;
    for (const { chartId, label, there, others } of this.told()) {
      const chart = this.store.garments().find((one) => one.chart.id === chartId)?.chart;
      if (there.length > 0 || others.length === 0 || chart === undefined) continue;
      const { odds } = sizesAfterTrials(docket, chart, this.store.library().habits);
      const own = finalSize(docket, chartId)?.sizes;
      if (own === undefined) continue;
      const labels = others.map((one) => one.label).filter((one) => one !== label);
      const near = nearestLabels(chart.sheet, own, labels)
        .slice(0, MOST_NEAR)
        .map((one) => ({
          label: one.label,
          sizes: one.sizes,
          count: others.find((other) => other.label === one.label)!.count,
          chance: odds.find((other) => other.label === one.label)?.chance ?? 0,
        }));
      found.set(
        chartId,
        near.filter(({ chance }) => chance >= LEAST_CHANCE).sort((a, b) => b.chance - a.chance),
      );
    }
    return found;
  });
}
