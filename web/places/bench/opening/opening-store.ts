import { computed, DestroyRef, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { Router } from '@angular/router';
import type { ChartSummary, Kit, Protocol, Wearer } from '@neat-measure/contract';
import { plainName, type Act, type Doing, type FitPreference } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { Fetched } from '../../../data/fetched';
import { Journal } from '../../../data/journal/journal';
import { KitService } from '../../../data/kit-service';
import { GoingOn } from '../../../data/pack/going-on';
import { Newcomers } from '../../../data/pack/newcomers';
import { ProtocolService } from '../../../data/protocol-service';
import { SessionService } from '../../../data/session-service';
import { UnitService } from '../../../data/unit-service';

/** The docket that is being put together: for whom, which garments, kits and protocols; and its opening. */
@Injectable()
export class OpeningStore {
  private readonly journal = inject(Journal);
  private readonly session = inject(SessionService);
  private readonly units = inject(UnitService);
  private readonly router = inject(Router);
  private readonly goingOn = inject(GoingOn);
  private readonly newcomers = inject(Newcomers);
  private left = false;

  readonly failed = signal('');
  /** Whether somebody has been named who is still being looked for. */
  readonly named = signal(false);
  /** Whether opening adds who is named: nobody is there whom the name could mean. */
  readonly adds = signal(false);
  readonly wearer = signal<Wearer | null>(null);
  private readonly protocolService = inject(ProtocolService);
  private readonly kitService = inject(KitService);
  readonly protocols = new Fetched<readonly Protocol[]>(() => this.protocolService.list());
  readonly allKits = new Fetched<readonly Kit[]>(() => this.kitService.list());
  /** Garments and protocols that are opened together, those of the wearer's role first. */
  readonly kits = computed(() => {
    const role = plainName(this.wearer()?.role ?? '');
    return (this.allKits.value() ?? [])
      .map((kit) => ({
        kit,
        proposed: role !== '' && kit.roles.some((one) => plainName(one) === role),
        taken: inKit(kit).length > 0 && inKit(kit).every(([id]) => this.chosen().has(id)),
      }))
      .sort((one, other) => Number(other.proposed) - Number(one.proposed));
  });

  /** What is ticked, charts with their names, so that they stay in sight whatever is sought. */
  readonly chosen = signal<ReadonlyMap<string, ChartSummary | null>>(new Map());
  readonly preference = signal<FitPreference>('regular');
  readonly busy = signal(false);

  constructor() {
    inject(DestroyRef).onDestroy(() => (this.left = true));
    // The kit of whoever is still being looked for is known once they are.
    effect(() => {
      if (!this.kitThen() || this.wearer() === null || this.allKits.loading()) return;
      this.kitThen.set(false);
      untracked(() => this.takeProposed());
    });
    effect(() => {
      if (this.wearer() !== null && !this.kitThen() && this.opensThen()) untracked(() => this.open());
    });
  }

  /** Ticks all of a kit, or, where all of it is ticked, none of it. */
  turnKit(kit: Kit): void {
    const own = inKit(kit);
    // Of a kit whose garments are all retired nothing could be ticked.
    if (own.length === 0) return this.failed.set(`Nothing in the kit ${kit.name} is available any more.`);
    this.chosen.update((chosen) => {
      const next = new Map(chosen);
      const all = own.every(([id]) => chosen.has(id));
      for (const [id, chart] of own)
        if (all) next.delete(id);
        else if (!next.has(id)) next.set(id, chart);
      return next;
    });
  }

  /** The kit of the wearer's role was asked for before the wearer, or the kits, were there. */
  readonly kitThen = signal(false);

  /** The kit of the wearer's role, as soon as it is known who that is. */
  wantKit(): void {
    if (this.wearer() === null && !this.named()) return;
    this.kitThen.set(true);
  }

  private takeProposed(): void {
    const proposed = this.kits().find((one) => one.proposed);
    if (proposed !== undefined && this.chosen().size === 0) this.turnKit(proposed.kit);
  }

  /** What a kit that is taken would have besides, were its chart not retired. */
  readonly leftOut = computed(() =>
    this.kits().flatMap(({ kit, taken }) =>
      taken ? kit.gone.map((garment) => `${garment} of the kit ${kit.name}`) : [],
    ),
  );

  /** What is ticked, in order, by name. */
  readonly ticked = computed(() =>
    [...this.chosen()].map(([id, chart]) => ({
      id,
      name: chart?.garment ?? this.protocols.value()?.find((one) => one.id === id)?.name ?? '…',
    })),
  );

  tick(id: string, chart: ChartSummary | null): void {
    this.chosen.update((chosen) => {
      const next = new Map(chosen);
      if (!next.delete(id)) next.set(id, chart);
      return next;
    });
  }

  readonly lacking = computed(() =>
    !this.session.may('measure')
      ? 'Viewers cannot open dockets. Ask a fitter.'
      : this.wearer() === null && !this.adds()
        ? 'Choose a wearer.'
        : this.chosen().size === 0
          ? 'Tick at least one garment or protocol.'
          : '',
  );

  /** Enter was pressed before the wearer who was named had been found. */
  private readonly opensThen = signal(false);
  /** The docket being opened: asked for again after a failure, it is the same one. */
  private opening: string | null = null;

  /** Opens the docket and goes to the tape. */
  open(): void {
    const [wearer, fitter] = [this.wearer(), this.session.fitter()];
    this.opensThen.set(wearer === null && this.named());
    if (wearer === null || fitter === null || this.chosen().size === 0 || this.busy()) return;
    this.busy.set(true);
    this.failed.set('');
    if (this.opening === null) {
      const docketId = uuidv7();
      this.opening = docketId;
      const unit = this.units.unit();
      const doings: Doing[] = [
        { kind: 'docket-opened', wearerId: wearer.id, occasion: '', unit, preference: this.preference() },
        ...[...this.chosen()].map(
          ([id, chart]): Doing =>
            chart === null
              ? { kind: 'protocol-asked', protocolId: id }
              : { kind: 'garment-asked', chartId: id },
        ),
      ];
      const by = { id: fitter.id, name: fitter.name };
      this.newcomers.meets(wearer);
      for (const doing of doings) {
        const act: Act = { id: uuidv7(), docketId, at: new Date().toISOString(), by, ...doing };
        this.journal.write(fitter.pen, act);
      }
    }
    const docketId = this.opening;
    this.goingOn
      .after(docketId)
      // Whoever went elsewhere meanwhile is not fetched back.
      .then(() => (this.left ? undefined : this.router.navigate(['/bench', docketId])))
      .catch((problem: unknown) => {
        this.busy.set(false);
        this.failed.set(
          `${(problem as Error).message} The docket is saved on this device and sent automatically. Then press Enter to continue.`,
        );
      });
  }
}

/** What a kit ticks, as the desk keeps it. */
function inKit({ garments, protocols }: Kit): [string, ChartSummary | null][] {
  return [
    ...garments.map(({ chartId, garment, maker }): [string, ChartSummary] => [
      chartId,
      { ...unnamed(chartId), garment, maker },
    ]),
    ...protocols.map((id): [string, null] => [id, null]),
  ];
}

/** A chart that is ticked before its name has come. */
export function unnamed(id: string): ChartSummary {
  return {
    id,
    seriesId: id,
    version: 1,
    maker: '',
    garment: '',
    kind: 'other',
    parts: 0,
    sizes: 0,
    codes: [],
  };
}
