import { ChangeDetectionStrategy, Component, effect, inject, signal, viewChild } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { WORKING_UNITS, type WorkingUnit } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { OpenDocket } from '../data/open-docket';
import { PackDoor } from '../data/pack/pack-door';
import { TypeAhead } from '../data/type-ahead';
import { SessionService } from '../data/session-service';
import { UnitService } from '../data/unit-service';
import { AwayLine } from './away/away-line';
import { CameBack } from './away/came-back';
import { NewVersion } from './away/new-version';
import { BenchHand } from './bench-hand';
import { CommandList } from './commands/command-list';
import { ShortcutList } from '../parts/shortcuts/shortcut-list';
import { isTakenElsewhere, ShortcutService } from '../parts/shortcuts/shortcut-service';

/** The frame: the six places, the unit, and who is fitting. */
@Component({
  selector: 'nm-app',
  imports: [
    RouterOutlet,
    RouterLink,
    RouterLinkActive,
    ShortcutList,
    CommandList,
    AwayLine,
    CameBack,
    BenchHand,
    NzButtonModule,
  ],
  host: { '(document:keydown)': 'onKey($event)' },
  templateUrl: './app.html',
  styleUrl: './app.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  private readonly session = inject(SessionService);
  private readonly router = inject(Router);
  protected readonly units = inject(UnitService);

  protected readonly places = [
    { path: '/bench', name: 'Bench' },
    { path: '/roll', name: 'Roll' },
    { path: '/charts', name: 'Charts' },
    { path: '/stores', name: 'Stores' },
    { path: '/log', name: 'Log' },
    { path: '/house', name: 'House' },
  ];
  protected readonly fitter = this.session.fitter;
  private readonly ahead = inject(TypeAhead);
  private readonly commands = viewChild<{ begin(): void }>('commands');
  protected readonly shortcuts = inject(ShortcutService);
  protected readonly workingUnits: readonly WorkingUnit[] = WORKING_UNITS;
  protected readonly failed = signal('');
  /** Whether the list of everything is open. */
  protected readonly commanding = signal(false);
  private readonly openDocket = inject(OpenDocket);
  /** Whether it is asked who takes the bench over. */
  protected readonly handing = signal(false);
  constructor() {
    inject(NewVersion).watch();
    const pack = inject(PackDoor);
    effect(() => {
      if (this.fitter() !== null) void pack.open();
    });
    effect(() => {
      if (this.session.ended()) void this.router.navigateByUrl('/sign-in');
    });
    effect(() => {
      if (this.openDocket.asked()) this.commanding.set(true);
    });
  }

  /** Whether the unit was touched or clicked, and not reached by key. */
  private byPointer = false;

  /** Says nothing in return: a listener that says no would keep the key from the browser. */
  protected reaches(byPointer: boolean): void {
    this.byPointer = byPointer;
  }

  /** A unit that was clicked has the arrows no longer: they are the work's. Whoever chose it by key stays with it. */
  protected toWork(place: HTMLElement): void {
    // The browser gives the focus to what was clicked once it has told of it.
    if (this.byPointer) setTimeout(() => place.focus({ preventScroll: true }));
  }

  protected onKey(event: KeyboardEvent): void {
    if (this.commanding() || this.openDocket.asked()) {
      // What is typed before the list has the keys is meant for it.
      const within =
        event.target instanceof HTMLInputElement && event.target.closest('[role=dialog]') !== null;
      if (within || !this.ahead.keep(event)) return;
      event.preventDefault();
      this.commands()?.begin();
      return;
    }
    const asked = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k';
    if (!asked && ((event.key !== '?' && event.key !== '/') || isTakenElsewhere(event))) return;
    event.preventDefault();
    if (event.key === '?') this.shortcuts.shown.set(true);
    else this.commanding.set(true);
  }

  protected signOut(): void {
    this.session.signOut().subscribe({
      next: () => void this.router.navigateByUrl('/sign-in'),
      error: (problem: Error) => this.failed.set(problem.message),
    });
  }
}
