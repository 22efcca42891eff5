import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  signal,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Exception } from '@neat-measure/contract';
import { FLAGS, sayReason, VERDICT_WORDS, type Verdict } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { catchError, from, of, switchMap } from 'rxjs';
import { DocketService } from '../../../data/docket-service';
import { Journal } from '../../../data/journal/journal';
import { UnitService } from '../../../data/unit-service';
import { handleKey, keyOf, type KeyCommand } from '../../../parts/shortcuts/keys';
import { listKeys } from '../../../parts/shortcuts/shortcut-service';
import { shortOutcome } from '../../../parts/verdict-account/verdict-view';
import { VerdictGlyph } from '../../../parts/verdict-glyph/verdict-glyph';
import { EmptyState } from '../../../parts/empty-state/empty-state';
import { Fetching } from '../../../parts/fetching/fetching';
import { Fetched } from '../../../data/fetched';

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
  // What has been read a moment ago may still be on its way; without it the list would be short.
  protected readonly all = new Fetched<readonly Exception[]>(
    () =>
      from(this.journal.whenSent()).pipe(
        catchError(() => of(undefined)),
        switchMap(() => this.dockets.exceptions()),
      ),
    // The first waits for Enter; nobody has to find it.
    () => afterNextRender(() => this.links()[0]?.focus(), { injector: this.injector }),
  );
  protected readonly byKind = signal(false);

  /** How many flags are shown: a season's list is long, and only its beginning is looked at first. */
  protected readonly most = signal(60);
  /** The groups as far as they are shown. */
  protected readonly groups = computed(() => {
    let left = this.most();
    return this.whole().flatMap((group) => {
      const rows = group.rows.slice(0, Math.max(0, left));
      left -= rows.length;
      return rows.length === 0 ? [] : [{ ...group, rows, count: group.rows.length }];
    });
  });

  private readonly whole = computed(() => {
    const groups = new Map<string, ReturnType<ExceptionList['row']>[]>();
    for (const one of this.all.value() ?? []) {
      const name = this.byKind() ? VERDICT_WORDS[one.verdict.verdict] : `${one.garment}, ${one.maker}`;
      groups.set(name, [...(groups.get(name) ?? []), this.row(one)]);
    }
    const order = FLAGS.map((flag: Verdict) => VERDICT_WORDS[flag]);
    return [...groups]
      .map(([name, rows]) => ({ name: name.charAt(0).toUpperCase() + name.slice(1), raw: name, rows }))
      .sort((a, b) =>
        this.byKind() ? order.indexOf(a.raw) - order.indexOf(b.raw) : a.raw.localeCompare(b.raw),
      );
  });
  protected readonly count = computed(() => this.all.value()?.length ?? 0);

  constructor() {
    listKeys(() => this.commands);
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
