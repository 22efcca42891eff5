import { LOCALE } from '@neat-measure/core';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  articleSchema,
  type Article,
  type CountDifference,
  type CountSave,
  type Scanned,
  type StockCount,
} from '@neat-measure/contract/stores';
import { OPEN_COMPARTMENTS, type OpenCompartment } from '@neat-measure/core/stock';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzPopconfirmModule } from 'ng-zorro-antd/popconfirm';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import * as z from 'zod';
import { Paged } from '../../../data/paged';
import { SessionService } from '../../../data/session-service';
import { StoresService } from '../../../data/stores-service';
import { ControlName } from '../../../parts/forms/control-name';
import { StoresAccount } from '../stores-account';

/** What was counted of one article. */
const countedSchema = z.object({
  article: articleSchema,
  count: z.int().min(0),
  pieces: z.array(z.object({ id: z.string(), serial: z.string() })).readonly(),
});
type Counted = z.infer<typeof countedSchema>;

/** A count that is under way: where, since when by this device's clock in ms, and what. */
const keptSchema = z.object({
  roomId: z.string(),
  compartment: z.enum(OPEN_COMPARTMENTS),
  begun: z.number(),
  counted: z.array(countedSchema),
});

const KEPT = 'neat-measure:count';

/**
 * Counting a room: what is found is scanned or typed, without being told what should be. Only then what is
 * otherwise is shown, and each difference is explained before the stock is corrected.
 */
@Component({
  selector: 'nm-count-desk',
  imports: [ControlName, FormsModule, NzButtonModule, NzInputModule, NzPopconfirmModule, NzSelectModule],
  templateUrl: './count-desk.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CountDesk {
  private readonly service = inject(StoresService);
  protected readonly account = inject(StoresAccount);
  protected readonly session = inject(SessionService);
  private readonly kept = restored();
  protected readonly room = signal<string | null>(this.kept?.roomId ?? null);
  protected readonly roomId = computed(() => this.room() ?? this.account.rooms()[0]?.id ?? null);
  protected readonly compartment = signal<OpenCompartment>(this.kept?.compartment ?? 'shelf');
  /** What was counted: the whole room, or only some of it; the stock of the others stays as it is. */
  protected readonly only = signal<CountSave['only']>('room');
  protected readonly onlies: { readonly value: CountSave['only']; readonly label: string }[] = [
    { value: 'room', label: 'the whole room' },
    { value: 'garments', label: 'only these garments, in every size' },
    { value: 'sizes', label: 'only these sizes' },
  ];
  protected readonly compartments = [
    { value: 'shelf', label: 'the shelves' },
    { value: 'drying', label: 'drying' },
    { value: 'quarantine', label: 'set aside' },
  ];
  protected readonly counted = signal<readonly Counted[]>(this.kept?.counted ?? []);
  protected readonly last = signal('');
  protected readonly result = signal<StockCount | null>(null);
  protected readonly reasons = signal<Readonly<Record<string, string>>>({});
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  protected readonly done = signal('');
  protected readonly found = new Paged<Article>((query) => this.service.list(query));
  protected readonly seeking = signal('');
  /** What answers the words that stand there: what answered others is not taken for it. */
  protected readonly answers = computed(() => (this.found.current() ? this.found.items().slice(0, 8) : []));
  protected readonly total = computed(() => this.counted().reduce((sum, { count }) => sum + count, 0));
  private id = uuidv7();
  private begun = this.kept?.begun ?? Date.now();

  constructor() {
    this.account.taker.set((scanned) => this.scanned(scanned));
    this.account.takeKeys([
      {
        keys: ['d'],
        does: 'done counting',
        when: () => this.result() === null && this.counted().length > 0 && !this.busy(),
        run: () => this.finish(),
      },
    ]);
    inject(DestroyRef).onDestroy(() => this.account.taker.set(null));
  }

  /** One more of what was scanned; a numbered piece counts once, however often it is scanned. */
  private scanned({ article, piece }: Scanned): void {
    if (this.result() !== null) return;
    if (article.numbered && piece === null)
      return this.last.set(
        `${article.garment} ${article.label} is numbered. Scan or enter the number of each piece.`,
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

  /** Where what stands here was counted, which is not changed half-way. */
  protected readonly whereCounted = computed(() => {
    const part = this.compartments.find(({ value }) => value === this.compartment())!.label;
    const room = this.account.rooms().find(({ id }) => id === this.roomId())?.name ?? '';
    return `${room}: ${part}`;
  });

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
    if (count === null) return this.trouble.set(`“${text}” is not a number.`);
    this.trouble.set('');
    this.keep(this.counted().map((one) => (one.article.id === id ? { ...one, count } : one)));
  }

  protected drop(id: string): void {
    this.keep(this.counted().filter(({ article }) => article.id !== id));
  }

  /** What was counted is kept on the device until it is done: nobody counts a room twice for a lost tab. */
  private keep(counted: readonly Counted[]): void {
    if (this.counted().length === 0) this.begun = Date.now();
    this.counted.set(counted);
    this.done.set('');
    // With the room it lies in: counted against another, all of it would be missing there.
    const kept = {
      roomId: this.roomId(),
      compartment: this.compartment(),
      begun: this.begun,
      counted,
    };
    localStorage.setItem(KEPT, JSON.stringify(kept));
  }

  protected finish(): void {
    const roomId = this.roomId();
    if (roomId === null) return this.trouble.set('Choose a room.');
    this.busy.set(true);
    this.trouble.set('');
    const plain = this.counted().filter(({ article }) => !article.numbered);
    this.service
      .count(this.id, {
        roomId,
        compartment: this.compartment(),
        lines: plain.map(({ article, count }) => ({ articleId: article.id, counted: count })),
        pieceIds: this.counted().flatMap(({ pieces }) => pieces.map(({ id }) => id)),
        only: this.only(),
        seconds: Math.max(0, Math.round((Date.now() - this.begun) / 1_000)),
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

  protected correct(): void {
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
        next: () => this.begin('The stock is corrected.'),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }

  /** Counts go on: something was forgotten. What moved until now has been told. */
  protected again(): void {
    this.result.set(null);
    this.id = uuidv7();
    this.begun = Date.now();
  }

  protected begin(done = ''): void {
    this.again();
    this.only.set('room');
    this.keep([]);
    localStorage.removeItem(KEPT);
    this.last.set('');
    this.done.set(done);
    this.account.changed();
  }

  protected sayMoved({ garment, label, change, at }: StockCount['moved'][number]): string {
    const time = new Date(at).toLocaleTimeString(LOCALE, { hour: '2-digit', minute: '2-digit' });
    return `${time}: ${Math.abs(change)} of ${garment} ${label} ${change < 0 ? 'removed' : 'added'}`;
  }

  protected seen({ pieces }: CountDifference): string {
    const missing = pieces.filter(({ seen }) => !seen).map(({ serial }) => serial);
    const elsewhere = pieces.filter(({ seen }) => seen).map(({ serial }) => serial);
    return [
      missing.length === 0 ? '' : `not seen: ${missing.join(', ')}`,
      elsewhere.length === 0 ? '' : `in stock elsewhere: ${elsewhere.join(', ')}`,
    ]
      .filter((one) => one !== '')
      .join('; ');
  }
}

function restored(): z.infer<typeof keptSchema> | null {
  try {
    return keptSchema.parse(JSON.parse(localStorage.getItem(KEPT) ?? 'null'));
  } catch {
    return null;
  }
}
