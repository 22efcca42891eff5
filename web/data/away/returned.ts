import { inject, Injectable, signal } from '@angular/core';
import { docketMetPath, metsSchema, pathOf, PATHS, type KeptAnyAct, type Met } from '@neat-measure/contract';
import { isMusterAct, subjectOf } from '@neat-measure/core';
import { firstValueFrom, map, of, switchMap, timer, type Observable } from 'rxjs';
import * as z from 'zod';
import { Api } from '../api';
import { Contact } from '../contact';
import { Journal } from '../journal/journal';
import { Vault } from '../sealed/vault';
import { SessionService } from '../session-service';

const sentSchema = z.object({
  /** The moment of the first of it, by this device. */
  since: z.string(),
  acts: z.int(),
  dockets: z.array(z.string()),
});
/** What was done here while the server was away, and is kept there now. */
export type SentSince = z.infer<typeof sentSchema>;

const KEPT_AS = 'sent since';
/** So often it is asked what met something. */
const EVERY_MS = 120_000;

/** What came of what was done without the server: what was sent, and what met something, until somebody has seen it. */
@Injectable({ providedIn: 'root' })
export class Returned {
  private readonly api = inject(Api);
  private readonly vault = inject(Vault);
  private readonly contact = inject(Contact);
  private readonly journal = inject(Journal);
  private readonly session = inject(SessionService);

  /** `null` for nothing. */
  readonly sent = signal<SentSince | null>(null);
  /** What met something, and is told to whoever is signed in. */
  readonly met = signal<readonly Met[]>([]);

  constructor() {
    void this.vault.whenOpen().then(() => this.load());
    this.vault.opens.subscribe(() => void this.load());
    this.journal.keptSinceAway.subscribe((kept) => void this.add(kept));
    this.journal.refused.subscribe(() => void this.look());
    this.contact.back.subscribe(
      () =>
        void this.journal.whenSent().then(
          () => this.look(),
          () => undefined,
        ),
    );
    setInterval(() => void this.look(), EVERY_MS);
  }

  private async load(): Promise<void> {
    const read = sentSchema.safeParse(await this.vault.kept(KEPT_AS));
    this.sent.set(read.success ? read.data : null);
    await this.look();
  }

  private async add({ act }: KeptAnyAct): Promise<void> {
    const { since = act.at, acts = 0, dockets = [] } = this.sent() ?? {};
    const subject = isMusterAct(act) ? [] : [subjectOf(act)];
    this.sent.set({
      since: act.at < since ? act.at : since,
      acts: acts + 1,
      dockets: [...new Set([...dockets, ...subject])],
    });
    await this.vault.keep(KEPT_AS, this.sent()).catch(() => undefined);
  }

  /** Asks what met something. */
  async look(): Promise<void> {
    if (!this.mayAsk()) return;
    const met = await firstValueFrom(this.api.get(PATHS.met, metsSchema)).catch(() => null);
    if (met !== null) this.met.set(met);
  }

  private mayAsk(): boolean {
    return this.session.fitter() !== null && !this.session.lapsed() && !this.contact.away();
  }

  /** What others did on a docket without the server, and could not stand beside what was done meanwhile. */
  onDocket(docketId: string): Observable<Met[]> {
    // Signing out may be what has reached the server again: then nobody is signed in in a moment.
    return timer(0).pipe(
      switchMap(() => (this.mayAsk() ? this.api.get(docketMetPath(docketId), metsSchema) : of([]))),
      map((met) => met.filter(({ own }) => !own)),
    );
  }

  /** What was sent has been seen. */
  async sentSeen(): Promise<void> {
    this.sent.set(null);
    await this.vault.drop(KEPT_AS).catch(() => undefined);
  }

  /** What met something has been seen; it goes from the list once the server knows. */
  seen(id: string): Observable<void> {
    return this.api
      .delete(pathOf(PATHS.met, id))
      .pipe(map(() => this.met.update((met) => met.filter((one) => one.id !== id))));
  }
}
