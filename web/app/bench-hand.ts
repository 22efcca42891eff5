import {
  ChangeDetectionStrategy,
  Component,
  inject,
  model,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Fitter } from '@neat-measure/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { SessionService } from '../data/session-service';

/** A shared bench changes hands: whoever takes it over says who they are by a short code. */
@Component({
  selector: 'nm-bench-hand',
  imports: [FormsModule, NzButtonModule, NzInputModule, NzRadioModule, NzModalModule],
  template: `
    @if (open()) {
      <nz-modal
        [nzVisible]="open()"
        nzTitle="Switch to which fitter?"
        [nzFooter]="null"
        [nzWidth]="420"
        (nzOnCancel)="open.set(false)"
        (nzAfterOpen)="ask()"
      >
        <form *nzModalContent (submit)="take(); $event.preventDefault()" aria-label="Switch fitter">
          @if (hands(); as all) {
            <nz-radio-group nzName="hand" [ngModel]="chosen()" (ngModelChange)="choose($event)">
              @for (one of all; track one.id) {
                <label nz-radio [nzValue]="one.id">{{ one.name }}</label>
              } @empty {
                <p>No fitter has a bench code yet. Set a code under your name.</p>
              }
            </nz-radio-group>
            @if (all.length > 0) {
              <label class="field"
                >Bench code
                <input
                  #code
                  nz-input
                  class="num"
                  type="password"
                  inputmode="numeric"
                  autocomplete="off"
                  maxlength="8"
                  required
              /></label>
            }
          }
          @if (trouble()) {
            <p class="fault" role="alert">{{ trouble() }}</p>
          }
          <div class="acts">
            @if (chosen()) {
              <button nz-button nzType="primary" type="submit">Switch</button>
            }
            @if (house(); as house) {
              <button nz-button type="button" (click)="giveBack()">Back to {{ house.name }}</button>
            }
          </div>
        </form>
      </nz-modal>
    }
  `,
  styles: `
    nz-radio-group {
      display: flex;
      flex-direction: column;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BenchHand {
  readonly open = model.required<boolean>();
  private readonly session = inject(SessionService);
  private readonly code = viewChild<ElementRef<HTMLInputElement>>('code');
  protected readonly hands = signal<readonly Fitter[] | null>(null);
  protected readonly chosen = signal('');
  protected readonly trouble = signal('');
  protected readonly house = () => this.session.fitter()?.house ?? null;

  /** Asked each time it is opened: somebody may have set a code meanwhile. */
  protected ask(): void {
    this.trouble.set('');
    this.session.hands().subscribe({
      next: (hands) => {
        const others = hands.filter(({ id }) => id !== this.session.fitter()?.id);
        this.hands.set(others);
        if (others.length === 1) this.choose(others[0]!.id);
      },
      error: this.fail,
    });
  }

  protected choose(id: string): void {
    this.chosen.set(id);
    this.trouble.set('');
    setTimeout(() => this.code()?.nativeElement.focus());
  }

  protected take(): void {
    const code = this.code()?.nativeElement;
    if (this.chosen() === '' || code === undefined) return;
    this.session.takeBench({ id: this.chosen(), code: code.value }).subscribe({
      next: () => this.open.set(false),
      error: (problem: Error) => {
        code.value = '';
        this.fail(problem);
      },
    });
  }

  protected giveBack(): void {
    this.session.giveBenchBack().subscribe({ next: () => this.open.set(false), error: this.fail });
  }

  private readonly fail = (problem: Error): void => this.trouble.set(problem.message);
}
