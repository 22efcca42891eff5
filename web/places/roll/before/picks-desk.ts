import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { musterParcelsPath } from '@neat-measure/contract';
import type { Picks } from '@neat-measure/contract/musters';
import { counted } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { finalize } from 'rxjs';
import { Fetched } from '../../../data/fetched';
import { MusterService } from '../../../data/musters/muster-service';
import { MusterStore } from '../../../data/musters/muster-store';
import { SessionService } from '../../../data/session-service';
import { Fetching } from '../../../parts/fetching/fetching';

/** What is fetched from the shelves for those who are decided, and reserved under their names. */
@Component({
  selector: 'nm-picks-desk',
  imports: [Fetching, NzButtonModule],
  template: `
    <nm-fetching [of]="picks" words="Loading pick list" />
    @if (failed()) {
      <p class="fault" role="alert">{{ failed() }}</p>
    }
    @if (told()) {
      <p class="done" role="status">{{ told() }}</p>
    }
    @if (picks.value(); as list) {
      @if (
        count() === 0 && list.short.length === 0 && list.numbered.length === 0 && list.ready.length === 0
      ) {
        <p class="note">Nothing to fetch: no size is decided that the wearer does not have yet.</p>
      }
      @for (one of list.rooms; track one.roomId) {
        <section>
          <h2 class="title">{{ one.room }}</h2>
          <ul class="rows">
            @for (line of one.lines; track line.garment + line.label) {
              <li class="line">
                @if (shelved(one.lines)) {
                  <span class="bin">{{ line.bin }}</span>
                }
                <b class="num count">{{ line.for.length }} ×</b>
                <span class="what"
                  ><b>{{ line.garment }} {{ line.label }}</b>
                  <small class="soft">{{ names(line.for) }}</small></span
                >
              </li>
            }
          </ul>
        </section>
      }
      @if (count() > 0 || list.ready.length > 0) {
        <div class="acts">
          @if (may && count() > 0) {
            <button nz-button nzType="primary" type="button" [disabled]="busy()" (click)="reserve()">
              Reserve {{ counted(count(), 'garment') }}
            </button>
          }
          @if (list.ready.length > 0) {
            <a nz-button [href]="parcels" target="_blank" rel="noopener">Labels to print</a>
          }
        </div>
      }
      @if (list.numbered.length > 0) {
        <section>
          <h2 class="title">Choose a piece by its number</h2>
          <ul class="rows">
            @for (one of list.numbered; track one.docketId + one.chartId) {
              <li class="line">
                <span class="what"
                  ><b>{{ one.garment }} {{ one.label }}</b> {{ one.wearer }}</span
                >
                <span class="soft">docket {{ one.docketNumber }}</span>
              </li>
            }
          </ul>
        </section>
      }
      @if (list.short.length > 0) {
        <section>
          <h2 class="title">Not in stock</h2>
          <ul class="rows">
            @for (one of list.short; track one.docketId + one.chartId) {
              <li class="line">
                <span class="what"
                  ><b>{{ one.garment }} {{ one.label }}</b> {{ one.wearer }}</span
                >
                <span class="soft">{{ one.coming > 0 ? one.coming + ' coming' : 'none coming' }}</span>
              </li>
            }
          </ul>
        </section>
      }
      @if (list.ready.length > 0) {
        <section>
          <h2 class="title">Ready to hand over</h2>
          <ul class="rows">
            @for (one of list.ready; track one.wearerId) {
              <li class="line">
                <span class="what"
                  ><b>{{ one.wearer }}</b> docket {{ one.docketNumber }}</span
                >
                <span class="soft">{{ ready(one) }}</span>
              </li>
            }
          </ul>
        </section>
      }
    }
  `,
  styles: `
    :host {
      gap: 12px;
      margin-top: 14px;
    }
    .count {
      width: 60px;
    }
    .bin {
      width: 90px;
      overflow-wrap: anywhere;
    }
    .what small {
      display: block;
      font-weight: 400;
    }
  `,
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PicksDesk {
  private readonly service = inject(MusterService);
  /** The muster is open before this is. */
  private readonly musterId = inject(MusterStore).muster()!.id;
  protected readonly may = inject(SessionService).may('keep-stock');
  protected readonly counted = counted;
  protected readonly picks = new Fetched<Picks>(() => this.service.picks(this.musterId));
  protected readonly parcels = musterParcelsPath(this.musterId);
  protected readonly busy = signal(false);
  protected readonly failed = signal('');
  protected readonly told = signal('');
  protected readonly count = computed(() =>
    (this.picks.value()?.rooms ?? [])
      .flatMap(({ lines }) => lines)
      .reduce((sum, line) => sum + line.for.length, 0),
  );

  /** Whether any of it stands on a shelf that has a name. */
  protected shelved(lines: Picks['rooms'][number]['lines']): boolean {
    return lines.some(({ bin }) => bin !== null);
  }

  protected names(picks: readonly { readonly wearer: string }[]): string {
    return picks.map(({ wearer }) => wearer).join(', ');
  }

  protected ready({ reserved, waits }: Picks['ready'][number]): string {
    return waits === 0
      ? `${counted(reserved, 'garment')}, complete`
      : `${reserved} reserved, ${waits} missing`;
  }

  protected reserve(): void {
    if (this.busy()) return;
    this.busy.set(true);
    this.failed.set('');
    this.service
      .reservePicks(this.musterId)
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: ({ reserved }) => {
          this.told.set(`${counted(reserved, 'garment')} reserved. Print the labels and fetch the garments.`);
          this.picks.again();
        },
        error: (problem: Error) => {
          this.failed.set(problem.message);
          this.picks.again();
        },
      });
  }
}
