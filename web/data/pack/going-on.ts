import { inject, Injectable } from '@angular/core';
import type { Bench } from '@neat-measure/contract';
import { subjectOf } from '@neat-measure/core';
import { catchError, defer, from, switchMap, throwError, type Observable } from 'rxjs';
import { ApiProblem } from '../api';
import { Contact } from '../contact';
import { DocketService } from '../docket-service';
import { Journal } from '../journal/journal';
import { PackDoor } from './pack-door';

/** Asked again after so long where it could not be sent meanwhile. */
const SOON_MS = 500;

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
  opened(docketId: string): Observable<Bench> {
    return defer(() => {
      const waited = this.waits(docketId);
      return this.dockets.open(docketId).pipe(
        catchError((problem: Error) => {
          const unknownYet = waited && problem instanceof ApiProblem && problem.kind === 'not-found';
          if (!unknownYet) return throwError(() => problem);
          return from(this.sentOrSoon(docketId)).pipe(switchMap(() => this.opened(docketId)));
        }),
      );
    });
  }

  private waits(subject: string): boolean {
    return this.journal.waiting().some(({ act }) => subjectOf(act) === subject);
  }

  private async sentOrSoon(subject: string): Promise<void> {
    await this.journal
      .whenSent(subject)
      .catch(() => new Promise((resolve) => setTimeout(resolve, SOON_MS)));
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
