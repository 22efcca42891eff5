import { inject, Injectable } from '@angular/core';
import { Contact } from '../contact';
import { Journal } from '../journal/journal';
import { PackDoor } from './pack-door';

/** Whether the work goes on: once the server has what it rests on, or without it where it was taken along. */
@Injectable({ providedIn: 'root' })
export class GoingOn {
  private readonly journal = inject(Journal);
  private readonly contact = inject(Contact);
  private readonly pack = inject(PackDoor);

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
