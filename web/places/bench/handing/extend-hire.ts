import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { HandingStore } from './handing-store';
import { DayWords } from '../../../parts/forms/day-words';

/** What is hired comes back on another day than was agreed. */
@Component({
  selector: 'nm-extend-hire',
  imports: [DayWords, NzButtonModule, NzInputModule],
  template: `
    <label class="field" for="extended"
      >Last day of hire
      <input
        #until
        nz-input
        id="extended"
        type="date"
        [value]="garment().handing?.until ?? ''"
        (keydown.enter)="extend(until.value); $event.preventDefault(); $event.stopPropagation()"
    /></label>
    <button nz-button nzType="primary" type="button" (click)="extend(until.value)">Save</button>
    <button nz-button nzType="text" type="button" (click)="left.emit()">Cancel</button>
  `,
  styles: `
    :host {
      display: flex;
      flex: 1 1 100%;
      flex-wrap: wrap;
      align-items: flex-end;
      gap: 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ExtendHire {
  private readonly handing = inject(HandingStore);
  readonly garment = input.required<ReturnType<HandingStore['garments']>[number]>();
  /** It comes back on that day, or as was agreed. */
  readonly left = output();

  protected extend(until: string): void {
    if (until !== '' && this.handing.extend(this.garment().id, until)) this.left.emit();
  }
}
