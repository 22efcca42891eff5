import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MOST_DECIDED, type DecidedMany } from '@neat-measure/contract/musters';
import { counted } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize, type Observable } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { SizesStore } from '../../../data/musters/sizes-store';
import { SizingService } from '../../../data/musters/sizing-service';
import { SessionService } from '../../../data/session-service';
import { ControlName } from '../../../parts/forms/control-name';

/** One garment decided alike for everybody who is shown: a decision on each docket, taken back together. */
@Component({
  selector: 'nm-decide-many',
  imports: [ControlName, FormsModule, NzButtonModule, NzInputModule, NzSelectModule],
  template: `
    @if (garment(); as one) {
      <h2 class="title">Decide {{ one.garment }}</h2>
      @if (waiting() > 0 && came() === null) {
        <p class="soft">
          {{ counted(waiting(), 'wearer') }} of those shown {{ waiting() === 1 ? 'is' : 'are' }} left out: no
          docket is open, it is decided already, or there are more than {{ most }}.
        </p>
      }
      @if (one.protects) {
        <p class="note">
          <b>Protective wear.</b> Follow the maker’s instructions and trained local practice, and check each
          garment on its wearer.
        </p>
      }
      @if (trouble()) {
        <p class="fault" role="alert">{{ trouble() }}</p>
      }
      @if (came(); as told) {
        <p class="done" role="status">
          {{ undone() ? 'Undone' : 'Decided' }}: {{ told.done }}.
          @if (!undone() && told.done > 0) {
            <button nz-button nzType="link" type="button" [disabled]="busy()" (click)="undo()">Undo</button>
          }
        </p>
        @if (told.left.length > 0) {
          <ul class="rows">
            @for (left of told.left; track left.docketId) {
              <li class="line">
                <span class="what"
                  ><b>{{ nameOn(left.docketId) }}</b> {{ left.why }}</span
                >
              </li>
            }
          </ul>
        }
      }
      @if (deciding().length > 0 && came() === null) {
        <div class="row">
          <nz-select
            nmName="Size for all"
            class="ample"
            [nzOptions]="sizes()"
            [ngModel]="label()"
            (ngModelChange)="label.set($event)"
          />
          <input
            #why
            nz-input
            class="ample"
            type="text"
            maxlength="300"
            autocomplete="off"
            aria-label="Reason"
            [placeholder]="label() === '' ? 'reason (optional)' : 'reason'"
            [value]="reason()"
            (input)="reason.set(why.value)"
          />
          <button
            nz-button
            nzType="primary"
            type="button"
            [disabled]="busy() || (label() !== '' && reason().trim() === '')"
            (click)="decide()"
          >
            Decide for {{ counted(deciding().length, 'wearer') }}
          </button>
        </div>
      }
      <p class="acts">
        <button nz-button nzType="text" type="button" (click)="left.emit()">Close</button>
      </p>
    }
  `,
  styles: `
    :host {
      padding: 14px 18px;
    }
  `,
  host: { class: 'stack panel', role: 'region', 'aria-label': 'Decide for many' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DecideMany {
  private readonly store = inject(SizesStore);
  private readonly service = inject(SizingService);
  private readonly session = inject(SessionService);
  readonly left = output<void>();
  protected readonly counted = counted;
  protected readonly most = MOST_DECIDED;
  /** The size for all; empty for each one’s own proposal. */
  protected readonly label = signal('');
  protected readonly reason = signal('');
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  protected readonly came = signal<DecidedMany | null>(null);
  protected readonly undone = signal(false);
  private decisionId = uuidv7();
  private readonly sizingId = this.store.view()!.progress.id;
  /** Whatever is sized anew meanwhile, it is about this garment. */
  private readonly chartId = this.store.sizing()!.garments[this.store.filter().garment!]!.chartId;
  private readonly at = computed(() =>
    this.store.sizing()!.garments.findIndex(({ chartId }) => chartId === this.chartId),
  );
  protected readonly garment = computed(() => this.store.sizing()!.garments[this.at()]);
  /** The dockets of those who are shown, where something is open to be decided. */
  protected readonly deciding = computed(() => {
    const { docketIds, acts } = this.store.sizing()!;
    if (this.at() < 0) return [];
    return this.store
      .rows()
      .filter((row) => acts[row]! > 0 && this.store.cell(this.at(), row)?.stands === 'open')
      .slice(0, MOST_DECIDED)
      .map((row) => docketIds[row]!);
  });
  protected readonly waiting = computed(() => this.store.rows().length - this.deciding().length);
  protected readonly sizes = computed(() => [
    { value: '', label: 'each one’s proposal' },
    ...(this.garment()?.labels ?? []).map((label) => ({ value: label, label })),
  ]);

  protected nameOn(docketId: string): string {
    return this.store.nameAt(this.store.sizing()!.docketIds.indexOf(docketId));
  }

  protected decide(): void {
    const reason = this.reason().trim();
    this.send(
      this.service.decide(this.sizingId, {
        id: this.decisionId,
        chartId: this.chartId,
        label: this.label() === '' ? null : this.label(),
        reason: reason === '' ? null : reason,
        docketIds: this.deciding(),
      }),
    );
  }

  protected undo(): void {
    this.send(this.service.undoDecision(this.sizingId, this.decisionId), () => {
      this.undone.set(true);
      this.decisionId = uuidv7();
    });
  }

  private send(answer: Observable<DecidedMany>, then: () => void = () => undefined): void {
    this.busy.set(true);
    this.trouble.set('');
    answer.pipe(finalize(() => this.busy.set(false))).subscribe({
      next: (told) => {
        this.came.set(told);
        then();
        // What is shown is of before.
        if (told.done > 0 && this.session.may('lead-muster')) this.store.size();
      },
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }
}
