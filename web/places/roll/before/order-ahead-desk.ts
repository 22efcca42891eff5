import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { Kit } from '@neat-measure/contract';
import type { GarmentAhead, OrderAheadView, OrderAheadWanted } from '@neat-measure/contract/musters';
import { counted, list, measurement } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize, Subscription } from 'rxjs';
import { Fetched } from '../../../data/fetched';
import { KitService } from '../../../data/kit-service';
import { MusterService } from '../../../data/musters/muster-service';
import { MusterStore } from '../../../data/musters/muster-store';
import { ControlName } from '../../../parts/forms/control-name';
import { PlaceOrders, type WantedLine } from '../orders/place-orders';
import { SizeSpread } from './size-spread';

type Build = OrderAheadWanted['others'][number]['build'];

/** People without names who are to be kitted out besides. */
interface Others {
  readonly count: number;
  readonly build: Build;
  readonly kitId: string;
}

/** What to order before anybody is measured: how many of each size the muster may take, and an order that covers it. */
@Component({
  selector: 'nm-order-ahead-desk',
  imports: [
    ControlName,
    FormsModule,
    NzButtonModule,
    NzInputModule,
    NzRadioModule,
    NzSelectModule,
    PlaceOrders,
    RouterLink,
    SizeSpread,
  ],
  templateUrl: './order-ahead-desk.html',
  styleUrl: './order-ahead-desk.less',
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OrderAheadDesk {
  private readonly service = inject(MusterService);
  private readonly store = inject(MusterStore);
  private readonly kitService = inject(KitService);

  /** The muster is open before this is. */
  private readonly musterId = this.store.muster()!.id;

  protected readonly counted = counted;
  protected readonly CHANCES = [0.8, 0.9, 0.95, 0.99] as const;
  protected readonly BUILDS: readonly { value: Build; label: string }[] = [
    { value: null, label: 'any build' },
    { value: 'men', label: 'men' },
    { value: 'women', label: 'women' },
  ];
  protected readonly chance = signal<number>(0.95);
  protected readonly over = signal<'each' | 'all'>('all');
  protected readonly others = signal<readonly Others[]>([]);
  private readonly allKits = new Fetched<readonly Kit[]>(() => this.kitService.list());
  protected readonly kits = computed(() =>
    (this.allKits.value() ?? []).map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly view = signal<OrderAheadView | null>(null);
  /** Numbers that were changed by hand, by garment and label. */
  private readonly own = signal<ReadonlyMap<string, number>>(new Map());
  protected readonly busy = signal(false);
  protected readonly failed = signal('');
  protected readonly told = signal('');
  private working = Subscription.EMPTY;

  protected readonly rests = computed(() => {
    const rests = this.view()?.restsOn;
    if (rests === undefined) return '';
    const parts = [
      ...(rests.measured > 0 ? [`${counted(rests.measured, 'wearer')} measured before`] : []),
      ...(rests.own > 0 ? [`${counted(rests.own, 'wearer')} by their own numbers or a list`] : []),
      ...(rests.nothing > 0
        ? [
            `${counted(rests.nothing, 'wearer')} of whom nothing is known (built like the 507 adults of a published survey)`,
          ]
        : []),
    ];
    const grown =
      rests.grown === 0 ? '' : ` ${counted(rests.grown, 'wearer')} moved on by how they have grown.`;
    const { chance, garments } = this.view()!;
    const together =
      garments.length < 2
        ? ''
        : `With a chance of ${percent(chance)} everybody whose sizes can be worked out gets every garment. `;
    return `${together}Rests on ${list(parts)}.${grown}`;
  });

  protected addOthers(): void {
    const [kit] = this.kits();
    if (kit === undefined) return;
    this.others.update((all) => [...all, { count: 20, build: null, kitId: kit.value }]);
  }

  protected changeOthers(at: number, change: Partial<Others>): void {
    this.others.update((all) => all.map((one, place) => (place === at ? { ...one, ...change } : one)));
  }

  protected dropOthers(at: number): void {
    this.others.update((all) => all.filter((_, place) => place !== at));
  }

  protected asCount(text: string): number {
    const count = Math.floor(Number(text));
    return Number.isFinite(count) ? Math.min(Math.max(count, 0), 2_000) : 0;
  }

  protected workOut(): void {
    this.working.unsubscribe();
    this.busy.set(true);
    this.failed.set('');
    this.told.set('');
    const others = this.others().filter(({ count }) => count > 0);
    this.working = this.service
      .orderAhead(this.musterId, { chance: this.chance(), over: this.over(), others })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (view) => {
          this.own.set(new Map());
          this.view.set(view);
        },
        error: (problem: Error) => this.failed.set(problem.message),
      });
  }

  /** On which scale the numbers of a garment are drawn. */
  protected mostOf({ lines }: GarmentAhead): number {
    return lines.reduce((most, { to, order }) => Math.max(most, to, order), 1);
  }

  /** What is ordered of a size: what is wanted less what is there and coming, unless it was changed by hand. */
  protected toOrder({ seriesId }: GarmentAhead, line: GarmentAhead['lines'][number]): number {
    const own = this.own().get(`${seriesId} ${line.label}`);
    return own ?? Math.max(0, line.order - line.there - line.coming);
  }

  protected change({ seriesId }: GarmentAhead, label: string, text: string): void {
    this.own.update((all) => new Map([...all, [`${seriesId} ${label}`, this.asCount(text)]]));
  }

  protected say(one: GarmentAhead): string {
    const chance = percent(one.chance);
    const left = Math.round(one.leftOver);
    const beyond = Math.round(one.beyond);
    return [
      `${one.ordered} in all. With a chance of ${chance} everybody who has a size gets it; about ${left} left over, ${one.leftOverAtMost} at most in 95 of 100 cases.`,
      ...(one.reckoned.length > 0
        ? [`Estimated from height or girth where not measured: ${named(one.reckoned)}.`]
        : []),
      ...(beyond > 0 ? [`About ${counted(beyond, 'wearer')} without a size in this chart.`] : []),
    ].join(' ');
  }

  /** What is to be ordered, of all garments. */
  protected readonly wanted = computed<readonly WantedLine[]>(() =>
    (this.view()?.garments ?? []).flatMap((one) =>
      one.lines.map((line) => ({
        ...{ maker: one.maker, seriesId: one.seriesId, label: line.label },
        count: this.toOrder(one, line),
      })),
    ),
  );

  protected ordered(made: number): void {
    this.view.set(null);
    this.told.set(`${counted(made, 'order')} created.`);
  }
}

/** A chance in hundredths; what was drawn is never certain. */
function percent(chance: number): string {
  return chance >= 0.995 ? 'over 99 %' : `${Math.round(chance * 100)} %`;
}

function named(codes: GarmentAhead['reckoned']): string {
  return list(codes.map((code) => measurement(code).name.toLowerCase()));
}
