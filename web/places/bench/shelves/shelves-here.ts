import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { DocketShelves } from '@neat-measure/contract/stores';
import { nearestLabels, sizesOfLabel } from '@neat-measure/core/stock';
import { catchError, of, Subject, switchMap } from 'rxjs';
import { Journal } from '../../../data/journal/journal';
import { StoresService } from '../../../data/stores-service';
import { DocketStore } from '../docket-store';

/** What is on shelves of one size of a garment. */
export interface OnShelf {
  readonly count: number;
  /** Ordered, and not here yet. */
  readonly coming: number;
  /** Whether the stores keep the garment at all. */
  readonly stocked: boolean;
  /** Other sizes that are there, the nearest first. */
  readonly near: readonly {
    readonly label: string;
    readonly sizes: Readonly<Record<string, string>>;
    readonly count: number;
  }[];
}

const MOST_NEAR = 3;

/** What lies on shelves of the garments of the docket, in every size: told beside the decision, before anything is put on. */
@Injectable()
export class ShelvesHere {
  private readonly store = inject(DocketStore);
  private readonly service = inject(StoresService);
  private readonly told = signal<DocketShelves>([]);
  private readonly asked = new Subject<string>();
  /** Everything that changes what is in stock for this docket: its garments, and what went out or came back. */
  private readonly asks = computed(() => {
    const docket = this.store.docket();
    if (docket === null) return null;
    const handed = docket.handings.map(({ actId, back }) => `${actId} ${back === null}`);
    return [docket.id, ...docket.garments.map(({ chartId }) => chartId), ...handed].join(' ');
  });

  constructor() {
    const journal = inject(Journal);
    this.asked
      .pipe(
        switchMap((id) =>
          // What is not known stands in nobody's way.
          this.service.onShelvesFor(id).pipe(catchError(() => of<DocketShelves>([]))),
        ),
        takeUntilDestroyed(),
      )
      .subscribe((told) => this.told.set(told));
    effect(() => {
      // Once what was done has reached the server.
      if (this.asks() === null || journal.unsent() > 0) return;
      untracked(() => this.asked.next(this.store.docket()!.id));
    });
  }

  /** What is on shelves of a garment in a size; `null` where that is not known, or the house has no stores. */
  of(chartId: string, label: string | null): OnShelf | null {
    const told = this.told().find((one) => one.chartId === chartId);
    const chart = this.store.garments().find((one) => one.chart.id === chartId)?.chart;
    if (told === undefined || chart === undefined || label === null) return null;
    const own = told.sizes.find((one) => one.label === label);
    const sizes = sizesOfLabel(chart.sheet, label);
    const others = told.sizes.filter(({ count }) => count > 0).map((one) => one.label);
    const near = sizes === null ? [] : nearestLabels(chart.sheet, sizes, others).slice(0, MOST_NEAR);
    return {
      count: own?.count ?? 0,
      coming: own?.coming ?? 0,
      stocked: told.sizes.length > 0,
      near: near.map((one) => ({
        label: one.label,
        sizes: one.sizes,
        count: told.sizes.find((other) => other.label === one.label)!.count,
      })),
    };
  }
}

/**
 * What is said of a size that is not on any shelf, or is; nothing where it is not known.
 *
 * @example sayOnShelf({ count: 2, coming: 0, stocked: true, near: [] }, 'M') // '2 of M in stock.'
 */
export function sayOnShelf(here: OnShelf | null, label: string): string {
  if (here === null) return '';
  if (!here.stocked) return 'This garment is not kept in Stores.';
  if (here.count > 0) return `${here.count} of ${label} in stock.`;
  const coming = here.coming === 0 ? '' : ` ${here.coming} on order.`;
  const near =
    here.near.length === 0
      ? ' No other size is in stock.'
      : ` There: ${here.near.map((one) => `${one.count} of ${one.label}`).join(', ')}.`;
  return `None of ${label} is in stock.${coming}${near}`;
}
