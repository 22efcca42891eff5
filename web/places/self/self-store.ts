import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { selfPath, selfSheetSchema, selfThanksSchema, type SelfSheet } from '@neat-measure/contract';
import {
  bareUnit,
  buildOf,
  readReading,
  readWish,
  sayWishProblem,
  shownIn,
  type Length,
  type MeasurementCode,
  type WishCode,
  type WorkingUnit,
} from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { Api, isAway } from '../../data/api';
import {
  forgetOld,
  isSent,
  keptBefore,
  keptOf,
  oldTyped,
  SelfKept,
  type Kept,
  type Sent,
  type Stage,
  type Wishes,
} from './self-kept';
import {
  askedIn,
  faultsIn,
  placeAfter,
  placeBefore,
  placingsOfSheet,
  valueOf,
  type Fault,
  type Faults,
  type Place,
  type Typed,
} from './self-screens';

/** How long to wait before sending is tried again. */
const AGAIN_MS = 4_000;

/** Measuring oneself, screen by screen. Everything typed is kept on this device at once, and until it has been sent. */
@Injectable()
export class SelfStore {
  private readonly api = inject(Api);
  private readonly token = signal('');
  private here: SelfKept | null = null;
  private again: ReturnType<typeof setTimeout> | undefined;

  readonly sheet = signal<SelfSheet | null>(null);
  readonly unit = signal<WorkingUnit>('cm');
  readonly instrument = signal<'tape' | 'string'>('tape');
  readonly stage = signal<Stage>('start');
  readonly place = signal<Place>({ placing: 0, round: 0 });
  readonly typed = signal<Typed>({});
  readonly wished = signal<Wishes>({});
  readonly wishFaults = signal<Wishes>({});
  private readonly confirmed = signal<ReadonlySet<string>>(new Set());
  private submissionId = uuidv7();

  readonly trouble = signal('');
  /** Whether it waits on this device for the server to be reached. */
  readonly waiting = signal(false);
  readonly busy = signal(false);
  /** When it was sent, by this device. */
  readonly sentAt = signal<string | null>(null);
  /** What is wrong on the screen, once it was tried to go on. */
  readonly faults = signal<Faults>({});

  readonly placings = computed(() => placingsOfSheet(this.sheet()?.steps ?? []));
  readonly placing = computed(() => this.placings()[this.place().placing] ?? []);
  readonly asked = computed(() => askedIn(this.placing(), this.typed(), this.place().round, this.unit()));
  readonly values = computed(
    () =>
      new Map<MeasurementCode, Length>(
        (this.sheet()?.steps ?? []).flatMap((step) => {
          const value = valueOf(step, this.typed(), this.unit());
          return value === null ? [] : [[step.code, value] as const];
        }),
      ),
  );
  readonly build = computed(() => buildOf(this.values()));

  constructor() {
    inject(DestroyRef).onDestroy(() => clearTimeout(this.again));
  }

  /** Takes up what this device has of a link, and fetches its sheet. */
  open(token: string): void {
    this.token.set(token);
    this.here = new SelfKept(token);
    const read = this.here.read() ?? keptBefore(token);
    if (isSent(read)) {
      this.sentAt.set(read.sentAt);
      this.stage.set('sent');
      return;
    }
    const kept = keptOf(token, read);
    if (kept === null) this.typed.set(oldTyped(token));
    if (kept !== null) {
      this.sheet.set(kept.sheet);
      this.unit.set(kept.unit);
      this.instrument.set(kept.instrument);
      this.typed.set(kept.typed);
      this.wished.set(kept.wished ?? {});
      this.confirmed.set(new Set(kept.confirmed));
      this.submissionId = kept.submissionId;
      this.stage.set(kept.stage);
      this.place.set(kept.place);
      // It was to be sent when this page was closed: that stands.
      if (kept.sending === true) this.send();
    }
    this.api.get(selfPath(token), selfSheetSchema).subscribe({
      next: (sheet) => {
        const asked = JSON.stringify(sheet.steps);
        const changed = kept !== null && JSON.stringify(kept.sheet.steps) !== asked;
        this.sheet.set(sheet);
        if (kept === null) this.unit.set(sheet.unit);
        // What is asked for has changed since: what was typed stays, and the way through it begins anew.
        if (changed) {
          this.place.set({ placing: 0, round: 0 });
          if (this.stage() !== 'start') this.stage.set('measure');
        }
        // Opened once, it opens again where there is no network.
        if (this.stage() !== 'sent') this.keep();
      },
      error: (problem: Error) => {
        // Somebody who is measuring goes on with what this device has.
        if (kept === null || !isAway(problem)) this.trouble.set(problem.message);
      },
    });
  }

