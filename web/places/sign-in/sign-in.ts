import { NgTemplateOutlet } from '@angular/common';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  Injector,
  signal,
} from '@angular/core';
import { Router } from '@angular/router';
import { firstRunSchema, signInSchema, takeCodeSchema, type SignedIn } from '@neat-measure/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import type { Observable } from 'rxjs';
import { ApiProblem, isAway } from '../../data/api';
import { Contact } from '../../data/contact';
import { PackDoor } from '../../data/pack/pack-door';
import { Vault } from '../../data/sealed/vault';
import { SessionService } from '../../data/session-service';
import { TypeAhead } from '../../data/type-ahead';
import { line, SchemaForm } from '../../parts/forms/schema-form';
import { TextField } from '../../parts/forms/text-field';

/** Signing in; before anybody can, the first account; and a passphrase of one's own by a one-time code. */
@Component({
  selector: 'nm-sign-in',
  imports: [NgTemplateOutlet, NzButtonModule, TextField],
  templateUrl: './sign-in.html',
  styleUrl: './sign-in.less',
  host: { '(document:keydown)': 'onKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignIn {
  /** Where the fitter wanted to go. */
  readonly to = input('/bench');
  private readonly session = inject(SessionService);
  private readonly vault = inject(Vault);
  private readonly contact = inject(Contact);
  private readonly pack = inject(PackDoor);
  private readonly router = inject(Router);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly injector = inject(Injector);
  private readonly ahead = inject(TypeAhead);
  private readonly turned = signal<'sign-in' | 'code'>('sign-in');
  protected readonly mode = computed(() => (this.session.firstRun() ? 'first' : this.turned()));
  /** Whether the passphrase was right and a code of the second factor must come with it. */
  protected readonly wantsCode = signal(false);
  protected readonly fault = signal('');
  /** Whether the server is away and what this device has is signed in to. */
  protected readonly away = signal(false);
  protected readonly busy = signal(false);
  /** Whether this device was ended, and has erased what it had. */
  protected readonly ended = this.session.ended;

  protected readonly first = new SchemaForm(firstRunSchema, {
    name: line(),
    signIn: line(),
    passphrase: line(),
  });
  protected readonly given = new SchemaForm(takeCodeSchema, {
    signIn: line(),
    code: line(),
    passphrase: line(),
  });
  protected readonly own = new SchemaForm(
    signInSchema,
    { signIn: line(), passphrase: line(), code: line() },
    ({ code, ...rest }) => (this.wantsCode() ? { ...rest, code } : rest),
  );

  constructor() {
    // There is nothing else to do here, so typing may start at once.
    this.focusFirst();
    // One name on both forms: what is typed while one makes way for the other is kept.
    const [own, given] = [this.own.group.controls.signIn, this.given.group.controls.signIn];
    own.valueChanges.subscribe((name) => given.setValue(name, { emitEvent: false }));
    given.valueChanges.subscribe((name) => own.setValue(name, { emitEvent: false }));
    // Where nobody can sign in yet another form comes; else somebody may be typing by now.
    this.session.known().subscribe({
      next: () => this.session.firstRun() && this.focusFirst(),
      error: (problem: Error) => void this.unreached(problem),
    });
  }

  /** Whoever has signed in here before can do so while the server is away; that is no fault of theirs. */
  private async unreached(problem: Error): Promise<void> {
    const known = isAway(problem) && (await this.vault.knowsSomebody().catch(() => false));
    if (known) this.away.set(true);
    else this.fail(problem);
  }

  protected turn(mode: 'sign-in' | 'code'): void {
    this.turned.set(mode);
    this.fault.set('');
    this.focusFirst();
  }

  protected signIn(): void {
    const read = this.own.read();
    if (read !== null) this.enter(this.session.signIn(read));
  }

  protected begin(): void {
    const read = this.first.read();
    if (read !== null) this.enter(this.session.begin(read));
  }

  protected takeCode(): void {
    const read = this.given.read();
    if (read !== null) this.enter(this.session.takeCode(read));
  }

  private enter(answer: Observable<SignedIn | null>): void {
    this.busy.set(true);
    this.fault.set('');
    answer.subscribe({
      // Only a path of this application; never to another site. Until it is there, this page stays busy.
      next: () => void this.go(),
      error: this.fail,
    });
  }

  private async go(): Promise<void> {
    // While the server is away what was taken along answers from the first page on.
    if (this.contact.away()) await this.pack.open().catch(() => undefined);
    await this.router.navigateByUrl(/^\/(?!\/)/.test(this.to()) ? this.to() : '/bench');
  }

  private readonly fail = (problem: Error): void => {
    this.ahead.take();
    this.busy.set(false);
    this.fault.set(problem.message);
    if (!(problem instanceof ApiProblem) || problem.kind !== 'second-factor-wanted') return;
    this.turned.set('sign-in');
    this.wantsCode.set(true);
    this.focus('input[autocomplete=one-time-code]');
  };

  private focusFirst(): void {
    this.focus('input');
  }

  private focus(what: string): void {
    afterNextRender(() => this.host.nativeElement.querySelector<HTMLElement>(what)?.focus(), {
      injector: this.injector,
    });
  }

  /** What is typed while signing in is under way is meant for the place behind it. */
  protected onKey(event: KeyboardEvent): void {
    if (this.busy() && this.ahead.keep(event)) event.preventDefault();
  }
}
