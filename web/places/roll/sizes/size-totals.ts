import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { counted } from '@neat-measure/core';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { tableAsCsv } from '@neat-measure/core/stock-table';
import { ChartFiles } from '../../../data/imported/chart-files';
import { SessionService } from '../../../data/session-service';
import { SizesStore } from '../../../data/musters/sizes-store';
import { ControlName } from '../../../parts/forms/control-name';
import { PlaceOrders, type WantedLine } from '../orders/place-orders';
import { garmentTotals, type Totals } from './garment-totals';
import { TotalsPicture } from './totals-picture';

/** How many of each size the wearers that are shown in the table take, against what is in stock and on order. */
@Component({
  selector: 'nm-size-totals',
  imports: [
    ControlName,
    FormsModule,
    NzButtonModule,
    NzInputNumberModule,
    PlaceOrders,
    RouterLink,
    TotalsPicture,
  ],
  template: `
    <div class="split">
      <div class="row">
        <label for="spare-percent">Spares, %</label>
        <nz-input-number nzId="spare-percent" [nzMin]="0" [nzMax]="100" [(ngModel)]="percent" />
        <label for="spare-least">at least</label>
        <nz-input-number nzId="spare-least" [nzMin]="0" [nzMax]="1000" [(ngModel)]="least" />
        <span class="soft">of each size that is wanted</span>
      </div>
      <div class="row">
        <button
          nz-button
          type="button"
          [disabled]="totals().length === 0"
          (click)="asPicture.set(!asPicture())"
        >
          {{ asPicture() ? 'As a table' : 'As a picture' }}
        </button>
        @if (musterId(); as id) {
          <a nz-button [routerLink]="['/roll', id, 'before']" [queryParams]="{ show: 'picks' }">Pick list</a>
        }
        <button nz-button type="button" [disabled]="totals().length === 0" (click)="save('xlsx')">
          XLSX
        </button>
        <button nz-button type="button" [disabled]="totals().length === 0" (click)="save('csv')">CSV</button>
      </div>
    </div>
    @if (store.rows().length < store.count()) {
      <p class="note">
        Of the {{ counted(store.rows().length, 'wearer') }} shown in the table, not of all
        {{ store.count() }}.
      </p>
    }
    @for (one of totals(); track one.name) {
      <section>
        <h2 class="title">{{ one.name }}</h2>
        @if (say(one); as words) {
          <p class="soft">{{ words }}</p>
        }
        @if (one.lines.length > 0 && asPicture()) {
          @defer (on immediate) {
            <nm-totals-picture [totals]="one" />
          } @placeholder {
            <p class="soft" role="status">Loading the picture …</p>
          }
        } @else if (one.lines.length > 0) {
          <div class="wide">
            <table class="cells">
              <thead>
                <tr>
                  <th scope="col">Size</th>
                  <th scope="col" class="bars">Wanted: certain, in doubt, and by the odds</th>
                  <th scope="col">Wanted</th>
                  <th scope="col">By the odds</th>
                  <th scope="col">Spares</th>
                  <th scope="col">In stock</th>
                  <th scope="col">On order</th>
                  <th scope="col">Short</th>
                </tr>
              </thead>
              <tbody>
                @for (line of one.lines; track line.label) {
                  <tr>
                    <th scope="row">{{ line.label }}</th>
                    <td>
                      <span
                        class="bar"
                        role="img"
                        [attr.aria-label]="line.certain + ' certain of ' + line.wanted"
                      >
                        <span class="sure" [style.width.%]="(100 * line.certain) / one.most"></span>
                        @if (line.wanted > line.certain) {
                          <span
                            class="doubt"
                            [style.left.%]="(100 * line.certain) / one.most"
                            [style.width.%]="(100 * (line.wanted - line.certain)) / one.most"
                          ></span>
                        }
                        <span class="odds" [style.left.%]="(100 * line.expected) / one.most"></span>
                      </span>
                    </td>
                    <td class="num">{{ line.wanted }}</td>
                    <td class="num">{{ line.expected.toFixed(1) }}</td>
                    <td>
                      <nz-input-number
                        class="spare"
                        nzSize="small"
                        [nmName]="'Spares of ' + one.name + ' ' + line.label"
                        [nzMin]="0"
                        [nzMax]="1000"
                        [ngModel]="line.spares"
                        (ngModelChange)="keepSpares(one.seriesId, line.label, $event)"
                      />
                    </td>
                    <td class="num">{{ line.there }}</td>
                    <td class="num">{{ line.coming }}</td>
                    <td class="num">
                      @if (line.short > 0) {
                        <b>{{ line.short }}</b>
                      } @else {
                        –
                      }
                    </td>
                  </tr>
                }
              </tbody>
            </table>
          </div>
        }
      </section>
    } @empty {
      <p class="note">Nobody here gets a garment: give the wearers a kit, then size again.</p>
    }
    @if (ordered()) {
      <p class="done" role="status">{{ ordered() }}</p>
    } @else if (may) {
      <nm-place-orders [wanted]="wanted()" (made)="made($event)" />
    }
  `,
  styles: `
    :host {
      gap: 12px;
      margin-top: 12px;
    }
    .bars {
      width: 40%;
      min-width: 180px;
    }
    .bar {
      display: block;
      position: relative;
      height: 20px;
      > span {
        position: absolute;
        top: 3px;
        height: 14px;
      }
    }
    .spare {
      width: 76px;
    }
    th[scope='row'] {
      white-space: nowrap;
    }
    .sure {
      background: var(--green);
    }
    .doubt {
      border: 2px solid var(--green);
    }
    .bar > .odds {
      top: 0;
      width: 3px;
      height: 20px;
      margin-left: -1px;
      background: var(--ink);
    }
  `,
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizeTotals {
  protected readonly store = inject(SizesStore);
  private readonly files = inject(ChartFiles);
  protected readonly counted = counted;
  /** Whose pick list there is. */
  readonly musterId = input<string | null>(null);
  protected readonly percent = signal(0);
  protected readonly least = signal(0);
  /** Of which sizes another number is kept, by series and label. */
  private readonly bySize = signal<ReadonlyMap<string, Readonly<Record<string, number>>>>(new Map());

  protected readonly totals = computed(() =>
    garmentTotals(this.store.view()!, this.store.rows(), {
      ...{ percent: this.percent() ?? 0, least: this.least() ?? 0 },
      bySize: this.bySize(),
    }),
  );
  protected readonly asPicture = signal(false);

  /** What is short, to be ordered. */
  protected readonly wanted = computed<readonly WantedLine[]>(() =>
    this.totals().flatMap(({ maker, seriesId, lines }) =>
      lines.map(({ label, short }) => ({ maker, seriesId, label, count: short })),
    ),
  );
  protected readonly may = inject(SessionService).may('keep-stock');
  protected readonly ordered = signal('');

  /** Keeps so many of one size in reserve, whatever the rule says. */
  protected keepSpares(seriesId: string, label: string, count: number | null): void {
    this.bySize.update((all) => new Map(all).set(seriesId, { ...all.get(seriesId), [label]: count ?? 0 }));
  }

  protected made(count: number): void {
    this.ordered.set(`${counted(count, 'order')} created. They wait under Stores, Orders, to be sent.`);
    // What was ordered is on order now, and not short any more.
    this.store.again();
  }

  /** Who is in no size of it, and why. */
  protected say({ served, without, unknown }: Totals): string {
    const parts = [
      ...(unknown > 0 ? [`${counted(unknown, 'wearer')} with something missing`] : []),
      ...(without > 0 ? [`${counted(without, 'wearer')} without a size`] : []),
      ...(served > 0 ? [`${counted(served, 'wearer')} already served`] : []),
    ];
    return parts.length === 0 ? '' : `Not counted: ${parts.join(', ')}.`;
  }

  protected async save(as: 'csv' | 'xlsx'): Promise<void> {
    const heading = [
      'garment',
      'size',
      'wanted',
      'certain',
      'by the odds',
      'spares',
      'in stock',
      'on order',
      'short',
    ];
    const rows = this.totals().flatMap(({ name, lines }) =>
      lines.map((line) => [
        ...[name, line.label, String(line.wanted), String(line.certain), line.expected.toFixed(2)],
        ...[line.spares, line.there, line.coming, line.short].map(String),
      ]),
    );
    const all = [heading, ...rows];
    if (as === 'csv') this.files.save(tableAsCsv(all), 'totals.csv', 'text/csv');
    else this.files.save(await this.files.writeTables([{ name: 'Totals', rows: all }]), 'totals.xlsx');
  }
}
