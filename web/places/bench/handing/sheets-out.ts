import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { labelsPath, orderFormPath, sizesSheetPath } from '@neat-measure/contract';
import { garmentKind } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { DocketService } from '../../../data/docket-service';
import { SendingId } from '../../../data/sending-id';
import { DocketStore } from '../docket-store';
import { HandingStore } from './handing-store';

/** The sheets of a docket: printed, or laid into the outbox for somebody. */
@Component({
  selector: 'nm-sheets-out',
  imports: [NzButtonModule, NzInputModule],
  template: `
    <details>
      <summary>Print or send</summary>
      <p class="row">
        <a nz-button [href]="sizes()" target="_blank" rel="noopener"><kbd>P</kbd> Sizes</a>
        <a nz-button [href]="labels()" target="_blank" rel="noopener">Labels</a>
        @for (one of ordered(); track one.id) {
          <a nz-button [href]="orderOf(one.id)" target="_blank" rel="noopener">Order form: {{ one.name }}</a>
        }
      </p>
      <div class="row posting">
        <div class="field">
          <label for="to">Send to</label>
          <input
            #address
            nz-input
            id="to"
            class="ample"
            type="email"
            maxlength="200"
            autocomplete="off"
            [value]="to()"
            (input)="to.set(address.value)"
          />
        </div>
        <button nz-button type="button" (click)="post('sizes')">Send sizes</button>
        @for (one of ordered(); track one.id) {
          <button nz-button type="button" (click)="post('order', one.id)">Send order: {{ one.name }}</button>
        }
      </div>
      @if (posted()) {
        <p class="note good" role="status">{{ posted() }}</p>
      }
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
    </details>
  `,
  styles: `
    kbd {
      margin-right: 6px;
    }
    .posting {
      align-items: flex-end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SheetsOut {
  private readonly store = inject(DocketStore);
  private readonly handing = inject(HandingStore);
  private readonly dockets = inject(DocketService);

  private readonly docketId = computed(() => this.store.docket()?.id ?? '');
  readonly sizes = computed(() => sizesSheetPath(this.docketId()));
  protected readonly labels = computed(() => labelsPath(this.docketId()));
  protected readonly orderOf = (chartId: string) => orderFormPath(this.docketId(), chartId);
  /** Those a maker is sent a form for: made to measure, and vests. */
  protected readonly ordered = computed(() =>
    this.handing
      .garments()
      .filter(({ stage, kind }) => stage === 'made-to-measure' || garmentKind(kind).protects),
  );

  protected readonly to = signal('');
  protected readonly posted = signal('');
  protected readonly fault = signal('');
  /** Trying again after a failure posts no second letter. */
  private readonly letter = new SendingId();

  protected post(sheet: 'sizes' | 'labels' | 'order', chartId: string | null = null): void {
    this.fault.set('');
    this.posted.set('');
    this.dockets
      .post(this.docketId(), this.letter.value, { sheet, chartId, to: this.to().trim() })
      .subscribe({
        next: ({ file }) => {
          this.letter.done();
          this.posted.set(`Saved in the outbox as ${file}. Nothing has left this machine.`);
        },
        error: (problem: Error) => {
          this.letter.failed(problem);
          this.fault.set(problem.message);
        },
      });
  }
}
