import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import type { Bench, DocketSummary } from '@neat-measure/contract';
import { LOCALE, sayAct } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { howFar } from '../../data/away/say-off';
import { DocketService } from '../../data/docket-service';
import { Paged } from '../../data/paged';
import { SessionService } from '../../data/session-service';
import { handleKey, keyOf, type KeyCommand } from '../../parts/shortcuts/keys';
import { isTakenElsewhere, listKeys } from '../../parts/shortcuts/shortcut-service';
import { PersonActs } from './person-acts';
import { EmptyState } from '../../parts/empty-state/empty-state';
import { Fetching } from '../../parts/fetching/fetching';

/** The Log: every docket, act by act, in sentences. */
@Component({
  selector: 'nm-log',
  imports: [Fetching, EmptyState, NzInputModule, PersonActs, RouterLink, NzButtonModule],
  templateUrl: './log.html',
  styleUrl: './log.less',
  host: { class: 'beside', '(document:keydown)': 'onKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Log {
  /** The docket that is told. */
  readonly docketId = input<string>();
  private readonly service = inject(DocketService);
  protected readonly session = inject(SessionService);
  protected readonly dockets = new Paged<DocketSummary>((query) => this.service.list(query));
  private readonly router = inject(Router);
  private readonly bench = signal<Bench | null>(null);
  private readonly keys: readonly KeyCommand[] = [
    {
      keys: ['b'],
      does: 'open the docket on the Bench',
      when: () => this.told() !== null,
      run: () => this.go({}),
    },
    {
      keys: ['i'],
      does: 'hand over the docket’s garments',
      when: () => this.told() !== null && this.session.may('hand-over'),
      run: () => this.go({ hand: 1 }),
    },
  ];
  protected readonly trouble = signal('');

  protected readonly told = computed(() => {
    const bench = this.bench();
    if (bench === null || bench.id !== this.docketId()) return null;
    const names = {
      garment: (id: string) => bench.charts.find((one) => one.id === id)?.sheet.garment ?? 'a garment',
      protocol: (id: string) => bench.protocols.find((one) => one.id === id)?.name ?? 'a protocol',
      inchParts: bench.habits.inchParts,
    };
    return {
      wearer: bench.wearer,
      title: `Docket ${bench.number} · ${bench.wearer.name}`,
      acts: bench.acts.map(({ act, receivedAt, clockOff = 0 }, at) => ({
        id: act.id,
        day: day(act.at) === day(bench.acts[at - 1]?.act.at ?? '') ? '' : day(act.at),
        at: new Date(act.at).toLocaleTimeString(LOCALE),
        // A device's clock may be wrong, or the act may have waited there.
        received: farApart(act.at, receivedAt)
          ? `received ${day(receivedAt)}, ${new Date(receivedAt).toLocaleTimeString(LOCALE)}${clockOff === 0 ? '' : ` (its clock was ${howFar(clockOff)})`}`
          : '',
        words: sayAct(act, names),
      })),
    };
  });

  protected onKey(event: KeyboardEvent): void {
    if (!isTakenElsewhere(event) && handleKey(this.keys, keyOf(event), event)) event.preventDefault();
  }

  private go(queryParams: Record<string, number>): void {
    void this.router.navigate(['/bench', this.docketId()], { queryParams });
  }

  constructor() {
    listKeys(() => this.keys);
    effect((onCleanup) => {
      const id = this.docketId();
      this.trouble.set('');
      if (id === undefined) return;
      const asked = this.service.open(id).subscribe({
        next: (bench) => this.bench.set(bench),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
      onCleanup(() => asked.unsubscribe());
    });
  }
}

const FAR_APART_MS = 60_000;

function farApart(one: string, other: string): boolean {
  return Math.abs(Date.parse(one) - Date.parse(other)) > FAR_APART_MS;
}

function day(at: string): string {
  return at === ''
    ? ''
    : new Date(at).toLocaleDateString(LOCALE, { day: 'numeric', month: 'long', year: 'numeric' });
}
