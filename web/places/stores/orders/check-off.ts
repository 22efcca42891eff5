import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Delivery, NewPiece, Order, Scanned } from '@neat-measure/contract/stores';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize } from 'rxjs';
import { SendingId } from '../../../data/sending-id';
import { StoresService } from '../../../data/stores-service';
import { ControlName } from '../../../parts/forms/control-name';
import { StoresAccount } from '../stores-account';

type Hold = Delivery['holds'][number];

/** What was found in a parcel that was not ordered so: taken in as what it is, or sent back. */
interface Odd {
  readonly seriesId: string;
  readonly garment: string;
  readonly label: string;
  readonly count: number;
  /** Of what is numbered, the numbers of the pieces as they are typed. */
  readonly numbered: boolean;
  readonly serials: string;
  readonly does: Hold['does'];
  /** The line its maker sends it for, where it said so. */
  readonly line: number | null;
}

/** A parcel is opened: what lies in it is scanned or typed against the order, and taken in. */
@Component({
  selector: 'nm-check-off',
  imports: [ControlName, FormsModule, NzButtonModule, NzInputModule, NzSelectModule],
  templateUrl: './check-off.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CheckOff {
  readonly order = input.required<Order>();
  readonly done = output<void>();
  private readonly service = inject(StoresService);
  private readonly account = inject(StoresAccount);
  /** So many of each line, by its number. */
  protected readonly counts = signal<Readonly<Record<number, string>>>({});
  protected readonly serials = signal<Readonly<Record<number, string>>>({});
  protected readonly odd = signal<readonly Odd[]>([]);
  protected readonly said = signal('');
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);
  protected readonly begun = signal(false);
  protected readonly does = [
    { value: 'take-in', label: 'received as labelled' },
    { value: 'send-back', label: 'sent back' },
  ];
  protected readonly open = computed(() => this.order().lines.filter(({ open }) => open > 0));
  private readonly id = new SendingId();

  constructor() {
    inject(DestroyRef).onDestroy(() => this.account.taker.set(null));
  }

  /** From now on what is scanned is checked off against this order. */
  protected begin(): void {
    this.begun.set(true);
    this.account.taker.set((scanned) => this.scanned(scanned));
    const numbered = this.open().filter((line) => line.numbered && line.underWay > 0);
    // The numbers its maker has written down are read off the pieces, and mended where they differ.
    this.serials.set(
      Object.fromEntries(
        numbered.map(({ line, pieces }) => [line, pieces.map(({ serial }) => serial).join(' ')]),
      ),
    );
  }

  private scanned({ article, piece }: Scanned): void {
    const line = this.open().find(({ articleId }) => articleId === article.id);
    if (piece !== null) return this.said.set(`${piece.serial} is already in stock.`);
    if (line !== undefined) {
      const next = Number(this.counts()[line.line] ?? '0') + 1;
      if (next <= line.open) {
        this.counts.update((all) => ({ ...all, [line.line]: String(next) }));
        return this.said.set(`${article.garment} ${article.label}: ${next} of ${line.open}`);
      }
    }
    this.addOdd(article, article.label);
  }

  /** Something of another size, or more than was ordered. */
  protected addOdd(
    { seriesId, garment, numbered }: Pick<Odd, 'seriesId' | 'garment' | 'numbered'>,
    label: string,
  ): void {
    const text = label.trim();
    if (text === '') return;
    const own = this.open().find((line) => line.seriesId === seriesId && line.orderedAs === text);
    if (own !== undefined)
      return this.said.set(`${garment} ${text} is called ${own.label} now: enter how many came.`);
    const meant = this.open().find((line) => line.seriesId === seriesId && line.substitute?.label === text);
    const there = this.odd().find((one) => one.seriesId === seriesId && one.label === text);
    const count = (there?.count ?? 0) + 1;
    const next: Odd = there ?? {
      seriesId,
      garment,
      label: text,
      count,
      numbered,
      serials: '',
      does: 'take-in',
      line: meant?.line ?? null,
    };
    this.odd.set([...this.odd().filter((one) => one !== there), { ...next, count }]);
    this.said.set(
      meant === undefined
        ? `${garment} ${text} was not ordered, or more came than ordered. Receive it as labelled, or send it back.`
        : `${garment} ${text} replaces ${meant.label}.`,
    );
  }

  protected change(one: Odd, change: Partial<Odd>): void {
    this.odd.update((all) => all.map((other) => (other === one ? { ...one, ...change } : other)));
  }

  protected drop(one: Odd): void {
    this.odd.update((all) => all.filter((other) => other !== one));
  }

  /**
   * What its maker says is under way, and nothing that comes later by their word; of a maker who says nothing of any line,
   * what is open. For a parcel that was looked through.
   */
  protected all(): void {
    const told = this.open().some(({ underWay }) => underWay > 0);
    const counted = this.open().flatMap(({ line, underWay, open, backOrdered }) => {
      const count = told ? underWay : open - (backOrdered?.count ?? 0);
      return count > 0 ? [[line, String(count)] as const] : [];
    });
    this.counts.set(Object.fromEntries(counted));
  }

  /** How many came of what was not ordered so. */
  protected countOdd(one: Odd, text: string): void {
    const count = Number(text.trim());
    if (Number.isInteger(count) && count >= 1) this.change(one, { count });
    else this.trouble.set(`“${text}” is not a number.`);
  }

  protected put(line: number, count: string): void {
    this.counts.update((all) => ({ ...all, [line]: count }));
  }

  protected name(line: number, serials: string): void {
    this.serials.update((all) => ({ ...all, [line]: serials }));
  }

  protected takeIn(): void {
    const holds: Hold[] = [];
    for (const line of this.open()) {
      const text = (this.counts()[line.line] ?? '').trim();
      if (text === '' || text === '0') continue;
      const count = Number(text);
      if (!Number.isInteger(count) || count < 0) return this.trouble.set(`“${text}” is not a number.`);
      const pieces = this.piecesOf(line, this.serials()[line.line] ?? '', count);
      if (pieces === null) return;
      const { seriesId, label } = line;
      holds.push({ line: line.line, seriesId, label, count, pieces, does: 'take-in' });
    }
    for (const one of this.odd()) {
      const { seriesId, label, count, does, line } = one;
      const meant = this.open().find((other) => other.line === line);
      const pieces =
        does === 'take-in' ? this.piecesOf({ ...one, pieces: meant?.pieces ?? [] }, one.serials, count) : [];
      if (pieces === null) return;
      holds.push({ line: does === 'take-in' ? line : null, seriesId, label, count, pieces, does });
    }
    if (holds.length === 0) return this.trouble.set('Nothing is checked yet.');
    this.busy.set(true);
    this.trouble.set('');
    this.service
      .deliver(this.order().id, this.id.value, { holds })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: () => {
          this.id.done();
          this.counts.set({});
          this.serials.set({});
          this.odd.set([]);
          this.said.set('');
          this.begun.set(false);
          this.account.taker.set(null);
          this.done.emit();
        },
        error: (problem: Error) => {
          this.id.failed(problem);
          this.trouble.set(problem.message);
        },
      });
  }

  /** The pieces that came, by the numbers typed; `null`, and said why, where they are not as many: which came, nobody guesses. */
  private piecesOf(
    of: Pick<Order['lines'][number], 'garment' | 'label' | 'numbered' | 'pieces'>,
    typed: string,
    count: number,
  ): NewPiece[] | null {
    if (!of.numbered) return [];
    const serials = typed.split(/[\s,;]+/).filter((one) => one !== '');
    if (serials.length === count)
      return serials.map((serial) => ({
        serial,
        made: of.pieces.find((one) => one.serial === serial)?.made ?? null,
        goodUntil: null,
      }));
    this.trouble.set(
      `${of.garment} ${of.label} is numbered: ${count} came, and ${serials.length} ${serials.length === 1 ? 'number is' : 'numbers are'} entered. Enter the numbers of the pieces that came, separated by spaces.`,
    );
    return null;
  }
}
