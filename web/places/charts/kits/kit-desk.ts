import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import {
  kitSaveSchema,
  type ChartSummary,
  type Kit,
  type KitSave,
  type Protocol,
} from '@neat-measure/contract';
import { counted } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzPopconfirmModule } from 'ng-zorro-antd/popconfirm';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { ChartService } from '../../../data/chart-service';
import { KitService } from '../../../data/kit-service';
import { Paged } from '../../../data/paged';
import { ProtocolService } from '../../../data/protocol-service';
import { SessionService } from '../../../data/session-service';
import { bySchema, faultsOf, type FieldFaults } from '../../../parts/forms/schema-form';
import { EmptyState } from '../../../parts/empty-state/empty-state';
import { Fetching } from '../../../parts/fetching/fetching';
import { Fetched } from '../../../data/fetched';

/** The kits of the house: garments and protocols that are opened together, and whose they are. */
@Component({
  selector: 'nm-kit-desk',
  imports: [
    Fetching,
    EmptyState,
    NzButtonModule,
    NzInputModule,
    NzPopconfirmModule,
    NzSelectModule,
    ReactiveFormsModule,
    RouterLink,
  ],
  templateUrl: './kit-desk.html',
  styles: `
    form {
      gap: 14px;
      max-width: 720px;
      margin-top: 12px;
    }
  `,
  host: { class: 'beside' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KitDesk {
  private readonly service = inject(KitService);
  private readonly chartService = inject(ChartService);
  protected readonly lead = inject(SessionService).may('keep-charts');

  protected readonly fetched = new Fetched<readonly Kit[]>(
    () => this.service.list(),
    (kits) => kits.length > 0 && this.open() === null && this.show(kits[0]!),
  );
  protected readonly kits = computed(() => this.fetched.value() ?? []);
  protected readonly trouble = signal('');
  protected readonly kept = signal(false);
  protected readonly busy = signal(false);
  /** The kit that is shown, or a new one that is not kept yet. */
  protected readonly open = signal<string | null>(null);
  protected readonly version = signal(0);
  private readonly shown = computed(() => this.kits().find(({ id }) => id === this.open()) ?? null);
  protected readonly gone = computed(() => this.shown()?.gone ?? []);

  protected readonly form = new FormGroup(
    {
      name: new FormControl('', { nonNullable: true }),
      series: new FormControl<string[]>([], { nonNullable: true }),
      protocols: new FormControl<KitSave['protocols']>([], { nonNullable: true }),
      roles: new FormControl<string[]>([], { nonNullable: true }),
    },
    { validators: bySchema<object>(kitSaveSchema, (value) => ({ ...value, version: 0 })) },
  );
  protected readonly faults = toSignal(faultsOf(this.form), { initialValue: {} as FieldFaults });

  protected readonly charts = new Paged<ChartSummary>((query) => this.chartService.list(query));
  /** What may be in it: what was found, and what it has already. */
  protected readonly garments = computed(() => {
    const own = this.kits().flatMap(({ garments }) => garments);
    const all = [...this.charts.items(), ...own].map(({ seriesId, garment, maker }) => ({
      value: seriesId,
      label: `${garment}, ${maker}`,
    }));
    return [...new Map(all.map((one) => [one.value, one])).values()];
  });
  private readonly protocolService = inject(ProtocolService);
  protected readonly allProtocols = new Fetched<readonly Protocol[]>(() => this.protocolService.list());
  protected readonly protocols = computed(() =>
    (this.allProtocols.value() ?? []).map(({ id, name }) => ({ value: id, label: name })),
  );

  protected countOf({ garments, protocols }: Kit): string {
    const some = (count: number, thing: string) => (count === 0 ? [] : [counted(count, thing)]);
    return [...some(garments.length, 'garment'), ...some(protocols.length, 'protocol')].join(', ');
  }

  protected show({ id, name, series, protocols, roles, version }: Kit): void {
    this.open.set(id);
    this.version.set(version);
    this.kept.set(false);
    this.trouble.set('');
    this.form.reset({ name, series: [...series], protocols: [...protocols], roles: [...roles] });
  }

  protected begin(): void {
    this.show({
      ...{ id: uuidv7(), name: '', series: [], protocols: [], roles: [], version: 0 },
      ...{ garments: [], gone: [] },
    });
  }

  protected save(): void {
    const id = this.open();
    if (id === null || this.busy() || !this.form.valid) return;
    this.busy.set(true);
    this.trouble.set('');
    this.service
      .save(id, { ...this.form.getRawValue(), version: this.version() })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (kit) => {
          this.keepAll((kits) =>
            [...kits.filter((one) => one.id !== kit.id), kit].sort((a, b) => a.name.localeCompare(b.name)),
          );
          this.show(kit);
          this.kept.set(true);
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }

  protected drop(): void {
    const id = this.open();
    if (id === null) return;
    this.service.drop(id).subscribe({
      next: () => {
        this.open.set(null);
        this.keepAll((kits) => kits.filter((kit) => kit.id !== id));
      },
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }

  private keepAll(change: (kits: readonly Kit[]) => readonly Kit[]): void {
    this.fetched.value.update((kits) => change(kits ?? []));
  }
}
