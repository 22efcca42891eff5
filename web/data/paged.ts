import { computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { ListQuery, Page } from '@neat-measure/contract';
import { catchError, debounce, map, of, Subject, switchMap, timer, type Observable } from 'rxjs';

/** How long typing rests before the server is asked. */
const REST_MS = 120;

/**
 * A list the server searches and gives a part at a time. Made where components are: it asks for the
 * first part at once, and ends with the component.
 */
export class Paged<Item> {
  private readonly asked = new Subject<ListQuery>();
  private readonly found = signal<{
    readonly search: string;
    readonly items: readonly Item[];
    readonly total: number;
  } | null>(null);
  private readonly query = signal<ListQuery>({ search: '', from: 0 });

  readonly items = computed(() => this.found()?.items ?? []);
  /** How many match; 0 until the first answer. */
  readonly total = computed(() => this.found()?.total ?? 0);
  /** How many match beyond those that are here. */
  readonly left = computed(() => this.total() - this.items().length);
  readonly loading = computed(() => this.found() === null && this.trouble() === '');
  /** Whether it is known that there is none; not while nobody has answered. */
  readonly none = computed(() => this.found()?.items.length === 0);
  /** Whether what is here answers what was asked last. */
  readonly current = computed(() => this.found()?.search === this.query().search);
  readonly trouble = signal('');

  constructor(fetch: (query: ListQuery) => Observable<Page<Item>>) {
    this.asked
      .pipe(
        debounce(({ search, from }) => timer(search === '' || from > 0 ? 0 : REST_MS)),
        switchMap((query) =>
          fetch(query).pipe(
            map((page) => ({ query, page })),
            catchError((problem: unknown) => {
              this.trouble.set((problem as Error).message);
              return of(null);
            }),
          ),
        ),
        takeUntilDestroyed(inject(DestroyRef)),
      )
      .subscribe((answer) => {
        if (answer === null) return;
        const { query, page } = answer;
        const before = query.from === 0 ? [] : this.items();
        this.trouble.set('');
        this.found.set({ search: query.search, items: [...before, ...page.items], total: page.total });
      });
    this.ask({ search: '', from: 0 });
  }

  /** Looks for what matches some words. */
  seek(search: string): void {
    if (search.trim() === this.query().search && this.trouble() === '') return;
    this.ask({ search: search.trim(), from: 0 });
  }

  /** Fetches the next part. */
  more(): void {
    this.ask({ search: this.query().search, from: this.items().length });
  }

  /** Asks for the first part anew: something was added, or what is asked for beside the words has changed. */
  again(): void {
    this.ask({ search: this.query().search, from: 0 });
  }

  private ask(query: ListQuery): void {
    this.query.set(query);
    this.asked.next(query);
  }
}
