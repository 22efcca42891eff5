import { computed, inject, Injectable } from '@angular/core';
import { SessionService } from '../../../data/session-service';

/** The pace of the fitter who has the bench, as their last docket on this device showed it. */
@Injectable({ providedIn: 'root' })
export class PaceService {
  private readonly session = inject(SessionService);
  private readonly key = computed(() => `neat-measure.pace.${this.session.fitter()?.id ?? ''}`);

  /** In milliseconds a reading; `null` where none was shown yet. */
  readonly known = computed(() => {
    const kept = Number(localStorage.getItem(this.key()));
    return kept > 0 ? kept : null;
  });

  keep(pace: number): void {
    localStorage.setItem(this.key(), String(Math.round(pace)));
  }
}
