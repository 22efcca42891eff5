import { inject, Injectable } from '@angular/core';
import { NavigationStart, Router } from '@angular/router';
import { SwUpdate } from '@angular/service-worker';
import { filter } from 'rxjs';
import { Journal } from '../../data/journal/journal';

/** So often it is looked for a new version of the application. */
const LOOK_MS = 600_000;

/**
 * A new version of the application is taken between dockets: on the way from one place to another, never within a docket or
 * on a wearer's own page, and not while something of this version waits to be sent.
 */
@Injectable({ providedIn: 'root' })
export class NewVersion {
  private readonly updates = inject(SwUpdate);
  private readonly router = inject(Router);
  private readonly journal = inject(Journal);
  private ready = false;

  /** Watches from now on. */
  watch(): void {
    if (!this.updates.isEnabled) return;
    this.updates.versionUpdates.pipe(filter(({ type }) => type === 'VERSION_READY')).subscribe(() => {
      this.ready = true;
    });
    // What the worker kept is broken: it is fetched anew, as if there had been none.
    this.updates.unrecoverable.subscribe(() => this.load(this.router.url));
    this.router.events
      .pipe(filter((event): event is NavigationStart => event instanceof NavigationStart))
      .subscribe(({ url }) => {
        if (this.ready && mayLoad(url, this.journal.stored())) this.load(url);
      });
    setInterval(() => void this.updates.checkForUpdate().catch(() => false), LOOK_MS);
  }

  private load(url: string): void {
    globalThis.location.assign(url);
  }
}

/** Whether a page may be loaded anew on the way to an address. */
export function mayLoad(url: string, waiting: number): boolean {
  return waiting === 0 && !/^\/(?:bench\/[^/?]+|self\/)/.test(url);
}