  choose(change: { readonly unit?: WorkingUnit; readonly instrument?: 'tape' | 'string' }): void {
    if (change.unit !== undefined) this.changeUnit(change.unit);
    if (change.instrument !== undefined) this.instrument.set(change.instrument);
    this.keep();
  }

  /** Another unit re-interprets nothing: what was typed without one keeps the unit it was typed in. */
  private changeUnit(unit: WorkingUnit): void {
    const before = this.unit();
    this.typed.update(
      (typed) =>
        Object.fromEntries(
          (Object.entries(typed) as [MeasurementCode, readonly string[]][]).map(([code, texts]) => {
            const own = bareUnit(code, before);
            const kept = texts.map((text) => {
              const read = readReading(text, code, own);
              return read.ok && read.value.bare && own !== bareUnit(code, unit)
                ? `${text.trim()} ${own}`
                : text;
            });
            return [code, kept];
          }),
        ) as Typed,
    );
    this.wished.update((wished) =>
      Object.fromEntries(
        Object.entries(wished).map(([wish, text]) => [
          wish,
          /\d$/.test(text.trim()) ? `${text.trim()} ${before}` : text,
        ]),
      ),
    );
    this.unit.set(unit);
  }

  begin(): void {
    this.go('measure');
  }

  write(code: MeasurementCode, text: string): void {
    const { round } = this.place();
    this.typed.update((typed) => {
      const own = [...(typed[code] ?? [])];
      while (own.length < round) own.push('');
      own[round] = text;
      return { ...typed, [code]: own };
    });
    this.faults.update(({ [code]: _mended, ...rest }) => rest);
    this.keep();
  }

  /** On to the next screen, unless something on this one cannot be; asked twice, a mark out of its place is taken as it is. */
  next(): void {
    const { round } = this.place();
    const faults = faultsIn(this.asked(), this.typed(), round, this.unit(), this.confirmed());
    const shown = this.faults();
    const found = Object.entries(faults) as [MeasurementCode, Fault][];
    if (found.length === 0) return this.onwards();
    this.faults.set(faults);
    // Shown and left as it is, it has been looked at again.
    if (!found.every(([code, { asks, words }]) => asks && shown[code]?.words === words)) return;
    const looked = found.map(([code]) => {
      const read = readReading(this.typed()[code]![round]!, code, bareUnit(code, this.unit()));
      return read.ok ? `${code} ${read.value.length}` : code;
    });
    this.confirmed.update((confirmed) => new Set([...confirmed, ...looked]));
    this.onwards();
  }

  private onwards(): void {
    const after = placeAfter(this.placings(), this.place(), this.typed(), this.unit());
    this.faults.set({});
    if (after === null) this.go(this.asksWishes() ? 'wishes' : 'check');
    else {
      this.place.set(after);
      this.keep();
    }
  }

  /** Leaves a placing out: nothing of it is sent. */
  leaveOut(): void {
    const codes = new Set<string>(this.placing().map(({ code }) => code));
    this.typed.update(
      (typed) => Object.fromEntries(Object.entries(typed).filter(([code]) => !codes.has(code))) as Typed,
    );
    this.onwards();
  }

