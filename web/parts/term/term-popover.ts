import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { NzPopoverModule } from 'ng-zorro-antd/popover';
import type { TermCode } from '@neat-measure/core/terms';
import { TermCard } from './term-card';

/** The card of a term, beneath the word it is asked from. It comes only once somebody asks. */
@Component({
  selector: 'nm-term-popover',
  imports: [NzPopoverModule, TermCard],
  template: `
    <span
      nz-popover
      [nzPopoverTrigger]="null"
      nzPopoverPlacement="bottomLeft"
      [nzPopoverContent]="card"
      [nzPopoverVisible]="open()"
    ></span>
    <ng-template #card><nm-term-card role="note" [of]="of()" /></ng-template>
  `,
  styles: `
    span {
      position: absolute;
      inset: auto auto 0 0;
      width: 40px;
      height: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TermPopover {
  readonly of = input.required<TermCode>();
  readonly open = input.required<boolean>();
}
