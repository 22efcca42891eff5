import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { reservedLabelsPath, type Reservation } from '@neat-measure/contract/stores';
import { dayOf } from '@neat-measure/core/stock';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { finalize, forkJoin, type Observable } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Fetched } from '../../../data/fetched';
import { SessionService } from '../../../data/session-service';
import { StoresService } from '../../../data/stores-service';
import { EmptyState } from '../../../parts/empty-state/empty-state';
import { Fetching } from '../../../parts/fetching/fetching';
import { sayDay, StoresAccount } from '../stores-account';

/** What is kept for one docket. */
interface Whose {
  readonly docketId: string;
  readonly docketNumber: number | null;
  readonly wearer: string;
  readonly kept: readonly Reservation[];
  /** Those whose wearer waits for them still. */
  readonly toCall: readonly Reservation[];
  readonly says: string;
}

/** What came in for somebody and is kept for them: whose it is, who was told, and what nobody waits for any more. */
@Component({
  selector: 'nm-reserved-desk',
  imports: [EmptyState, Fetching, NzButtonModule, RouterLink],
  template: `
    <h2 class="title">Reserved</h2>
    @if (trouble()) {
      <p class="fault" role="alert">{{ trouble() }}</p>
    }
    <nm-fetching [of]="fetched" words="Loading reserved garments" />
    @for (one of whose(); track one.docketId) {
      <section class="panel" [attr.aria-label]="one.wearer">
        <header class="split">
          <h3>
            {{ one.wearer }}
            @if (one.docketNumber !== null) {
              <a [routerLink]="['/bench', one.docketId]" [queryParams]="{ hand: 1 }"
                >Hand over docket {{ one.docketNumber }}</a
              >
            }
          </h3>
          <span class="row">
            <a nz-button nzType="link" [href]="labels(one.docketId)" target="_blank" rel="noopener"
              >Labels to print</a
            >
            @if (may && one.toCall.length > 0) {
              <button nz-button nzType="primary" type="button" [disabled]="busy()" (click)="called(one)">
                Mark as notified
              </button>
            }
          </span>
        </header>
        <p [class.soft]="one.toCall.length === 0">{{ one.says }}</p>
        <ul class="rows">
          @for (kept of one.kept; track kept.id) {
            <li class="line">
              <span class="what"
                ><b>{{ kept.garment }}, {{ kept.label }}</b>
                <small class="soft">
                  {{ kept.serial }} {{ kept.room }}, since {{ day(kept.since) }}
                  @if (kept.called; as told) {
                    · notified by {{ told.by }} on {{ day(told.at) }}
                  }
                </small>
                @if (kept.astray; as astray) {
                  <span class="beyond">{{ astrays[astray] }}</span>
                }
              </span>
              @if (may) {
                @if (kept.called) {
                  <button nz-button nzType="link" type="button" [disabled]="busy()" (click)="untold(kept)">
                    Not notified yet
                  </button>
                }
                <button nz-button type="button" [disabled]="busy()" (click)="back(kept)">
                  Return to shelf
                </button>
              }
            </li>
          }
        </ul>
      </section>
    }
    @if (fetched.value()?.length === 0) {
      <nm-empty-state title="Nothing reserved">
        Garments ordered for a docket are reserved when they arrive. At Handing over, garments in stock can be
        reserved for a wearer who collects later.
      </nm-empty-state>
    }
  `,
  styles: `
    .panel {
      padding: 12px 18px;
      margin-top: 12px;
    }
    h3 a {
      margin-left: 8px;
      font-weight: 400;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReservedDesk {
  private readonly service = inject(StoresService);
  private readonly account = inject(StoresAccount);
  protected readonly may = inject(SessionService).may('keep-stock');
  protected readonly fetched = new Fetched<readonly Reservation[]>(() => this.service.reservations());
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);
  protected readonly labels = reservedLabelsPath;
  protected readonly astrays = ASTRAY_WORDS;
  protected readonly day = (moment: string) => sayDay(dayOf(new Date(moment)));

  /** By docket, whoever is to be told first. */
  protected readonly whose = computed((): Whose[] => {
    const all = this.fetched.value() ?? [];
    const dockets = [...new Set(all.map(({ docketId }) => docketId))];
    return dockets
      .map((docketId) => {
        const kept = all.filter((one) => one.docketId === docketId);
        const { docketNumber, wearer, toCome } = kept[0]!;
        const here = kept.filter(({ astray }) => astray === null);
        const toCall = here.filter(({ called }) => called === null);
        const name = wearer ?? 'Erased wearer';
        return { docketId, docketNumber, wearer: name, kept, toCall, says: sayWhose(here, toCall, toCome) };
      })
      .sort((a, b) => Number(b.toCall.length > 0) - Number(a.toCall.length > 0));
  });

  constructor() {
    this.account.whenTurned(() => this.fetched.again());
  }

  protected called({ toCall }: Whose): void {
    this.run(forkJoin(toCall.map(({ id }) => this.service.called(id, true))));
  }

  protected untold({ id }: Reservation): void {
    this.run(this.service.called(id, false));
  }

  protected back({ id }: Reservation): void {
    this.run(this.service.putBack(id, uuidv7()));
  }

  private run(doing: Observable<unknown>): void {
    this.busy.set(true);
    this.trouble.set('');
    doing
      .pipe(
        finalize(() => {
          this.busy.set(false);
          this.fetched.again();
          this.account.changed();
        }),
      )
      .subscribe({ error: (problem: Error) => this.trouble.set(problem.message) });
  }
}

const ASTRAY_WORDS: Readonly<Record<NonNullable<Reservation['astray']>, string>> = {
  'docket-gone': 'The docket is deleted. Return the garment to the shelf.',
  'other-size': 'The wearer has another size now. Return the garment to the shelf.',
  'has-theirs': 'The wearer already has this garment. Return it to the shelf.',
};

/** What has come for a docket, and whether its wearer is to be told. */
function sayWhose(here: readonly Reservation[], toCall: readonly Reservation[], toCome: number): string {
  if (here.length === 0) return 'None of these garments is needed any more.';
  const come = `${here.length} ${here.length === 1 ? 'garment has' : 'garments have'} arrived`;
  const rest = toCome === 0 ? 'nothing more is on order' : `${toCome} still on order`;
  return `${come}, ${rest}. ${toCall.length === 0 ? 'Wearer notified.' : 'Notify the wearer.'}`;
}
