import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { Router } from '@angular/router';
import {
  isAt,
  missingParts,
  nextFor,
  parcelIn,
  personOn,
  sayParts,
  slipIn,
  stationOn,
  type Muster,
  type MusterPerson,
  type Part,
} from '@neat-measure/core/muster';
import { firstValueFrom } from 'rxjs';
import { benchPath } from '../../../data/musters/bench-path';
import { MusterService } from '../../../data/musters/muster-service';
import { MusterStore } from '../../../data/musters/muster-store';
import { GoingOn } from '../../../data/pack/going-on';
import { DocketStore } from '../docket-store';

/**
 * The station of a muster that the Bench stands at: which part of the docket is its own, and who comes after. Without
 * one the Bench is as it is for a single wearer.
 */
@Injectable()
export class StationHere {
  private readonly musters = inject(MusterStore);
  private readonly dockets = inject(DocketStore);
  private readonly goingOn = inject(GoingOn);
  private readonly service = inject(MusterService);
  private readonly router = inject(Router);
  private readonly destroyed = inject(DestroyRef);
  private readonly stationId = signal<string | null>(null);

  readonly muster = this.musters.muster;
  readonly station = computed(() => {
    const [muster, id] = [this.muster(), this.stationId()];
    return muster === null || id === null ? null : (stationOn(muster, id) ?? null);
  });
  /** Whether the Bench was opened from a muster: what leaves it goes back there. */
  readonly isOne = computed(() => this.stationId() !== null);
  /** Whose docket is open, as they stand on the muster. */
  readonly person = computed<MusterPerson | null>(() => {
    const [muster, wearer] = [this.muster(), this.dockets.wearer()];
    return muster === null || wearer === null ? null : (personOn(muster, wearer.id) ?? null);
  });
  /** Who comes after; `null` where nobody waits. */
  readonly next = computed(() => {
    const [muster, station] = [this.muster(), this.station()];
    if (muster === null || station === null) return null;
    return nextFor(this.musters.queues(), muster, station.id);
  });
  readonly nextName = computed(() => {
    const next = this.next();
    return next === null ? '' : this.musters.name(next.wearerId);
  });
  /** What went wrong at the muster; nothing where the Bench was not opened from one. */
  readonly trouble = computed(() => (this.isOne() ? this.musters.trouble() : ''));

  /** What is still missing on the docket and is done at another station, in words. */
  readonly elsewhere = computed(() => {
    const station = this.station();
    const docket = this.dockets.docket();
    if (station === null || docket === null) return '';
    const other = this.missing().filter((part) => !station.parts.includes(part));
    return other.length === 0 ? '' : sayParts(other);
  });

  private readonly missing = computed<readonly Part[]>(() => {
    const docket = this.dockets.docket();
    return docket === null ? [] : missingParts(docket, this.dockets.library());
  });

  /** Whether a part of the work is done here; without a station all of it is. */
  has(part: Part): boolean {
    const station = this.station();
    return station === null || station.parts.includes(part);
  }

  /** Whether it is known what is done here, or that it cannot be known. */
  readonly known = computed(() => this.station() !== null || this.trouble() !== '');

  open(musterId: string, stationId: string): void {
    this.stationId.set(stationId);
    this.musters.open(musterId, this.destroyed);
  }

  private busy = false;

  /** Whether a size was decided that is handed over at this very station. */
  readonly handsOverHere = computed(
    () =>
      this.station()?.parts.includes('handing') === true &&
      this.dockets.garments().some(({ decision }) => (decision?.size ?? null) !== null),
  );

  /** What leaving is called: at a station it calls whoever is next. */
  readonly leaving = computed(() => {
    if (!this.isOne()) return 'Next wearer';
    return this.nextName() === '' ? 'Back to the muster' : `Call ${this.nextName()}`;
  });

  /**
   * Finishes with whoever is here and calls the next, whose docket is opened; back to the muster where nobody waits.
   * While the server is away it stays where it is and says so. Without a station the next wearer is named by hand.
   */
  async leave(): Promise<void> {
    if (!this.isOne()) return void (await this.router.navigateByUrl('/bench'));
    // Pressed twice it would call two.
    if (this.busy) return;
    this.busy = true;
    try {
      await this.finishAndCall();
    } finally {
      this.busy = false;
    }
  }

