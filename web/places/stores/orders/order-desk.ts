import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { orderFilePath, type Order, type StockNeed } from '@neat-measure/contract/stores';
import { dayOf, daysFrom } from '@neat-measure/core/stock';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzPopconfirmModule } from 'ng-zorro-antd/popconfirm';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize, switchMap, tap } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Fetched } from '../../../data/fetched';
import { SessionService } from '../../../data/session-service';
import { SendingId } from '../../../data/sending-id';
import { StoresService } from '../../../data/stores-service';
import { EmptyState } from '../../../parts/empty-state/empty-state';
import { Fetching } from '../../../parts/fetching/fetching';
import { ControlName } from '../../../parts/forms/control-name';
import { Term } from '../../../parts/term/term';
import { sayDay, StoresAccount, today } from '../stores-account';
import { CheckOff } from './check-off';

/** What was changed of what is proposed to be ordered. */
interface Ordered {
  readonly taken?: boolean;
  readonly count?: string;
}

const STAGES: Readonly<Record<Order['stage'], string>> = {
  draft: 'not sent yet',
  sent: 'sent',
  acknowledged: 'sent to the maker',
  'part-received': 'part received',
  done: 'all here',
  ended: 'ended early',
};

/** Orders: what is to be ordered and for whom, what was, how it stands, and checking off what comes. */
@Component({
  selector: 'nm-order-desk',
  imports: [
    Term,
    CheckOff,
    ControlName,
    EmptyState,
    Fetching,
    FormsModule,
    NzButtonModule,
    NzCheckboxModule,
    NzInputModule,
    NzPopconfirmModule,
    NzSelectModule,
  ],
  templateUrl: './order-desk.html',
  styles: `
    .maker {
      padding: 14px 18px;
      margin-top: 12px;
    }
    .late {
      color: var(--brick);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OrderDesk {
  /** The order that is open. */
  readonly order = input<string>();
  private readonly service = inject(StoresService);
  protected readonly account = inject(StoresAccount);
  private readonly toNeeds = viewChild<ElementRef<HTMLElement>>('toOrder');
  protected readonly may = inject(SessionService).may('keep-stock');
  protected readonly needs = new Fetched<readonly StockNeed[]>(() => this.service.needs());
  protected readonly orders = new Fetched<readonly Order[]>(() => this.service.orders());
  protected readonly choices = signal<Readonly<Record<string, Ordered>>>({});
  protected readonly room = signal<string | null>(null);
  protected readonly roomId = computed(() => this.room() ?? this.account.rooms()[0]?.id ?? null);
  protected readonly open = signal<string | null>(null);
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);
  protected readonly stages = STAGES;
  protected readonly say = sayDay;
  protected readonly dayOf = (moment: string) => dayOf(new Date(moment));
  protected readonly file = orderFilePath;

  /** The order to each maker that may be on its way. */
  private readonly sending = new Map<string, SendingId>();

  /** By maker, in the order of their names. */
  protected readonly makers = computed(() => {
    const needs = this.needs.value() ?? [];
    return [...new Set(needs.map(({ maker }) => maker))].map((maker) => ({
      maker,
      lines: needs
        .filter((one) => one.maker === maker)
        .map((need) => {
          const key = `${need.seriesId} ${need.label}`;
          const { taken = true, count = String(need.total) } = this.choices()[key] ?? {};
          return { key, need, taken, count, why: sayWhy(need) };
        }),
    }));
  });

  constructor() {
    this.account.whenTurned(() => this.needs.again());
    this.account.takeKeys([
      { keys: ['n'], does: 'go to what is to be ordered', run: () => this.toNeeds()?.nativeElement.focus() },
    ]);
    effect(() => {
      const id = this.order();
      if (id !== undefined) this.open.set(id);
    });
  }

  protected choose(key: string, choice: Ordered): void {
    this.choices.update((all) => ({ ...all, [key]: { ...all[key], ...choice } }));
  }

  /** What was ordered is chosen anew when it is needed again; what else was typed, or could not be ordered, stays. */
  private forget(keys: readonly string[]): void {
    this.choices.update((all) =>
      Object.fromEntries(Object.entries(all).filter(([key]) => !keys.includes(key))),
    );
  }

  protected send(maker: string): void {
    const roomId = this.roomId();
    if (roomId === null) return this.trouble.set('Choose a receiving room. Add rooms under Storage.');
    const taken = this.makers()
      .find((one) => one.maker === maker)!
      .lines.filter((line) => line.taken);
    const lines = taken.map(({ need, count }) => ({
      seriesId: need.seriesId,
      label: need.label,
      count: Number(count.trim() || NaN),
      wantedFor: need.wantedFor.map(({ docketId, chartId }) => ({ docketId, chartId })),
    }));
    if (lines.length === 0) return this.trouble.set('Tick at least one garment.');
    if (lines.some(({ count }) => !Number.isInteger(count) || count < 1))
      return this.trouble.set('Enter a whole number of 1 or more for each ticked garment.');
    const sending = this.sending.get(maker) ?? new SendingId();
    this.sending.set(maker, sending);
    const id = sending.value;
    this.run(
      this.service.saveOrder(id, { maker, roomId, lines }).pipe(
        tap({ next: () => sending.done(), error: (problem: Error) => sending.failed(problem) }),
        switchMap(() => {
          this.forget(taken.map(({ key }) => key));
          this.open.set(id);
          return this.service.send(id);
        }),
      ),
    );
  }

  protected sendAgain(id: string): void {
    this.run(this.service.send(id));
  }

  /** Somebody has sent it outside of here. */
  protected sentByHand(id: string): void {
    this.run(this.service.send(id, true));
  }

  protected isOver({ stage }: Order): boolean {
    return stage === 'done' || stage === 'ended';
  }

  protected openOf({ lines }: Order): number {
    return lines.reduce((sum, { open }) => sum + open, 0);
  }

  protected ask(id: string): void {
    this.run(this.service.ask(id));
  }

  protected close({ id, lines }: Order): void {
    this.run(
      this.service.close(
        id,
        uuidv7(),
        lines.filter(({ open }) => open > 0).map(({ line }) => line),
      ),
    );
  }

  protected changed(): void {
    this.needs.again();
    this.orders.again();
    this.account.changed();
  }

  private run(doing: ReturnType<StoresService['send']>): void {
    if (this.busy()) return;
    this.busy.set(true);
    this.trouble.set('');
    doing
      .pipe(
        finalize(() => {
          this.busy.set(false);
          // An order that could not be sent is put together all the same, and waits.
          this.changed();
        }),
      )
      .subscribe({ error: (problem: Error) => this.trouble.set(problem.message) });
  }

  protected summary({ lines, promised, stage, late, silentSince }: Order): string {
    const open = lines.reduce((sum, one) => sum + one.open, 0);
    const all = lines.reduce((sum, one) => sum + one.count, 0);
    const when =
      promised === null || open === 0 ? '' : `, ${late ? 'was ' : ''}promised for ${sayDay(promised)}`;
    const never = lines.reduce((sum, one) => sum + one.closed, 0);
    const rest =
      stage === 'done'
        ? ''
        : stage === 'ended'
          ? `: ${never} of ${all} not delivered`
          : stage === 'draft'
            ? `: ${all} ${all === 1 ? 'garment' : 'garments'}`
            : `, ${open} of ${all} on order`;
    const silent = silentSince === null ? '' : `, no answer since ${sayDay(silentSince)}`;
    return `${STAGES[stage]}${rest}${when}${silent}`;
  }

  protected names({ wantedFor }: Order['lines'][number]): string {
    const numbers = wantedFor.flatMap(({ docketNumber }) => docketNumber ?? []);
    return numbers.length === 0 ? '' : `for docket ${numbers.join(', ')}`;
  }
}

/** Whoever waits for longer than so may not come for it any more, and is looked at before it is ordered. */
const LONG_DAYS = 90;

/** Who waits for a garment; since when, where that is long. */
function sayWaiting({ wearer, docketNumber, openedAt }: StockNeed['wantedFor'][number]): string {
  const since = dayOf(new Date(openedAt));
  return daysFrom(since, today()) <= LONG_DAYS
    ? wearer
    : `${wearer} (docket ${docketNumber}, waiting since ${sayDay(since)})`;
}

/** Why so many are proposed, and for whom. */
function sayWhy({ forWearers, forShelf, spares, wantedFor, minimum, there, coming }: StockNeed): string {
  const names = wantedFor.slice(0, 3).map(sayWaiting);
  const more = wantedFor.length - names.length;
  return [
    forWearers === 0 ? '' : `${forWearers} for ${names.join(', ')}${more > 0 ? ` and ${more} more` : ''}`,
    spares === 0 ? '' : `${spares} spare`,
    forShelf === 0 ? '' : `minimum stock ${minimum}`,
    there === 0 ? '' : `${there} in stock`,
    coming === 0 ? '' : `${coming} on order`,
  ]
    .filter((one) => one !== '')
    .join('; ');
}
