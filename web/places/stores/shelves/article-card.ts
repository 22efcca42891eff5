import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  type Article,
  type ArticleAccount,
  type Inspection,
  type Move,
  type Piece,
  stockLabelsPath,
} from '@neat-measure/contract/stores';
import type { Compartment } from '@neat-measure/core/stock';
import { RouterLink } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize, type Observable } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { SessionService } from '../../../data/session-service';
import { SendingId } from '../../../data/sending-id';
import { StoresService } from '../../../data/stores-service';
import { StoresAccount } from '../stores-account';
import { storyOf } from './article-story';
import { PieceInspection } from './piece-inspection';

/** What can be done with what lies at a place, each in the words of the button. */
const DOINGS = {
  moved: 'move to another room',
  released: 'return to the shelf',
  aside: 'set aside',
  issued: 'issue without a docket',
  returned: 'return from a wearer',
  'written-off': 'write off',
} as const;
type DoingKind = keyof typeof DOINGS;

/** How what comes back is. */
const CONDITIONS: { readonly value: Move['condition']; readonly label: string }[] = [
  { value: 'as-labelled', label: 'as labelled, clean and intact' },
  { value: 'altered', label: 'altered: hemmed, taken in, let out' },
  { value: 'faulty', label: 'faulty or damaged' },
];
/** Where what comes back goes. */
const GOES: readonly { readonly value: Compartment | 'waste'; readonly label: string }[] = [
  { value: 'shelf', label: 'shelf' },
  { value: 'drying', label: 'washing and drying' },
  { value: 'quarantine', label: 'set aside for inspection' },
  { value: 'waste', label: 'to waste' },
];