  private async finishAndCall(): Promise<void> {
    const [muster, station, person] = [this.muster(), this.station(), this.person()];
    if (muster === null || station === null) return this.back();
    if (person !== null && isAt(person, station.id)) {
      this.musters.looksAt(person.docketId, () => this.missing());
      // What was done last may still be on its way; the server looks at the docket when it hears of this.
      if (!(await this.sent(person.docketId))) return;
      const { wearerId } = person;
      if (!this.musters.does({ kind: 'finished', wearerId, stationId: station.id, missing: null })) return;
      if (!(await this.sent(muster.id))) return;
    }
    const next = this.next();
    if (next === null) return this.back();
    await this.call(next.wearerId);
  }

  private async call(wearerId: string, at?: Part): Promise<void> {
    const [muster, station] = [this.muster(), this.station()];
    if (muster === null || station === null) return;
    if (!this.musters.does({ kind: 'called', wearerId, stationId: station.id })) return;
    if (!(await this.sent(muster.id))) return;
    const now = this.muster();
    const called = now === null ? undefined : personOn(now, wearerId);
    // Somebody else was faster: that is said at the muster, where another can be called.
    if (now === null || called === undefined || !isAt(called, station.id)) return this.back();
    await this.router.navigateByUrl(benchPath(now, station, called, at));
  }

  /**
   * Calls whoever has the slip or the parcel that was scanned here, once whoever is here is done with. A parcel opens at
   * handing over; that of the docket that is open leads there, and without a station any parcel leads to its docket.
   *
   * @param toHanding goes to handing over on the docket that is open
   * @returns whether it was a slip or a parcel, and is taken
   */
  takesCode(code: string, toHanding: () => void): boolean {
    const parcel = parcelIn(code);
    if (parcel !== null) {
      if (parcel === this.dockets.docket()?.id && this.has('handing')) toHanding();
      else if (this.isOne()) void this.takeOn(() => this.ownerOf(parcel), 'handing');
      else void this.router.navigateByUrl(`/bench/${parcel}?hand=1`);
      return true;
    }
    // A label of the stores may look like a code that is typed: a slip is scanned with its address.
    if (!this.isOne() || !code.includes('/') || slipIn(code) === null) return false;
    void this.takeOn(
      async (muster) => (await firstValueFrom(this.service.slipOwner(muster.id, code))).wearerId,
    );
    return true;
  }

  /** Whose parcel it is. @throws Error in a sentence where nobody on the muster has that docket */
  private ownerOf(docketId: string): string {
    const person = this.muster()?.people.find((one) => one.docketId === docketId);
    if (person !== undefined) return person.wearerId;
    throw new Error('This label is of a docket that is not on this muster. Add its wearer to the muster.');
  }

  private async takeOn(whose: (muster: Muster) => string | Promise<string>, at?: Part): Promise<void> {
    const [muster, station, person] = [this.muster(), this.station(), this.person()];
    if (muster === null || station === null || this.busy) return;
    this.busy = true;
    try {
      const wearerId = await whose(muster);
      if (person?.wearerId === wearerId) return;
      if (person !== null && isAt(person, station.id))
        return this.musters.trouble.set(
          `${this.musters.name(person.wearerId)} is still at ${station.name}. Finish with that wearer, then scan again.`,
        );
      await this.call(wearerId, station.parts.includes('handing') ? at : undefined);
    } catch (problem) {
      this.musters.trouble.set((problem as Error).message);
    } finally {
      this.busy = false;
    }
  }

  private async sent(subject: string): Promise<boolean> {
    try {
      await this.goingOn.after(subject);
      return true;
    } catch (problem) {
      this.musters.trouble.set(
        `${(problem as Error).message} Everything is saved on this device. Press Enter to continue when the server can be reached.`,
      );
      return false;
    }
  }

  private async back(): Promise<void> {
    const muster = this.muster();
    await this.router.navigateByUrl(muster === null ? '/roll' : `/roll/${muster.id}`);
  }
}
