import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Article } from '@neat-measure/contract/stores';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Paged } from '../../../data/paged';
import { SessionService } from '../../../data/session-service';
import { StoresService } from '../../../data/stores-service';
import { EmptyState } from '../../../parts/empty-state/empty-state';
import { Fetching } from '../../../parts/fetching/fetching';
import { ControlName } from '../../../parts/forms/control-name';
import type { KeyCommand } from '../../../parts/shortcuts/keys';
import { bySize, StoresAccount } from '../stores-account';
import { ArticleCard } from './article-card';
import { ImportStock } from './import-stock';
import { StockOut } from './stock-out';
import { TakeIn } from './take-in';

/** A garment as it hangs in the stores: its sizes beside each other. */
interface Rack {
  readonly seriesId: string;
  readonly garment: string;
  readonly maker: string;
  readonly sizes: readonly Peg[];
}

/** One size on a rack. */
interface Peg {
  readonly article: Article;
  /** To be handed out. */
  readonly shelf: number;
  /** On the shelf, and not to be handed out. */
  readonly blocked: number;
  readonly aside: number;
  /** Kept for dockets. */
  readonly reserved: number;
  readonly low: boolean;
}

/** Stands for no room in particular. */
const EVERY_ROOM = 'every';

/** What lies on the shelves: a rack a garment, on which gaps are seen. */
@Component({
  selector: 'nm-shelves',
  imports: [
    ArticleCard,
    ImportStock,
    ControlName,
    EmptyState,
    Fetching,
    FormsModule,
    NzButtonModule,
    NzInputModule,
    NzSelectModule,
    StockOut,
    TakeIn,
  ],
  templateUrl: './shelves.html',
  styles: `
    /* A rack: the rail, and the sizes that hang from it. */
    .rack {
      margin-top: 22px;
      h3 {
        font: 600 17px/1.3 var(--text);
      }
    }
    .pegs {
      display: flex;
      flex-wrap: wrap;
      gap: 0 4px;
      margin-top: 4px;
      border-top: 3px solid var(--line-strong);
    }
    .peg {
      display: grid;
      grid-template-rows: auto auto 18px;
      justify-items: center;
      min-width: 64px;
      min-height: 76px;
      padding: 6px 8px 2px;
      border: 1px solid var(--line);
      border-top: 0;
      border-radius: 0 0 var(--radius) var(--radius);
      background: var(--paper);
      color: inherit;
      font: inherit;
      cursor: pointer;
      &:hover {
        background: var(--chalk);
      }
      &[aria-expanded='true'] {
        border-color: var(--green);
        background: var(--green-wash);
      }
      .count {
        font: 650 22px/1.2 var(--figures);
      }
      small {
        display: flex;
        gap: 6px;
        color: var(--soft);
      }
      /* A size of which none is there leaves a gap on the rail. */
      &.gap:not([aria-expanded='true']) {
        border-style: dashed;
        background: none;
        .count {
          color: var(--soft);
        }
      }
      &.low .count,
      .wanted {
        color: var(--brick);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Shelves {
  /** The article that is open. */
  readonly article = input<string>();
  private readonly service = inject(StoresService);
  protected readonly account = inject(StoresAccount);
  protected readonly may = inject(SessionService).may('keep-stock');
  protected readonly room = signal(EVERY_ROOM);
  protected readonly onlyLow = signal(false);
  protected readonly doing = signal<'take-in' | 'import' | 'export' | null>(null);
  protected readonly open = signal<string | null>(null);
  /** The one that was opened from elsewhere, which may not be among those that are listed. */
  private readonly asked = signal<Article | null>(null);

  protected readonly list = new Paged<Article>((query) =>
    this.service.list({
      ...query,
      ...(this.room() === EVERY_ROOM ? {} : { room: this.room() }),
      ...(this.onlyLow() ? { only: 'low' as const } : {}),
    }),
  );
  protected readonly rooms = computed(() => [
    { value: EVERY_ROOM, label: 'every room' },
    ...this.account.roomChoices(),
  ]);

  protected readonly racks = computed((): readonly Rack[] => {
    const asked = this.asked();
    const items = this.list.items();
    const all = asked === null || items.some(({ id }) => id === asked.id) ? items : [asked, ...items];
    const room = this.room() === EVERY_ROOM ? null : this.room();
    return [...new Set(all.map(({ seriesId }) => seriesId))].map((seriesId) => {
      const own = all.filter((one) => one.seriesId === seriesId);
      const { garment, maker } = own[0]!;
      return {
        seriesId,
        garment,
        maker,
        sizes: own.sort((a, b) => bySize(a.label, b.label)).map((article) => pegOf(article, room)),
      };
    });
  });

  constructor() {
    this.account.whenTurned(() => this.list.again());
    this.account.takeKeys(this.keys);
    effect((onCleanup) => {
      const id = this.article();
      if (id === undefined) return;
      this.open.set(id);
      const asked = this.service.account(id).subscribe({
        next: ({ article }) => this.asked.set(article),
        error: () => undefined,
      });
      onCleanup(() => asked.unsubscribe());
    });
  }

  private readonly keys: readonly KeyCommand[] = [
    { keys: ['a'], does: 'add stock', when: () => this.may, run: () => this.doing.set('take-in') },
    {
      keys: ['i'],
      does: 'import a table of stock',
      when: () => this.may,
      run: () => this.doing.set('import'),
    },
    { keys: ['e'], does: 'export the stock', when: () => this.may, run: () => this.doing.set('export') },
    {
      keys: ['l'],
      does: 'show low stock, or all',
      run: () => {
        this.onlyLow.update((low) => !low);
        this.narrow();
      },
    },
  ];

  protected choose(id: string): void {
    this.open.update((open) => (open === id ? null : id));
  }

  protected narrow(): void {
    this.list.again();
  }

  /** Something moved: what is shown and the to-do list are loaded again. */
  protected changed(article: Article | null = null): void {
    if (article !== null) {
      this.asked.set(article);
      this.open.set(article.id);
    }
    this.doing.set(null);
    this.list.again();
    this.account.changed();
  }

  protected say({ article, shelf, blocked, aside, reserved, low }: Peg): string {
    const more = [
      blocked === 0 ? '' : `${blocked} blocked`,
      aside === 0 ? '' : `${aside} drying or set aside`,
      reserved === 0 ? '' : `${reserved} reserved`,
      article.coming === 0 ? '' : `${article.coming} on order`,
      article.wanted === 0 ? '' : `${article.wanted} on backorder`,
      low ? `minimum stock ${article.minimum}` : '',
    ].filter((one) => one !== '');
    return `${article.garment} ${article.label}: ${shelf} on the shelf${more.map((one) => `, ${one}`).join('')}`;
  }
}

function pegOf(article: Article, room: string | null): Peg {
  const there = article.there.filter(({ roomId }) => room === null || roomId === room);
  const blocked = there.reduce((sum, one) => sum + one.blocked, 0);
  const shelf = there.reduce((sum, one) => sum + one.shelf, -blocked);
  const aside = there.reduce((sum, one) => sum + one.drying + one.quarantine, 0);
  const reserved = there.reduce((sum, one) => sum + one.reserved, 0);
  const all = article.there.reduce((sum, one) => sum + one.shelf - one.blocked, 0);
  return { article, shelf, blocked, aside, reserved, low: all < article.minimum };
}
