import { effect, inject, Injectable, untracked } from '@angular/core';
import { deviceHeardSchema, MOST_WAITS, PATHS, type DeviceContact as Said } from '@neat-measure/contract';
import { subjectOf, type AnyAct } from '@neat-measure/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../api';
import { Contact } from '../contact';
import { PackDoor } from '../pack/pack-door';
import { Journal } from '../journal/journal';
import { SessionService } from '../session-service';

/** So often the server hears of this device while it is there. */
const EVERY_MS = 120_000;
/** A clock that is off by less is as good as right. */
const WELL_ENOUGH_S = 120;

/**
 * Tells the server what waits on this device, and hears from it the time, and whether a lead fitter has ended it. It begins
 * with the first page somebody is signed in to.
 */
@Injectable({ providedIn: 'root' })
export class DeviceContact {
  private readonly api = inject(Api);
  private readonly contact = inject(Contact);
  private readonly journal = inject(Journal);
  private readonly session = inject(SessionService);
  private readonly door = inject(PackDoor);

  constructor() {
    void this.journal.known.then(() => this.tell());
    this.contact.back.subscribe(() => void this.tell());
    setInterval(() => void this.tell(), EVERY_MS);
    // What was said to wait has come: until that is said, too, it would count as missing.
    effect(() => {
      if (this.journal.unsent() > 0 || !this.saidWaiting) return;
      untracked(() => void this.tell());
    });
  }

  private saidWaiting = false;

  /** Tells it now. */
  async tell(): Promise<void> {
    if (this.contact.away()) return;
    const pack = this.session.fitter() === null ? null : await this.door.open();
    const knows = (await pack?.knows()) ?? [];
    const clock = new Date();
    const said: Said = { clock: clock.toISOString(), waits: waitsOf(this.journal.waiting()), knows };
    const heard = await firstValueFrom(this.api.post(PATHS.deviceContact, said, deviceHeardSchema)).catch(
      () => null,
    );
    if (heard === null) return;
    this.saidWaiting = said.waits.length > 0;
    // All of it may have been sent while it was said that it waits.
    if (this.saidWaiting && this.journal.unsent() === 0) return this.tell();
    // As long as the answer took, the server's time is older.
    const took = Date.now() - clock.getTime();
    const off = Math.round((clock.getTime() + took / 2 - Date.parse(heard.now)) / 1_000);
    this.contact.clockOff.set(Math.abs(off) < WELL_ENOUGH_S ? 0 : off);
    if (heard.ended) return this.session.end();
    await pack?.forgets(heard.gone);
  }
}

/** What waits, by what it was done on. */
function waitsOf(waiting: readonly { readonly act: AnyAct }[]): Said['waits'] {
  const waits = new Map<string, { subject: string; acts: number; readings: number }>();
  for (const { act } of waiting) {
    const subject = subjectOf(act);
    const one = waits.get(subject) ?? { subject, acts: 0, readings: 0 };
    one.acts += 1;
    if (act.kind === 'reading-taken') one.readings += 1;
    waits.set(subject, one);
  }
  return [...waits.values()].slice(0, MOST_WAITS);
}
