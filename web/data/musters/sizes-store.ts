import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { SizingProgress, SizingView, SizingWanted } from '@neat-measure/contract/musters';
import {
  EVERYBODY,
  groupTable,
  pairsAmong,
  shownRows,
  sizeChanges,
  sizedOne,
  type Sizing,
  type SizeChange,
  type TableFilter,
} from '@neat-measure/core/group';
import { EMPTY, Subject, switchMap, catchError } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { SizingService } from './sizing-service';

/** A whole muster as it was sized last: the table, what is looked at of it, and how far a new one is. */
@Injectable()
export class SizesStore {
  private readonly service = inject(SizingService);
  private readonly destroyed = inject(DestroyRef);
  private readonly followed = new Subject<string>();
  private subjectId = '';
  private of: SizingWanted['of'] = 'muster';

  readonly list = signal<readonly SizingProgress[] | null>(null);
  readonly view = signal<SizingView | null>(null);
  /** The one before, once somebody asks what has changed since. */
  readonly before = signal<SizingView | null>(null);
  /** One that is being worked out. */
  readonly running = signal<SizingProgress | null>(null);
  readonly trouble = signal('');
  readonly filter = signal<TableFilter>(EVERYBODY);

  readonly sizing = computed<Sizing | null>(() => this.view()?.sizing ?? null);
  /** Those that are done, the latest first. */
  private readonly done = computed(() => (this.list() ?? []).filter(({ state }) => state === 'done'));
  readonly earlier = computed(() => {
    const at = this.done().findIndex(({ id }) => id === this.view()?.progress.id);
    return at < 0 ? null : (this.done()[at + 1] ?? null);
  });
  private readonly table = computed(() => {
    const view = this.view();
    return view === null ? null : groupTable(view);
  });
  private readonly places = computed(
    () => new Map((this.sizing()?.wearerIds ?? []).map((id, row) => [id, row])),
  );

  /** The rows of the filter by garment and verdict, before names are looked at. */
  private readonly matching = computed(() => {
    const sizing = this.sizing();
    return sizing === null ? [] : shownRows(sizing, this.filter());
  });
  /** The rows that are shown, in their order. */
  readonly rows = computed(() => this.table()?.rows(this.filter(), this.matching()) ?? []);
  /** How many wearers are on it. */
  readonly count = computed(() => (this.sizing()?.wearerIds ?? []).filter((id) => id !== '').length);
  /** Between which sizes of the chosen garment somebody lies. */
  readonly pairs = computed(() => {
    const { garment } = this.filter();
    const sizing = this.sizing();
    const own = garment === null ? undefined : sizing?.garments[garment];
    return own === undefined || sizing === null
      ? []
      : pairsAmong(own, shownRows(sizing, { ...this.filter(), between: null }));
  });
  readonly changes = computed<readonly SizeChange[]>(() => {
    const [before, after] = [this.before(), this.sizing()];
    return before === null || after === null ? [] : sizeChanges(before.sizing, after);
  });

  constructor() {
    this.followed
      .pipe(
        switchMap((id) =>
          this.service.follow(id).pipe(
            catchError((problem: Error) => {
              this.trouble.set(problem.message);
              return EMPTY;
            }),
          ),
        ),
        takeUntilDestroyed(this.destroyed),
      )
      .subscribe((progress) => {
        this.running.set(progress.state === 'running' ? progress : null);
        if (progress.state === 'failed')
          this.trouble.set('The sizes could not be worked out. Try again in a moment.');
        if (progress.state !== 'running') this.open(this.subjectId);
      });
  }

  wearerAt(row: number) {
    return this.table()?.wearerAt(row);
  }

  /** The docket of a wearer; `null` while none is open. */
  docketAt(row: number): string | null {
    const { docketIds, acts } = this.sizing()!;
    return acts[row]! > 0 ? docketIds[row]! : null;
  }

  nameAt(row: number): string {
    return this.wearerAt(row)?.name ?? '';
  }

  /** The name of a wearer who is on it, or was on the one before. */
  nameOf(wearerId: string): string {
    const row = this.places().get(wearerId);
    if (row !== undefined) return this.nameAt(row);
    return this.before()?.wearers.find(({ id }) => id === wearerId)?.name ?? 'an erased wearer';
  }

  cell(garment: number, row: number) {
    return sizedOne(this.sizing()!.garments[garment]!, row);
  }

  /** Looks at what there is of a muster or a group: the latest that is done, and one that is under way. */
  open(subjectId: string, of: SizingWanted['of'] = this.of): void {
    [this.subjectId, this.of] = [subjectId, of];
    this.service
      .list(subjectId)
      .pipe(takeUntilDestroyed(this.destroyed))
      .subscribe({
        next: (list) => {
          this.list.set(list);
          const running = list.find(({ state }) => state === 'running');
          if (running !== undefined) {
            this.running.set(running);
            this.followed.next(running.id);
          }
          const latest = list.find(({ state }) => state === 'done');
          if (latest !== undefined && latest.id !== this.view()?.progress.id) this.show(latest.id);
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }

  private show(id: string): void {
    this.service
      .open(id)
      .pipe(takeUntilDestroyed(this.destroyed))
      .subscribe({
        next: (view) => {
          this.filter.update((filter) => movedFilter(filter, this.sizing(), view.sizing));
          this.view.set(view);
          this.before.set(null);
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }

  /** Sizes everybody anew. */
  size(): void {
    const id = uuidv7();
    this.trouble.set('');
    this.service
      .begin(id, { of: this.of, subjectId: this.subjectId })
      .pipe(takeUntilDestroyed(this.destroyed))
      .subscribe({
        next: (progress) => {
          this.running.set(progress);
          this.followed.next(id);
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }

  cancel(): void {
    const id = this.running()?.id;
    if (id === undefined) return;
    this.service
      .cancel(id)
      .pipe(takeUntilDestroyed(this.destroyed))
      .subscribe({ error: (problem: Error) => this.trouble.set(problem.message) });
  }

  /** Fetches what is shown once more: what is in stock and on order may have changed. */
  again(): void {
    const id = this.view()?.progress.id;
    if (id !== undefined) this.show(id);
  }

  /** Fetches the one before, so that it can be said what has changed. */
  compare(): void {
    const earlier = this.earlier();
    if (earlier === null || this.before() !== null) return;
    this.service
      .open(earlier.id)
      .pipe(takeUntilDestroyed(this.destroyed))
      .subscribe({
        next: (view) => this.before.set(view),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }
}

/** What is looked at of another sizing, as far as its garments are there, too. */
function movedFilter(filter: TableFilter, from: Sizing | null, to: Sizing): TableFilter {
  const placeOf = (at: number | null) => {
    const own = at === null ? undefined : from?.garments[at];
    const place = to.garments.findIndex(({ chartId }) => chartId === own?.chartId);
    return place < 0 ? null : place;
  };
  const garment = placeOf(filter.garment);
  const sortBy = filter.sortBy === 'name' ? 'name' : (placeOf(filter.sortBy) ?? 'name');
  return { ...filter, garment, sortBy, between: garment === null ? null : filter.between };
}
