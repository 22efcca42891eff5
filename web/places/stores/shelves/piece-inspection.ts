import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import type { Inspection } from '@neat-measure/contract/stores';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { SessionService } from '../../../data/session-service';
import { today } from '../stores-account';

/** An inspection of one piece: what was found, and whether it passed. Nothing is kept before both are said. */
@Component({
  selector: 'nm-piece-inspection',
  imports: [NzButtonModule, NzInputModule],
  template: `
    <label class="field" for="found"
      >Inspection notes, today by {{ who() }}
      <input
        #said
        nz-input
        id="found"
        class="ample"
        maxlength="300"
        autocomplete="off"
        [value]="found()"
        (input)="found.set(said.value)"
    /></label>
    <button nz-button type="button" [disabled]="busy()" (click)="tell(true)">Passed</button>
    <button nz-button type="button" [disabled]="busy()" (click)="tell(false)">Failed</button>
    @if (fault()) {
      <p class="fault" role="alert">{{ fault() }}</p>
    }
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
export class PieceInspection {
  readonly serial = input.required<string>();
  readonly busy = input(false);
  readonly told = output<Inspection>();
  private readonly session = inject(SessionService);
  protected readonly who = () => this.session.fitter()?.name ?? '';
  protected readonly found = signal('');
  protected readonly fault = signal('');

  protected tell(passed: boolean): void {
    const note = this.found().trim() === '' ? null : this.found().trim();
    if (!passed && note === null)
      return this.fault.set(`Enter what was found on ${this.serial()}. A failed piece is blocked.`);
    this.told.emit({ day: today(), passed, note });
  }
}
