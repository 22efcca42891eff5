import { ChangeDetectionStrategy, Component, computed, effect, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Chart } from '@neat-measure/contract';
import type { Article, KeptGarment, NewPiece } from '@neat-measure/contract/stores';
import { madeLabels } from '@neat-measure/core/stock';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize } from 'rxjs';
import { ChartService } from '../../../data/chart-service';
import { Fetched } from '../../../data/fetched';
import { SendingId } from '../../../data/sending-id';
import { StoresService } from '../../../data/stores-service';
import { Fetching } from '../../../parts/fetching/fetching';
import { StoresAccount } from '../stores-account';
import { PieceRows } from './piece-rows';

/** Something comes in that nobody ordered here, or was there already: one garment in one size. */
@Component({
  selector: 'nm-take-in',
  imports: [Fetching, FormsModule, NzButtonModule, NzInputModule, NzSelectModule, PieceRows],
  template: `
    <div class="panel" role="group" aria-label="Add stock">
      <nm-fetching [of]="garments" words="Loading garments" />
      @if (trouble()) {
        <p class="fault" role="alert">{{ trouble() }}</p>
      }
      @if (account.fetchedRooms.value()?.length === 0) {
        <p class="note">There is no room yet. Add one under Storage.</p>
      }
      <div class="fields">
        <div class="field">
          <label for="in-garment">Garment</label>
          <nz-select
            nzId="in-garment"
            nzShowSearch
            nzPlaceHolder="Type part of the name"
            [nzOptions]="choices()"
            [ngModel]="seriesId()"
            (ngModelChange)="seriesId.set($event); label.set('')"
          />
        </div>
        <div class="field">
          <label for="in-size">Size</label>
          @if (labels().whole) {
            <nz-select
              nzId="in-size"
              nzShowSearch
              [nzOptions]="sizes()"
              [ngModel]="label() || null"
              (ngModelChange)="label.set($event)"
            />
          } @else {
            <input
              #typed
              nz-input
              id="in-size"
              autocomplete="off"
              maxlength="200"
              [value]="label()"
              (input)="label.set(typed.value)"
            />
          }
        </div>
        <div class="field">
          <label for="in-room">Into</label>
          <nz-select
            nzId="in-room"
            [nzOptions]="account.roomChoices()"
            [ngModel]="roomId()"
            (ngModelChange)="room.set($event)"
          />
        </div>
        @if (!numbered()) {
          <label class="field" for="in-count"
            >How many
            <input
              #count
              nz-input
              id="in-count"
              class="short"
              inputmode="numeric"
              autocomplete="off"
              maxlength="5"
              [value]="howMany()"
              (input)="howMany.set(count.value)"
              (keydown.enter)="take()"
          /></label>
        }
      </div>
      @if (numbered()) {
        <p class="soft under">Numbered pieces: one row per piece. {{ asksMade() }}</p>
        <nm-piece-rows [(pieces)]="pieces" />
      }
      <div class="acts">
        <button nz-button nzType="primary" type="button" [disabled]="busy()" (click)="take()">
          Add to stock
        </button>
        <button nz-button nzType="text" type="button" (click)="left.emit()">Cancel</button>
      </div>
    </div>
  `,
  styles: `
    .panel {
      padding: 14px 18px;
      margin-top: 12px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakeIn {
  readonly done = output<Article>();
  readonly left = output<void>();
  private readonly service = inject(StoresService);
  private readonly charts = inject(ChartService);
  protected readonly account = inject(StoresAccount);
  protected readonly garments = new Fetched<readonly KeptGarment[]>(() => this.service.kept());
  protected readonly seriesId = signal<string | null>(null);
  protected readonly label = signal('');
  protected readonly room = signal<string | null>(null);
  protected readonly roomId = computed(() => this.room() ?? this.account.rooms()[0]?.id ?? null);
  protected readonly howMany = signal('');
  protected readonly pieces = signal<readonly NewPiece[]>([]);
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  private readonly chart = signal<Chart | null>(null);
  /** One id a receipt, so that trying again after a failure takes nothing in twice. */
  private readonly id = new SendingId();

  protected readonly choices = computed(() =>
    (this.garments.value() ?? []).map(({ seriesId, garment, maker }) => ({
      value: seriesId,
      label: `${garment}, ${maker}`,
    })),
  );
  private readonly garment = computed(() =>
    this.garments.value()?.find((one) => one.seriesId === this.seriesId()),
  );
  protected readonly numbered = computed(() => this.garment()?.keeping.numbered === true);
  protected readonly asksMade = computed(() =>
    this.garment()?.keeping.lifeMonths === null || this.garment() === undefined
      ? ''
      : 'Enter the date made or the last day of each piece.',
  );
  protected readonly labels = computed(() => {
    const chart = this.chart();
    return chart === null || chart.seriesId !== this.seriesId()
      ? { labels: [], whole: true }
      : madeLabels(chart.sheet);
  });
  protected readonly sizes = computed(() => this.labels().labels.map((label) => ({ value: label, label })));

  constructor() {
    effect((onCleanup) => {
      const chartId = this.garment()?.chartId;
      if (chartId === undefined) return;
      const asked = this.charts.open(chartId).subscribe({
        next: (chart) => this.chart.set(chart),
        error: (problem: Error) => this.trouble.set(problem.message),
      });
      onCleanup(() => asked.unsubscribe());
    });
  }

  protected take(): void {
    const [seriesId, roomId, label] = [this.seriesId(), this.roomId(), this.label().trim()];
    const pieces = this.numbered() ? this.pieces().filter(({ serial }) => serial.trim() !== '') : [];
    const count = this.numbered() ? pieces.length : Number(this.howMany().trim() || NaN);
    if (seriesId === null || label === '') return this.trouble.set('Choose a garment and a size.');
    if (roomId === null) return this.trouble.set('Choose a receiving room.');
    if (!Number.isInteger(count) || count < 1)
      return this.trouble.set(
        this.numbered() ? 'Enter the number of each piece.' : 'Enter how many as a whole number.',
      );
    this.busy.set(true);
    this.trouble.set('');
    this.service
      .receive(this.id.value, { seriesId, label, roomId, compartment: 'shelf', count, pieces: [...pieces] })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (article) => {
          this.id.done();
          this.done.emit(article);
        },
        error: (problem: Error) => {
          this.id.failed(problem);
          this.trouble.set(problem.message);
        },
      });
  }
}
