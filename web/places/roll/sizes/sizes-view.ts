import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import type { SizingWanted } from '@neat-measure/contract/musters';
import { counted } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzProgressModule } from 'ng-zorro-antd/progress';
import { SizesStore } from '../../../data/musters/sizes-store';
import { SessionService } from '../../../data/session-service';
import { EmptyState } from '../../../parts/empty-state/empty-state';
import { sayMoment } from '../../house/say-role';
import { SizeChanges } from './size-changes';
import { SizePlacing } from './size-placing';
import { SizeTable } from './size-table';
import { SizeTotals } from './size-totals';

/** A muster or a group sized at once: everybody in one table, how many of each size it takes, placed by stock, and what has changed. */
@Component({
  selector: 'nm-sizes-view',
  imports: [
    EmptyState,
    NzButtonModule,
    NzProgressModule,
    RouterLink,
    SizeChanges,
    SizePlacing,
    SizeTable,
    SizeTotals,
  ],
  template: `
    <header class="split">
      <div>
        <h1>{{ name() }}: sizes</h1>
        @if (store.view(); as view) {
          <p class="soft">
            As of {{ sayMoment(view.progress.madeAt) }}, by {{ view.progress.by }} ·
            {{ counted(store.count(), 'wearer') }}
          </p>
        }
      </div>
      <div class="row">
        @if (leads() && store.view() !== null && store.running() === null) {
          <button nz-button type="button" (click)="store.size()">Size again</button>
        }
        <a nz-button [routerLink]="back()">{{ of() === 'muster' ? 'Back to the muster' : 'Back to Roll' }}</a>
      </div>
    </header>
    @if (store.trouble(); as trouble) {
      <p class="fault" role="alert">
        {{ trouble }}
        <button nz-button nzType="link" type="button" (click)="again()">Try again</button>
      </p>
    }
    @if (store.running(); as progress) {
      <div class="note row" role="status">
        <span>Working out sizes …</span>
        <nz-progress class="ample" [nzPercent]="percent()" [nzShowInfo]="false" aria-hidden="true" />
        <span class="num">{{ percent() }} %</span>
        @if (leads()) {
          <button nz-button type="button" (click)="store.cancel()">Cancel</button>
        }
      </div>
    }
    @if (store.view() !== null) {
      <div class="row under" role="group" aria-label="Sizes">
        @for (tab of tabs(); track tab.id) {
          <button
            nz-button
            type="button"
            [nzType]="shown() === tab.id ? 'primary' : 'default'"
            [attr.aria-pressed]="shown() === tab.id"
            (click)="shown.set(tab.id)"
          >
            {{ tab.name }}
          </button>
        }
      </div>
      @switch (shown()) {
        @case ('table') {
          <nm-size-table />
        }
        @case ('totals') {
          <nm-size-totals [musterId]="of() === 'muster' ? subjectId() : null" />
        }
        @case ('placing') {
          <nm-size-placing />
        }
        @case ('changes') {
          <nm-size-changes />
        }
      }
    } @else if (store.list() === null) {
      @if (store.trouble() === '') {
        <p class="soft" role="status">Loading sizes …</p>
      }
    } @else if (store.running() === null) {
      @if (people() === 0) {
        <nm-empty-state [title]="of() === 'muster' ? 'Nobody is on this muster' : 'Nobody is in this group'"
          >Add wearers first, then size them.</nm-empty-state
        >
      } @else if (leads()) {
        <nm-empty-state title="Not sized yet"
          >Everybody gets a size from what is on record so far. Nothing is decided by it.</nm-empty-state
        >
        <p class="acts middle">
          <button nz-button nzType="primary" type="button" (click)="store.size()">
            Size {{ counted(people(), 'wearer') }}
          </button>
        </p>
      } @else {
        <nm-empty-state title="Not sized yet">A lead fitter sizes the list.</nm-empty-state>
      }
    }
  `,
  styles: `
    .middle {
      justify-content: center;
    }
  `,
  providers: [SizesStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizesView {
  readonly of = input.required<SizingWanted['of']>();
  readonly subjectId = input.required<string>();
  readonly name = input.required<string>();
  /** How many wearers there are to be sized. */
  readonly people = input.required<number>();
  protected readonly store = inject(SizesStore);
  private readonly session = inject(SessionService);
  protected readonly back = computed(() =>
    this.of() === 'muster' ? ['/roll', this.subjectId()] : ['/roll'],
  );
  protected readonly leads = computed(() => this.session.may('lead-muster'));
  protected readonly counted = counted;
  protected readonly sayMoment = sayMoment;
  protected readonly shown = signal<'table' | 'totals' | 'placing' | 'changes'>('table');
  protected readonly tabs = computed(() => [
    { id: 'table' as const, name: 'Table' },
    { id: 'totals' as const, name: 'Totals' },
    { id: 'placing' as const, name: 'By stock' },
    ...(this.store.earlier() === null ? [] : [{ id: 'changes' as const, name: 'Changes' }]),
  ]);
  protected readonly percent = computed(() => {
    const { done, steps } = this.store.running() ?? { done: 0, steps: 1 };
    return Math.floor((100 * done) / Math.max(1, steps));
  });

  constructor() {
    effect(() => {
      const [of, id] = [this.of(), this.subjectId()];
      untracked(() => this.store.open(id, of));
    });
  }

  protected again(): void {
    this.store.trouble.set('');
    this.store.open(this.subjectId(), this.of());
  }
}
