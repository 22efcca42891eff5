import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { readAct, sayAct, WORKING_UNITS, type WorkingUnit } from '@neat-measure/core';
import { Journal } from '../data/journal/journal';
import { SessionService } from '../data/session-service';
import { UnitService } from '../data/unit-service';
import { BenchHand } from './bench-hand';
import { ShortcutList } from '../parts/shortcuts/shortcut-list';

/** The frame: the five places, the unit, and who is fitting. */
@Component({
  selector: 'nm-app',
  imports: [RouterOutlet, RouterLink, RouterLinkActive, ShortcutList, BenchHand],
  templateUrl: './app.html',
  styleUrl: './app.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  private readonly session = inject(SessionService);
  private readonly router = inject(Router);
  protected readonly journal = inject(Journal);
  protected readonly units = inject(UnitService);

  protected readonly places = [
    { path: '/bench', name: 'Bench' },
    { path: '/charts', name: 'Charts' },
    { path: '/log', name: 'Log' },
  ];
  protected readonly fitter = this.session.fitter;
  protected readonly workingUnits: readonly WorkingUnit[] = WORKING_UNITS;
  protected readonly failed = signal('');
  /** Whether it is asked who takes the bench over. */
  protected readonly handing = signal(false);
  protected readonly waiting = computed(() => {
    const unsent = this.journal.unsent();
    if (unsent === 0 || this.journal.trouble() === '') return '';
    return `${unsent} ${unsent === 1 ? 'act waits' : 'acts wait'} to be sent; kept on this device.`;
  });
  /** What will not be kept, in words, until somebody has seen it. */
  protected readonly aside = computed(() =>
    this.journal.aside().map(({ order, act, why, at }) => {
      const read = readAct(act);
      const day = new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
      const what = read.ok ? sayAct(read.value, NAMES) : 'Something written by another version.';
      return { order: order!, words: `Not kept (${day}): ${what} ${why}` };
    }),
  );

  protected signOut(): void {
    this.session.signOut().subscribe({
      next: () => void this.router.navigateByUrl('/sign-in'),
      error: (problem: Error) => this.failed.set(problem.message),
    });
  }
}

/** The page's frame knows no charts; a garment goes by a plain word. */
const NAMES = { garment: () => 'a garment', protocol: () => 'a protocol' };