  back(): void {
    this.faults.set({});
    if (this.stage() === 'check' && this.asksWishes()) return this.go('wishes');
    if (this.stage() === 'check' || this.stage() === 'wishes') {
      this.place.set({ placing: Math.max(this.placings().length - 1, 0), round: 0 });
      return this.go('measure');
    }
    const before = placeBefore(this.place());
    if (before === null) return this.go('start');
    this.place.set(before);
    this.keep();
  }

  private asksWishes(): boolean {
    return (this.sheet()?.wishes ?? []).length > 0;
  }

  wish(wish: WishCode, text: string): void {
    this.wished.update((wished) => ({ ...wished, [wish]: text }));
    this.wishFaults.update(({ [wish]: _mended, ...rest }) => rest);
    this.keep();
  }

  /** On from the wishes, unless one of them cannot be. */
  wishesDone(): void {
    const faults = this.wishesTyped().flatMap(({ wish, typed }) => {
      const read = readWish(typed, wish, this.unit());
      return read.ok ? [] : [[wish, sayWishProblem(read.problem, shownIn(this.unit(), 8))] as const];
    });
    this.wishFaults.set(Object.fromEntries(faults));
    if (faults.length === 0) this.go('check');
  }

  toWishes(): void {
    this.go('wishes');
  }

  private wishesTyped(): { wish: WishCode; typed: string }[] {
    return (this.sheet()?.wishes ?? []).flatMap((wish) => {
      const typed = (this.wished()[wish] ?? '').trim();
      return typed === '' ? [] : [{ wish, typed }];
    });
  }

  goTo(placing: number): void {
    this.place.set({ placing, round: 0 });
    this.go('measure');
  }

  /** Sends what was measured; while the server cannot be reached it is tried again by itself. */
  send(): void {
    if (this.busy()) return;
    const readings = (this.sheet()?.steps ?? []).flatMap(({ code }) =>
      (this.typed()[code] ?? []).flatMap((text) =>
        text.trim() === '' ? [] : [{ code, typed: text.trim() }],
      ),
    );
    if (readings.length === 0) return this.trouble.set('Enter at least one measurement, then send.');
    clearTimeout(this.again);
    this.busy.set(true);
    this.trouble.set('');
    this.sending = true;
    this.keep();
    const [id, unit, instrument] = [this.submissionId, this.unit(), this.instrument()];
    const body = { id, unit, instrument, readings, wishes: this.wishesTyped() };
    this.api.put(selfPath(this.token()), body, selfThanksSchema).subscribe({
      next: () => {
        this.busy.set(false);
        this.waiting.set(false);
        this.sending = false;
        this.sentAt.set(new Date().toISOString());
        this.stage.set('sent');
        this.here?.write({ sentAt: this.sentAt()! } satisfies Sent);
        forgetOld(this.token());
      },
      error: (problem: Error) => {
        this.busy.set(false);
        this.waiting.set(isAway(problem));
        if (this.waiting()) this.again = setTimeout(() => this.send(), AGAIN_MS);
        else {
          this.sending = false;
          this.keep();
          this.trouble.set(problem.message);
        }
      },
    });
  }

  /** Whether it is to be sent as soon as it can be. */
  private sending = false;

  private go(stage: Stage): void {
    this.stage.set(stage);
    this.keep();
  }

  private keep(): void {
    const sheet = this.sheet();
    if (sheet === null) return;
    const kept: Kept = {
      token: this.token(),
      sheet,
      submissionId: this.submissionId,
      unit: this.unit(),
      instrument: this.instrument(),
      stage: this.stage(),
      place: this.place(),
      typed: this.typed(),
      wished: this.wished(),
      confirmed: [...this.confirmed()],
      ...(this.sending ? { sending: true } : {}),
    };
    if (this.here?.write(kept) !== true)
      this.trouble.set(
        'This device cannot save right now. Stay on this page until the measurements are sent.',
      );
  }
}