/** One size of one garment: where it lies, its pieces, what can be done with it, and what happened to it. */
@Component({
  selector: 'nm-article-card',
  imports: [
    FormsModule,
    NzButtonModule,
    NzCheckboxModule,
    NzInputModule,
    NzSelectModule,
    PieceInspection,
    RouterLink,
  ],
  templateUrl: './article-card.html',
  styles: `
    .panel {
      padding: 14px 18px;
      margin-top: 10px;
    }
    .story li {
      padding: 5px 4px;
    }
    time {
      min-width: 110px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ArticleCard {
  readonly articleId = input.required<string>();
  readonly moved = output<Article>();
  readonly left = output<void>();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly service = inject(StoresService);
  protected readonly account = inject(StoresAccount);
  protected readonly session = inject(SessionService);
  protected readonly told = signal<ArticleAccount | null>(null);
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);
  protected readonly labels = computed(() => stockLabelsPath(this.articleId()));

  protected readonly article = computed(() => this.told()?.article ?? null);
  /** The places something of it is at, to begin from. */
  protected readonly places = computed(() => {
    const article = this.article();
    if (article === null) return [];
    const rooms = article.there.flatMap(({ roomId, ...counts }) =>
      (['shelf', 'drying', 'quarantine'] as const).flatMap((compartment) =>
        counts[compartment] > 0 ? [{ key: `${roomId}/${compartment}`, count: counts[compartment] }] : [],
      ),
    );
    // What wearers have by dockets is taken back there.
    return article.loose > 0 ? [...rooms, { key: 'wearer', count: article.loose }] : rooms;
  });
  /** What happened to it, inspections among it, the latest first. */
  protected readonly story = computed(() => {
    const told = this.told();
    return told === null ? [] : storyOf(told, (place) => this.account.nameOf(place));
  });
  protected readonly before = computed(() => {
    const told = this.told();
    return told === null ? 0 : told.moved - told.movements.length;
  });
  protected readonly reserved = computed(
    () => this.article()?.there.reduce((sum, one) => sum + one.reserved, 0) ?? 0,
  );
  /** Those whose place is not waste: the others are told of by what happened. */
  protected readonly pieces = computed(() =>
    (this.told()?.pieces ?? []).filter(({ place }) => place !== 'waste'),
  );

  protected readonly from = signal<string | null>(null);
  /** What was chosen to happen; nothing until somebody has. */
  protected readonly kind = signal<DoingKind | null>(null);
  protected readonly toRoom = signal<string | null>(null);
  protected readonly count = signal('1');
  protected readonly reason = signal('');
  /** How it is that comes back; nothing until it is said. */
  protected readonly condition = signal<Move['condition']>(null);
  protected readonly conditions = CONDITIONS;
  protected readonly goes = signal<Compartment | 'waste' | null>(null);
  /** Where it may go as it is: onto a shelf only as its label says. */
  protected readonly goesTo = computed(() =>
    GOES.filter(({ value }) => value !== 'shelf' || this.condition() === 'as-labelled'),
  );
  /** How many others have by dockets, which are taken back there. */
  protected readonly byDockets = computed(() => {
    const article = this.article();
    return article === null ? 0 : article.out - article.loose;
  });
  protected readonly chosen = signal<readonly string[]>([]);
  protected readonly place = computed(() => this.from() ?? this.places()[0]?.key ?? null);
  protected readonly kinds = computed(() => {
    const place = this.place() ?? '';
    const all: DoingKind[] =
      place === 'wearer'
        ? ['returned']
        : place.endsWith('/shelf')
          ? ['moved', 'aside', 'issued', 'written-off']
          : ['released', 'moved', 'written-off'];
    return all.map((value) => ({ value, label: DOINGS[value] }));
  });
  protected readonly standingKind = computed<DoingKind>(
    () => (this.kinds().find(({ value }) => value === this.kind()) ?? this.kinds()[0])?.value ?? 'moved',
  );
  protected readonly placeChoices = computed(() =>
    this.places().map(({ key, count }) => ({ value: key, label: `${this.account.nameOf(key)}: ${count}` })),
  );
  protected readonly here = computed(() =>
    this.pieces().filter(({ place, byDocket }) => place === this.place() && byDocket === null),
  );
  /** Where it goes: what was chosen, else another room than it lies in. */
  protected readonly room = computed(() => {
    const own = this.place()?.split('/')[0];
    const rooms = this.account.rooms();
    return this.toRoom() ?? (rooms.find(({ id }) => id !== own) ?? rooms[0])?.id ?? null;
  });
  protected readonly asksRoom = computed(
    () =>
      this.standingKind() === 'moved' ||
      (this.standingKind() === 'returned' && this.account.rooms().length > 1),
  );
  protected readonly asksReason = computed(
    () =>
      ['written-off', 'issued', 'aside'].includes(this.standingKind()) ||
      (this.standingKind() === 'released' && this.place()?.endsWith('/quarantine') === true),
  );

  private readonly moving = new SendingId();
  protected readonly minimum = signal('');
  protected readonly makerCode = signal('');
  /** The shelf it stands on: pick lists go by it. */
  protected readonly shelf = signal('');

  constructor() {
    effect((onCleanup) => {
      const id = this.articleId();
      const asked = this.service.account(id).subscribe({
        next: (told) => this.take(told),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
      onCleanup(() => asked.unsubscribe());
    });
  }

  private take(told: ArticleAccount): void {
    // In sight, once it is drawn: it opens below what was pressed.
    if (this.told() === null) setTimeout(() => this.host.scrollIntoView({ block: 'nearest' }));
    this.told.set(told);
    this.minimum.set(String(told.article.minimum));
    this.makerCode.set(told.article.makerCode ?? '');
    this.shelf.set(told.article.bin ?? '');
    this.chosen.set([]);
    this.from.set(null);
    this.toRoom.set(null);
    this.newLabel.set('');
    this.kind.set(null);
    this.count.set('1');
    this.reason.set('');
    this.condition.set(null);
    this.goes.set(null);
    this.inspecting.set(null);
  }

  protected choose(id: string, taken: boolean): void {
    this.chosen.update((all) => (taken ? [...all, id] : all.filter((one) => one !== id)));
  }

  protected do(): void {
    const [article, from] = [this.article(), this.place()];
    if (article === null || from === null) return;
    const pieceIds = article.numbered ? [...this.chosen()] : [];
    const count = article.numbered ? pieceIds.length : Number(this.count().trim() || NaN);
    if (!Number.isInteger(count) || count < 1)
      return this.trouble.set(article.numbered ? 'Tick the pieces.' : 'Enter how many as a whole number.');
    const doing = this.standingKind();
    const own = from.split('/')[0]!;
    const room = this.room() ?? own;
    const condition = doing === 'returned' ? this.condition() : null;
    const goes = this.goesTo().find(({ value }) => value === this.goes())?.value ?? null;
    if (doing === 'returned' && condition === null) return this.trouble.set('Choose the condition.');
    if (doing === 'returned' && goes === null)
      return this.trouble.set('Choose where the garment is returned to.');
    const to: Record<DoingKind, string> = {
      // It stays what it is: only another room has it.
      moved: `${room}/${from.split('/')[1] ?? 'shelf'}`,
      released: `${own}/shelf`,
      aside: `${own}/quarantine`,
      issued: 'wearer',
      returned: goes === 'waste' ? 'waste' : `${room}/${goes ?? 'quarantine'}`,
      'written-off': 'waste',
    };
    const reason = this.reason().trim() === '' ? null : this.reason().trim();
    if (doing === 'released' && this.asksReason() && reason === null)
      return this.trouble.set('Enter what was found, as the garment was set aside.');
    if (doing === 'written-off' && reason === null)
      return this.trouble.set('Enter why the garment is written off.');
    const kind: Move['kind'] = doing === 'aside' ? 'moved' : doing;
    this.run(
      this.service.move(this.moving.value, {
        kind,
        articleId: article.id,
        from,
        to: to[doing],
        count,
        pieceIds,
        reason,
        condition,
      }),
      this.moving,
    );
  }

  protected save(): void {
    const article = this.article();
    const minimum = Number(this.minimum().trim() || '0');
    if (article === null) return;
    if (!Number.isInteger(minimum) || minimum < 0)
      return this.trouble.set('Enter the minimum stock as a whole number.');
    const [makerCode, bin] = [this.makerCode(), this.shelf()].map((text) => text.trim() || null) as [
      string | null,
      string | null,
    ];
    this.run(this.service.saveArticle(article.id, { minimum, makerCode, bin, version: article.version }));
  }

  /** The piece that is being inspected. */
  protected readonly inspecting = signal<string | null>(null);

  protected inspect(piece: Piece, inspection: Inspection): void {
    this.run(this.service.inspect(piece.id, uuidv7(), inspection));
  }

  /** Whether the latest version of its chart has the size no more, and some of it is in the house. */
  protected readonly labelGone = computed(
    () =>
      this.session.may('correct-stock') &&
      (this.account.warnings.value() ?? []).some(
        ({ kind, articleId }) => kind === 'label-gone' && articleId === this.articleId(),
      ),
  );
  protected readonly newLabel = signal('');
  protected rename(keep: boolean): void {
    const article = this.article();
    if (article === null) return;
    this.run(this.service.rename(article.id, uuidv7(), keep ? null : this.newLabel().trim()));
  }

  private run(doing: Observable<unknown>, id?: SendingId): void {
    this.busy.set(true);
    this.trouble.set('');
    doing.pipe(finalize(() => this.busy.set(false))).subscribe({
      next: () => {
        id?.done();
        this.service.account(this.articleId()).subscribe({
          next: (told) => {
            this.take(told);
            this.moved.emit(told.article);
          },
          error: (problem: Error) => this.trouble.set(problem.message),
        });
      },
      error: (problem: Error) => {
        id?.failed(problem);
        this.trouble.set(problem.message);
      },
    });
  }
}
