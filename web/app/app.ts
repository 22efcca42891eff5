import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { WORKING_UNITS, type WorkingUnit } from '@neat-measure/core';
import { ReadingOutbox } from '../data/reading-outbox';
import { SessionService } from '../data/session-service';
import { UnitService } from '../data/unit-service';
import { ShortcutList } from '../parts/shortcuts/shortcut-list';

/** The frame: the five places, the unit, and who is fitting. */
@Component({
  selector: 'nm-app',
  imports: [RouterOutlet, RouterLink, RouterLinkActive, ShortcutList],
  templateUrl: './app.html',
  styleUrl: './app.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  private readonly session = inject(SessionService);
  private readonly router = inject(Router);
  private readonly outbox = inject(ReadingOutbox);
  protected readonly units = inject(UnitService);

  protected readonly places = [
    { path: '/bench', name: 'Bench' },
    { path: '/roll', name: 'Roll' },
    { path: '/charts', name: 'Charts' },
    { path: '/stores', name: 'Stores' },
    { path: '/log', name: 'Log' },
  ];
  protected readonly fitter = this.session.fitter;
  protected readonly workingUnits: readonly WorkingUnit[] = WORKING_UNITS;
  protected readonly failed = signal('');
  protected readonly waiting = computed(() => {
    const unsent = this.outbox.unsent();
    if (unsent === 0 || this.outbox.trouble() === null) return '';
    return `${unsent} ${unsent === 1 ? 'reading waits' : 'readings wait'} for the network; kept on this device.`;
  });

  protected signOut(): void {
    this.session.signOut().subscribe({
      next: () => void this.router.navigateByUrl('/sign-in'),
      error: (problem: Error) => this.failed.set(problem.message),
    });
  }
}
