import { ChangeDetectionStrategy, Component, DestroyRef, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { interval } from 'rxjs';
import { Journal } from '../../data/journal/journal';
import { SessionService } from '../../data/session-service';

/** How often it is looked whether the server is back. */
const AGAIN_MS = 3_000;

/** What stands there while the server, or its database, does not answer: nothing is lost, and it goes on by itself. */
@Component({
  selector: 'nm-away',
  imports: [NzButtonModule],
  template: `
    <section class="page">
      <h1>The server does not answer</h1>
      <p role="status">{{ trouble() || 'Trying again every few seconds.' }}</p>
      <p>
        @if (journal.stored() > 0) {
          {{ journal.stored() }} {{ journal.stored() === 1 ? 'change' : 'changes' }} saved on this device.
          They are sent when the server is back.
        } @else {
          No unsent changes on this device.
        }
        Leave this page open: it continues automatically.
      </p>
      <p class="acts">
        <button nz-button nzType="primary" type="button" (click)="again()">Try again</button>
      </p>
    </section>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Away {
  /** Where the fitter wanted to go. */
  readonly to = input('/bench');
  protected readonly journal = inject(Journal);
  private readonly session = inject(SessionService);
  private readonly router = inject(Router);
  protected readonly trouble = signal('');

  constructor() {
    interval(AGAIN_MS)
      .pipe(takeUntilDestroyed(inject(DestroyRef)))
      .subscribe(() => this.again());
  }

  protected again(): void {
    this.session.ask().subscribe({
      next: () => void this.router.navigateByUrl(/^\/(?!\/)/.test(this.to()) ? this.to() : '/bench'),
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }
}
