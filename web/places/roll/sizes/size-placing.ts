import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MOST_DECIDED, MOST_NAMED, type DecidedMany, type PlacingView } from '@neat-measure/contract/musters';
import { counted } from '@neat-measure/core';
import { AIMS, USUAL_PLACING, type Aim, type Pin } from '@neat-measure/core/placing';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { concatMap, finalize, from, tap, type Observable } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { SizesStore } from '../../../data/musters/sizes-store';
import { SizingService } from '../../../data/musters/sizing-service';
import { SessionService } from '../../../data/session-service';
import { sayMoment } from '../../house/say-role';
import { PlaceOrders, type WantedLine } from '../orders/place-orders';
import { sayCost, sayPlaced } from './say-placing';

type Garment = PlacingView['garments'][number];

const AIM_WORDS: Readonly<Record<Aim, string>> = {
  without: 'as few as possible without a garment',
  misfit: 'everybody nearest their likeliest size',
  ordered: 'as little as possible to order',
};

/** Decisions that were made at once: of one garment and size each. */
interface Made {
  readonly ids: readonly string[];
  readonly done: number;
  readonly left: number;
}

/** Whoever could wear two sizes, placed so that what is in stock serves everybody best. */
@Component({
  selector: 'nm-size-placing',
  imports: [FormsModule, NzButtonModule, NzCheckboxModule, NzInputNumberModule, NzSelectModule, PlaceOrders],
  templateUrl: './size-placing.html',
  styles: `
    :host {
      gap: 12px;
      margin-top: 12px;
    }
    .panel {
      gap: 12px;
      padding: 14px 18px;
    }
    .wish {
      width: 300px;
    }
  `,
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizePlacing {
  protected readonly store = inject(SizesStore);
  private readonly service = inject(SizingService);
  private readonly session = inject(SessionService);
  protected readonly mayOrderHere = this.session.may('keep-stock');
  protected readonly mayDecide = this.session.may('decide');
  protected readonly counted = counted;
  protected readonly sayMoment = sayMoment;
  protected readonly sayPlaced = sayPlaced;
  protected readonly sayCost = sayCost;
  protected readonly aimOptions = AIMS.map((value) => ({ value, label: AIM_WORDS[value] }));
  protected readonly aims = signal<readonly Aim[]>(USUAL_PLACING.aims);
  protected readonly mayOrder = signal(USUAL_PLACING.mayOrder);
  protected readonly leastPercent = signal(USUAL_PLACING.leastPercent);
  protected readonly pins = signal<readonly Pin[]>([]);
  protected readonly view = signal<PlacingView | null>(null);
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  protected readonly made = signal<Made | null>(null);
  protected readonly ordered = signal('');
  /** Those that are shown in the table, as far as they can be named; else everybody. */
  private readonly named = computed(() => {
    const rows = this.store.rows();
    return rows.length === this.store.count() || rows.length > MOST_NAMED
      ? null
      : rows.map((row) => this.store.sizing()!.wearerIds[row]!);
  });
  protected readonly count = computed(() => this.named()?.length ?? this.store.count());
  /** Garments of which there is something to say first. */
  protected readonly garments = computed(() => {
    const weight = ({ without, moved, totals }: Garment) =>
      without.length * 1e6 + moved.length * 1e3 + totals.ordered;
    return [...(this.view()?.garments ?? [])].sort((one, other) => weight(other) - weight(one));
  });
  protected readonly wanted = computed<readonly WantedLine[]>(() =>
    (this.view()?.garments ?? []).flatMap(({ maker, seriesId, lines }) =>
      lines.map(({ label, ordered }) => ({ maker, seriesId, label, count: ordered })),
    ),
  );
  /** Dockets to be decided, by garment and size. */
  private readonly decisions = computed(() => {
    const sizing = this.store.sizing()!;
    const batches = new Map<string, { chartId: string; label: string; docketIds: string[] }>();
    for (const { seriesId, moved } of this.view()?.garments ?? [])
      for (const { wearerId, to } of moved) {
        const row = sizing.wearerIds.indexOf(wearerId);
        const own = sizing.garments.find((one) => one.seriesId === seriesId && one.verdicts[row] !== -1);
        if (row < 0 || own === undefined || sizing.acts[row] === 0) continue;
        const key = `${own.chartId} ${to}`;
        const batch = batches.get(key) ?? { chartId: own.chartId, label: to, docketIds: [] };
        batch.docketIds.push(sizing.docketIds[row]!);
        batches.set(key, batch);
      }
    return [...batches.values()];
  });
  protected readonly deciding = computed(() =>
    this.decisions().reduce((sum, { docketIds }) => sum + docketIds.length, 0),
  );

  protected setAim(at: number, aim: Aim): void {
    const others = this.aims().filter((one) => one !== aim);
    this.aims.set([...others.slice(0, at), aim, ...others.slice(at)]);
  }

  protected nameOf(wearerId: string): string {
    return this.store.nameOf(wearerId);
  }

  protected pinned(seriesId: string, wearerId: string): string | null {
    return this.pins().find((one) => one.seriesId === seriesId && one.wearerId === wearerId)?.label ?? null;
  }

  /** Holds somebody to a size, or lets them go, and places everybody again. */
  protected pin(seriesId: string, wearerId: string, label: string | null): void {
    this.pins.update((pins) => [
      ...pins.filter((one) => one.seriesId !== seriesId || one.wearerId !== wearerId),
      ...(label === null ? [] : [{ seriesId, wearerId, label }]),
    ]);
    this.place();
  }

  protected place(): void {
    this.busy.set(true);
    this.trouble.set('');
    this.made.set(null);
    this.ordered.set('');
    this.service
      .place(this.store.view()!.progress.id, {
        aims: [...this.aims()],
        mayOrder: this.mayOrder(),
        leastPercent: this.leastPercent(),
        pins: [...this.pins()],
        wearerIds: this.named(),
      })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (view) => this.view.set(view),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }

  /** Decides everybody's size who is moved, one request a garment and size. */
  protected decide(): void {
    const id = this.store.view()!.progress.id;
    const parts = this.decisions().flatMap(({ chartId, label, docketIds }) =>
      Array.from({ length: Math.ceil(docketIds.length / MOST_DECIDED) }, (_, at) => ({
        ...{ id: uuidv7(), chartId, label, reason: 'Placed by what is in stock' },
        docketIds: docketIds.slice(at * MOST_DECIDED, (at + 1) * MOST_DECIDED),
      })),
    );
    // Should the network go half-way, what was decided until then can be taken back.
    const ids: string[] = [];
    this.send(
      from(parts).pipe(
        tap((part) => ids.push(part.id)),
        concatMap((part) => this.service.decide(id, part)),
      ),
      ids,
    );
  }

  protected undo(): void {
    const id = this.store.view()!.progress.id;
    this.send(
      from(this.made()!.ids).pipe(concatMap((decisionId) => this.service.undoDecision(id, decisionId))),
      [],
    );
  }

  private send(answers: Observable<DecidedMany>, ids: readonly string[]): void {
    this.busy.set(true);
    this.trouble.set('');
    let [done, left] = [0, 0];
    const end = () => {
      this.busy.set(false);
      // What is shown is of before.
      if (done > 0 && this.session.may('lead-muster')) this.store.size();
    };
    answers.pipe(finalize(end)).subscribe({
      next: (told) => {
        [done, left] = [done + told.done, left + told.left.length];
        this.made.set({ ids, done, left });
      },
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }

  protected placedOrders(count: number): void {
    this.ordered.set(`${counted(count, 'order')} created. They wait under Stores, Orders, to be sent.`);
    this.store.again();
  }
}
