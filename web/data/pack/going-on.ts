import { inject, Injectable } from '@angular/core';
import type { Bench } from '@neat-measure/contract';
import { isMusterAct, kindOf, subjectOf } from '@neat-measure/core';
import { catchError, defer, from, of, switchMap, tap, throwError, type Observable } from 'rxjs';
import { ApiProblem } from '../api';
import { Contact } from '../contact';
import { DocketService } from '../docket-service';
import { Journal } from '../journal/journal';
import { PackDoor } from './pack-door';

/** Asked again after so long where it could not be sent meanwhile. */
const SOON_MS = 500;
/** A chart that does not come by then is shown as one that is not known here. */
const MOST_TRIES = 6;

/** Whether the work goes on: once the server has what it rests on, or without it where it was taken along. */
@Injectable({ providedIn: 'root' })
export class GoingOn {
  private readonly journal = inject(Journal);
  private readonly contact = inject(Contact);
  private readonly pack = inject(PackDoor);
  private readonly dockets = inject(DocketService);

  /**
   * A docket as it is opened. One that was opened here may not be known to the server yet: where the network comes and goes
   * in that very moment, it is asked for again once its opening has been sent.
   */
  opened(docketId: string, tries = 1): Observable<Bench> {
    return defer(() => {
      const waited = this.waits(docketId);
      const again = () =>
        from(this.sentOrSoon(docketId)).pipe(switchMap(() => this.opened(docketId, tries + 1)));
      return this.dockets.open(docketId).pipe(
        // It was told of while its garments were still on their way: without their charts there is nothing to measure.
        switchMap((bench) => (tries < MOST_TRIES && this.lacks(bench) ? again() : of(bench))),
        // What cannot be kept for then is there now all the same.
        tap((bench) => void this.remember(bench).catch(() => undefined)),
        catchError((problem: Error) => {
          const unknownYet = waited && problem instanceof ApiProblem && problem.kind === 'not-found';
          if (!unknownYet) return throwError(() => problem);
          return again();
        }),
      );
    });
  }

  /** Whether what waits here rests on charts that did not come with the docket. */
  private lacks({ id, charts }: Bench): boolean {
    return this.journal.waiting().some(
      ({ act }) =>
        !isMusterAct(act) &&
        act.docketId === id &&
        kindOf(act)
          .needs(act)
          .charts.some((one) => charts.every((chart) => chart.id !== one)),
    );
  }

  /** What was looked at here can be opened again without the server. */
  private async remember(bench: Bench): Promise<void> {
    if (!this.contact.away()) await (await this.pack.open()).remember(bench);
  }

  private waits(subject: string): boolean {
    return this.journal.waiting().some(({ act }) => subjectOf(act) === subject);
  }

  private async sentOrSoon(subject: string): Promise<void> {
    await this.journal.whenSent(subject).catch(() => new Promise((resolve) => setTimeout(resolve, SOON_MS)));
  }

  /**
   * Resolves once nothing of a docket or muster waits any more, or, while the server is away, where this device can go on by
   * itself. Rejects with why it cannot.
   */
  async after(subject: string): Promise<void> {
    try {
      await this.journal.whenSent(subject);
    } catch (problem) {
      const here = this.contact.away() && (await this.pack.open()).ready();
      if (!here) throw problem;
    }
  }
}
