import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  Injector,
  signal,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { PAGE, type Exception, type ExceptionsPage } from '@neat-measure/contract';
import { sayReason, VERDICT_WORDS } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { catchError, from, of, switchMap, tap } from 'rxjs';
import { DocketService } from '../../../data/docket-service';
import { Journal } from '../../../data/journal/journal';
import { UnitService } from '../../../data/unit-service';
import { handleKey, keyOf, type KeyCommand } from '../../../parts/shortcuts/keys';
import { listKeys } from '../../../parts/shortcuts/shortcut-service';
import { shortOutcome } from '../../../parts/verdict-account/verdict-view';
import { VerdictGlyph } from '../../../parts/verdict-glyph/verdict-glyph';
import { EmptyState } from '../../../parts/empty-state/empty-state';
import { Fetching } from '../../../parts/fetching/fetching';
import { Paged } from '../../../data/paged';

/** How often a list that is not whole yet is asked for anew. */
const AGAIN_MS = 2_000;

/** The flags of all wearers that nobody has decided yet, by garment or by kind, worked through by keyboard. */
@Component({
  selector: 'nm-exception-list',
  imports: [Fetching, EmptyState, RouterLink, VerdictGlyph, NzButtonModule],
  templateUrl: './exception-list.html',
  styleUrl: './exception-list.less',
  host: { class: 'page', '(keydown)': 'onKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ExceptionList {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly injector = inject(Injector);
  private readonly units = inject(UnitService);
  private readonly journal = inject(Journal);
  protected readonly unsent = this.journal.unsent;
  private readonly dockets = inject(DocketService);
  protected readonly byKind = signal(false);
  /** How many there are in each group, and of how many dockets it is not known yet. */
  private readonly told = signal<Pick<ExceptionsPage, 'groups' | 'pending'>>({ groups: [], pending: 0 });
  protected readonly pending = computed(() => this.told().pending);
  // What has been read a moment ago may still be on its way; without it the list would be short.
  protected readonly all = new Paged<Exception>(({ from: at }) =>
    from(this.journal.whenSent()).pipe(
      catchError(() => of(undefined)),
      switchMap(() => this.dockets.exceptions({ by: this.byKind() ? 'kind' : 'garment', from: at })),
      tap(({ items, groups, pending }) => {
        this.told.set({ groups, pending });
        if (items.length > 0) this.begin();
      }),
    ),
  );
  protected readonly count = this.all.total;

  /** What is shown, in its groups: in the order in which the server gives it. */
  protected readonly groups = computed(() => {
    const counts = new Map(this.told().groups.map(({ name, count }) => [name, count]));
    const groups = new Map<
      string,
      { name: string; count: number; rows: ReturnType<ExceptionList['row']>[] }
    >();
    for (const one of this.all.items()) {
      const { verdict } = one.verdict;
      const key = this.byKind() ? verdict : `${one.garment}, ${one.maker}`;
      const word = this.byKind() ? VERDICT_WORDS[verdict] : key;
      const group = groups.get(key) ?? {
        name: word.charAt(0).toUpperCase() + word.slice(1),
        count: counts.get(key) ?? 0,
        rows: [],
      };
      group.rows.push(this.row(one));
      groups.set(key, group);
    }
    return [...groups.values()];
  });

  /** Orders the list by garment, or by kind of verdict. */
  protected turn(): void {
    this.byKind.set(!this.byKind());
    this.all.again();
  }

  private begun = false;
  /** The first exception waits for Enter; nobody has to find it. What comes later takes nobody's place away. */
  private begin(): void {
    if (this.begun) return;
    this.begun = true;
    afterNextRender(() => this.links()[0]?.focus(), { injector: this.injector });
  }

  constructor() {
    listKeys(() => this.commands);
    // While dockets are being judged the list is not whole; where nobody has asked for more of it, it is asked for anew.
    effect((onCleanup) => {
      if (this.pending() === 0) return;
      const again = setInterval(() => {
        if (this.all.items().length <= PAGE) this.all.again();
      }, AGAIN_MS);
      onCleanup(() => clearInterval(again));
    });
  }

  private readonly commands: readonly KeyCommand[] = [
    {
      keys: ['ArrowUp', 'ArrowDown'],
      does: 'the exception before or after',
      run: (key) => this.move(key === 'ArrowDown' ? 1 : -1),
    },
    { keys: ['Enter'], does: 'open it, to be decided' },
  ];

  protected onKey(event: KeyboardEvent): void {
    if (handleKey(this.commands, keyOf(event), event)) event.preventDefault();
  }

  private move(by: number): void {
    const links = this.links();
    const at = links.indexOf(document.activeElement as HTMLElement);
    links[Math.min(Math.max(at + by, 0), links.length - 1)]?.focus();
  }

  private links(): HTMLElement[] {
    return [...this.host.nativeElement.querySelectorAll<HTMLElement>('.flag')];
  }

  private row({ docketId, number, wearer, chartId, verdict, garment }: Exception) {
    return {
      docketId,
      chartId,
      number,
      wearer,
      garment,
      verdict: verdict.verdict,
      word: VERDICT_WORDS[verdict.verdict],
      size: shortOutcome(verdict),
      reason: sayReason(verdict, this.units.shown()),
    };
  }
}
