import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { TryingStore } from './trying-store';

/** A size that was to be put on is on no shelf: what is, or that it is here all the same. */
@Component({
  selector: 'nm-not-there',
  imports: [NzButtonModule],
  template: `
    @if (trying.missing(); as none) {
      <div class="note" role="alert">
        <p>None of {{ none.label }} is in stock to try on.</p>
        <span class="row under">
          @for (one of none.near; track one.label) {
            <button nz-button type="button" (click)="trying.wear(one.sizes, none.carrier)">
              Put on {{ one.label }} ({{ one.count }} in stock)
            </button>
          }
          <button nz-button type="button" (click)="trying.isHere()">
            <kbd>Y</kbd> {{ none.label.length > 8 ? 'It' : none.label }} is here anyway
          </button>
        </span>
      </div>
    }
  `,
  styles: `
    kbd {
      margin-right: 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NotThere {
  protected readonly trying = inject(TryingStore);
}
