import {
  ChangeDetectionStrategy,
  Component,
  inject,
  output,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Fitter } from '@neat-measure/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { SessionService } from '../data/session-service';

/** A shared bench changes hands: whoever takes it over says who they are by a short code. */
@Component({
  selector: 'nm-bench-hand',
  imports: [FormsModule, NzButtonModule, NzInputModule],
  template: `
    <form (submit)="take(); $event.preventDefault()" aria-label="Take the bench over">
      @if (hands(); as all) {
        <fieldset>
          <legend>Who takes the bench over?</legend>
          @for (one of all; track one.id) {
            <label
              ><input
                type="radio"
                name="hand"
                [value]="one.id"
                [checked]="one.id === chosen()"
                (change)="choose(one.id)"
              />
              {{ one.name }}</label
            >
          } @empty {
            <p>Nobody has a bench code yet. Set one under your name.</p>
          }
        </fieldset>
        @if (all.length > 0) {
          <label class="code"
            >Their code
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
      <div class="row">
        @if (chosen()) {
          <button nz-button nzType="primary" type="submit">Take it over</button>
        }
        @if (house(); as house) {
          <button nz-button type="button" (click)="giveBack()">Back to {{ house.name }}</button>
        }
        <button type="button" class="more" (click)="closed.emit()">Close</button>
      </div>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-direction: column;
      gap: 12px;
      padding: 18px 20px;
      border: 1px solid var(--line-strong);
      border-top: 5px solid var(--green);
      background: var(--paper);
    }
    fieldset {
      display: flex;
      flex-direction: column;
      margin: 0;
      padding: 0;
      border: 0;
    }
    legend {
      padding: 0;
      font-weight: 700;
    }
    label {
      display: flex;
      align-items: center;
      gap: 10px;
      min-height: var(--target);
    }
    .code {
      flex-direction: column;
      align-items: stretch;
      gap: 3px;
      font-weight: 600;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BenchHand {
  readonly closed = output();
  private readonly session = inject(SessionService);
  private readonly code = viewChild<ElementRef<HTMLInputElement>>('code');
  protected readonly hands = signal<readonly Fitter[] | null>(null);
  protected readonly chosen = signal('');
  protected readonly trouble = signal('');
  protected readonly house = () => this.session.fitter()?.house ?? null;

  constructor() {
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
      next: () => this.closed.emit(),
      error: (problem: Error) => {
        code.value = '';
        this.fail(problem);
      },
    });
  }

  protected giveBack(): void {
    this.session.giveBenchBack().subscribe({ next: () => this.closed.emit(), error: this.fail });
  }

  private readonly fail = (problem: Error): void => this.trouble.set(problem.message);
}
