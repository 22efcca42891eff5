import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  benchCodeSaveSchema,
  factorConfirmSchema,
  ownPassphraseSchema,
  passphraseChangeSchema,
  type FactorOffer,
  type Preferences,
  type SessionEntry,
  worksOnDockets,
} from '@neat-measure/contract';
import { WORKING_UNITS } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { of, switchMap, type Observable } from 'rxjs';
import { HouseService } from '../../data/house-service';
import { Vault } from '../../data/sealed/vault';
import { SessionService } from '../../data/session-service';
import { line, SchemaForm } from '../../parts/forms/schema-form';
import { TextField } from '../../parts/forms/text-field';
import { ROLE_WORDS, sayAgent, sayMoment } from './say-role';
import { Fetching } from '../../parts/fetching/fetching';
import { Fetched } from '../../data/fetched';

/** What is one's own: how one works, passphrase, second factor, bench code, and where one is signed in. */
@Component({
  selector: 'nm-you',
  imports: [Fetching, FormsModule, NzButtonModule, NzSelectModule, NzCheckboxModule, TextField],
  templateUrl: './you.html',
  styleUrl: './desk.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class You {
  private readonly house = inject(HouseService);
  private readonly session = inject(SessionService);
  private readonly vault = inject(Vault);
  protected readonly fitter = this.session.fitter;
  protected readonly role = computed(() => ROLE_WORDS[this.fitter()?.role ?? 'viewer']);
  // Whoever has the bench by a code alone is not told where the other is signed in.
  protected readonly sessions = new Fetched<readonly SessionEntry[]>(() =>
    this.fitter()?.house === null ? this.house.sessions() : of([]),
  );
  protected readonly offer = signal<FactorOffer | null>(null);
  /** Recovery codes, while they are told. */
  protected readonly codes = signal<readonly string[]>([]);
  protected readonly trouble = signal('');
  protected readonly done = signal('');
  protected readonly worksOnDockets = worksOnDockets;
  protected readonly sayMoment = sayMoment;
  protected readonly sayAgent = sayAgent;
  protected readonly units = [
    { label: 'As set on this device', value: '' as const },
    ...WORKING_UNITS.map((unit) => ({ label: unit, value: unit })),
  ];
  protected readonly textSizes = [
    { label: 'Usual', value: '' as const },
    ...[90, 110, 125, 140].map((size) => ({ label: `${size} %`, value: size })),
  ];

  protected readonly changed = new SchemaForm(passphraseChangeSchema, { passphrase: line(), next: line() });
  /** Whatever of the second factor needs the passphrase again: beginning it, new codes, taking it out. */
  protected readonly again = new SchemaForm(ownPassphraseSchema, { passphrase: line() });
  protected readonly confirmed = new SchemaForm(factorConfirmSchema, { code: line() });
  private takingOut = false;
  protected readonly bench = new SchemaForm(
    benchCodeSaveSchema,
    { passphrase: line(), code: line() },
    (value) => (this.takingOut ? { ...value, code: null } : value),
  );

  protected prefer(change: Partial<Preferences>): void {
    const own = this.fitter();
    if (own !== null) this.does(this.session.prefer({ ...own.preferences, ...change }), '');
  }

  protected changePassphrase(): void {
    const change = this.changed.read();
    if (change !== null)
      this.does(this.house.changePassphrase(change), 'Your passphrase is changed.', () => {
        this.changed.group.reset();
        // Without the server it is the new one that opens this device.
        void this.vault.rewrap(this.fitter()!.id, change.next).catch(() => undefined);
      });
  }

  /** @param out whether it is taken out rather than set */
  protected setBenchCode(out: boolean): void {
    this.takingOut = out;
    const save = this.bench.read();
    if (save === null) return;
    this.does(
      this.house.setBenchCode(save),
      out ? 'Your bench code is removed.' : 'Your bench code is set.',
      () => this.bench.group.reset(),
    );
  }

  protected beginFactor(): void {
    const read = this.again.read();
    if (read !== null)
      this.does(this.house.beginFactor(read.passphrase), '', (offer) => {
        this.offer.set(offer);
        this.again.group.reset();
      });
  }

  protected renewCodes(): void {
    const read = this.again.read();
    if (read !== null)
      this.does(this.house.renewCodes(read.passphrase), '', ({ codes }) => {
        this.codes.set(codes);
        this.again.group.reset();
      });
  }

  protected confirmFactor(): void {
    const read = this.confirmed.read();
    if (read !== null)
      this.does(this.house.confirmFactor(read.code), 'Your second factor is on.', ({ codes }) => {
        this.codes.set(codes);
        this.offer.set(null);
        this.confirmed.group.reset();
      });
  }

  protected endFactor(): void {
    const read = this.again.read();
    if (read !== null)
      this.does(this.house.endFactor(read.passphrase), 'Your second factor is removed.', () =>
        this.again.group.reset(),
      );
  }

  protected end(id: string): void {
    this.does(this.house.endSession(id), '');
  }

  protected endOthers(): void {
    this.does(this.house.endOtherSessions(), 'Your other sessions are ended.');
  }

  /** Does something, then shows what has become of one's own. */
  private does<Value>(
    work: Observable<Value>,
    done: string,
    then: (value: Value) => void = () => undefined,
  ): void {
    this.trouble.set('');
    this.done.set('');
    work
      .pipe(
        switchMap((value) => {
          then(value);
          return this.session.ask();
        }),
      )
      .subscribe({
        next: () => {
          this.done.set(done);
          this.sessions.again();
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }
}
