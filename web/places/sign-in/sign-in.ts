import {
  ChangeDetectionStrategy,
  Component,
  inject,
  input,
  signal,
  viewChild,
  afterNextRender,
  type ElementRef,
} from '@angular/core';
import { Router } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { TypeAhead } from '../../data/type-ahead';
import { SessionService } from '../../data/session-service';

/** Signing in. */
@Component({
  selector: 'nm-sign-in',
  imports: [NzButtonModule, NzInputModule],
  template: `
    <form (submit)="signIn(name.value, passphrase.value); $event.preventDefault()">
      <h1>Sign in</h1>
      <p>Every reading and every decision is kept with the fitter who made it.</p>
      <label>Sign-in name <input #name nz-input name="username" autocomplete="username" required /></label>
      <label
        >Passphrase
        <input #passphrase nz-input name="password" type="password" autocomplete="current-password" required
      /></label>
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
      <button nz-button nzType="primary" type="submit" [disabled]="busy()">Sign in</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-direction: column;
      gap: 16px;
      width: min(400px, 100%);
      margin: 8vh auto 0;
      padding: 28px 30px 32px;
      border: 1px solid var(--line);
      border-top: 6px solid var(--ink);
      background: var(--paper);
    }
    h1 {
      font-size: 34px;
      font-weight: 720;
      line-height: 1.15;
    }
    p {
      color: var(--soft);
    }
    label {
      display: flex;
      flex-direction: column;
      gap: 4px;
      font-weight: 600;
    }
    .fault {
      color: var(--ink);
    }
  `,
  host: { '(document:keydown)': 'onKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignIn {
  /** Where the fitter wanted to go. */
  readonly to = input('/bench');
  private readonly session = inject(SessionService);
  private readonly router = inject(Router);
  private readonly name = viewChild.required<ElementRef<HTMLInputElement>>('name');
  protected readonly fault = signal('');
  private readonly ahead = inject(TypeAhead);
  protected readonly busy = signal(false);

  constructor() {
    // There is nothing else to do here, so typing may start at once.
    afterNextRender(() => this.name().nativeElement.focus());
  }

  protected signIn(signIn: string, passphrase: string): void {
    if (signIn.trim() === '' || passphrase === '')
      return this.fault.set('Write your sign-in name and your passphrase.');
    this.busy.set(true);
    this.fault.set('');
    this.session.signIn({ signIn, passphrase }).subscribe({
      // Only a path of this application; never to another site. Until it is there, this page stays busy.
      next: () => void this.router.navigateByUrl(/^\/(?!\/)/.test(this.to()) ? this.to() : '/bench'),
      error: (problem: Error) => {
        this.ahead.take();
        this.busy.set(false);
        this.fault.set(problem.message);
      },
    });
  }

  /** What is typed while signing in is under way is meant for the place behind it. */
  protected onKey(event: KeyboardEvent): void {
    if (this.busy() && this.ahead.keep(event)) event.preventDefault();
  }
}
