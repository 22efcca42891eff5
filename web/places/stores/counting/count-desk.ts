import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Article, Scanned, StockCount } from '@neat-measure/contract/stores';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Paged } from '../../../data/paged';
import { SessionService } from '../../../data/session-service';
import { StoresService } from '../../../data/stores-service';
import { ControlName } from '../../../parts/forms/control-name';
import { StoresAccount } from '../stores-account';

/** What was counted of one article. */
interface Counted {
  readonly article: Article;
  readonly count: number;
  readonly pieces: readonly { readonly id: string; readonly serial: string }[];
}

const KEPT = 'neat-measure:count';

/**
 * Counting a room: what lies there is scanned or typed, without being told what should be. Only then what is
 * otherwise is shown, and each difference is explained before it is put right.
 */
@Component({
  selector: 'nm-count-desk',
  imports: [ControlName, FormsModule, NzButtonModule, NzInputModule, NzSelectModule],
  templateUrl: './count-desk.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CountDesk {
  private readonly service = inject(StoresService);
  protected readonly account = inject(StoresAccount);
  protected readonly session = inject(SessionService);
  protected readonly room = signal<string | null>(null);
  protected readonly roomId = computed(() => this.room() ?? this.account.rooms()[0]?.id ?? null);
  protected readonly compartment = signal<'shelf' | 'drying' | 'quarantine'>('shelf');
  protected readonly compartments = [
    { value: 'shelf', label: 'the shelves' },
    { value: 'drying', label: 'what dries' },
    { value: 'quarantine', label: 'what is set aside' },
  ];
  protected readonly counted = signal<readonly Counted[]>(restored());
  protected readonly last = signal('');
  protected readonly result = signal<StockCount | null>(null);
  protected readonly reasons = signal<Readonly<Record<string, string>>>({});
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  protected readonly done = signal('');
  protected readonly found = new Paged<Article>((query) => this.service.list(query));
  protected readonly seeking = signal('');
  protected readonly total = computed(() => this.counted().reduce((sum, { count }) => sum + count, 0));
  private id = uuidv7();

  constructor() {
    this.account.taker.set((scanned) => this.scanned(scanned));
    inject(DestroyRef).onDestroy(() => this.account.taker.set(null));
  }

  /** One more of what was scanned; a numbered piece counts once, however often it is scanned. */
  private scanned({ article, piece }: Scanned): void {
    if (this.result() !== null) return;
    if (article.numbered && piece === null)
      return this.last.set(
        `${article.garment} ${article.label} is numbered: scan or type the number of each piece.`,
      );
    const there = this.counted().find((one) => one.article.id === article.id);
    if (piece !== null && there?.pieces.some(({ id }) => id === piece.id) === true)
      return this.last.set(`${piece.serial} is counted already.`);
    const next = {
      article,
      count: (there?.count ?? 0) + 1,
      pieces: [...(there?.pieces ?? []), ...(piece === null ? [] : [{ id: piece.id, serial: piece.serial }])],
    };
    this.keep([next, ...this.counted().filter((one) => one !== there)]);
    this.last.set(`${article.garment} ${article.label}: ${next.count}`);
  }

  protected seek(words: string): void {
    this.seeking.set(words);
    this.found.seek(words);
  }

  protected add(article: Article): void {
    this.seeking.set('');
    if (article.numbered) this.scanned({ article, piece: null });
    else if (this.counted().every((one) => one.article.id !== article.id))
      this.keep([{ article, count: 0, pieces: [] }, ...this.counted()]);
  }

  protected put(id: string, text: string): void {
    const count = /^\d{1,5}$/.test(text.trim()) ? Number(text) : null;
    if (count === null) return this.trouble.set(`“${text}” is not how many.`);
    this.trouble.set('');
    this.keep(this.counted().map((one) => (one.article.id === id ? { ...one, count } : one)));
  }

  protected drop(id: string): void {
    this.keep(this.counted().filter(({ article }) => article.id !== id));
  }

  /** What was counted is kept on the device until it is done: nobody counts a room twice for a lost tab. */
  private keep(counted: readonly Counted[]): void {
    this.counted.set(counted);
    this.done.set('');
    localStorage.setItem(KEPT, JSON.stringify(counted));
  }

  protected finish(): void {
    const roomId = this.roomId();
    if (roomId === null) return this.trouble.set('Which room?');
    this.busy.set(true);
    this.trouble.set('');
    const plain = this.counted().filter(({ article }) => !article.numbered);
    this.service
      .count(this.id, {
        roomId,
        compartment: this.compartment(),
        lines: plain.map(({ article, count }) => ({ articleId: article.id, counted: count })),
        pieceIds: this.counted().flatMap(({ pieces }) => pieces.map(({ id }) => id)),
      })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (result) => {
          this.result.set(result);
          this.reasons.set({});
        },
        error: (problem: Error) => {
          this.id = uuidv7();
          this.trouble.set(problem.message);
        },
      });
  }

  protected explain(articleId: string, reason: string): void {
    this.reasons.update((all) => ({ ...all, [articleId]: reason }));
  }

  protected putRight(): void {
    const result = this.result();
    if (result === null) return;
    const reasons = Object.entries(this.reasons())
      .map(([articleId, reason]) => ({ articleId, reason: reason.trim() }))
      .filter(({ reason }) => reason !== '');
    this.busy.set(true);
    this.trouble.set('');
    this.service
      .explain(result.id, uuidv7(), reasons)
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: () => this.begin('What is listed is as it was counted.'),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }

  /** Counts go on: something was forgotten. */
  protected again(): void {
    this.result.set(null);
    this.id = uuidv7();
  }

  protected begin(done = ''): void {
    this.again();
    this.keep([]);
    localStorage.removeItem(KEPT);
    this.last.set('');
    this.done.set(done);
    this.account.changed();
  }

  protected seen({ pieces }: StockCount['differences'][number]): string {
    const missing = pieces.filter(({ seen }) => !seen).map(({ serial }) => serial);
    const elsewhere = pieces.filter(({ seen }) => seen).map(({ serial }) => serial);
    return [
      missing.length === 0 ? '' : `not seen: ${missing.join(', ')}`,
      elsewhere.length === 0 ? '' : `listed elsewhere: ${elsewhere.join(', ')}`,
    ]
      .filter((one) => one !== '')
      .join('; ');
  }
}

function restored(): readonly Counted[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '[]');
    return Array.isArray(kept) ? (kept as Counted[]) : [];
  } catch {
    return [];
  }
}
