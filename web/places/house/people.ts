import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormsModule, ReactiveFormsModule } from '@angular/forms';
import { personSaveSchema, ROLES, type OneTimeCode, type Person, type Role } from '@neat-measure/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzPopconfirmModule } from 'ng-zorro-antd/popconfirm';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { tap, type Observable } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { HouseService } from '../../data/house-service';
import { ROLE_WORDS, sayMoment } from './say-role';
import { ControlName } from '../../parts/forms/control-name';
import { line, SchemaForm } from '../../parts/forms/schema-form';
import { TextField } from '../../parts/forms/text-field';
import { Fetching } from '../../parts/fetching/fetching';
import { Fetched } from '../../data/fetched';

/** Who may sign in: invited, changed, deactivated. */
@Component({
  selector: 'nm-people',
  imports: [
    Fetching,
    ControlName,
    FormsModule,
    NzButtonModule,
    NzSelectModule,
    NzPopconfirmModule,
    ReactiveFormsModule,
    TextField,
  ],
  templateUrl: './people.html',
  styleUrl: './desk.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class People {
  private readonly house = inject(HouseService);
  protected readonly people = new Fetched<readonly Person[]>(() => this.house.people());
  protected readonly code = signal<(OneTimeCode & { readonly name: string; readonly signIn: string }) | null>(
    null,
  );
  protected readonly trouble = signal('');
  protected readonly invited = new SchemaForm(
    personSaveSchema,
    { name: line(), signIn: line(), role: new FormControl<Role>('fitter', { nonNullable: true }) },
    (value) => ({ ...value, active: true, version: 0 }),
  );
  private readonly role = toSignal(this.invited.group.controls.role.valueChanges, {
    initialValue: 'fitter' as Role,
  });
  protected readonly roles = ROLES.map((role) => ({ value: role, label: ROLE_WORDS[role].name }));
  protected readonly about = computed(
    () => `${ROLE_WORDS[this.role()].name}: ${ROLE_WORDS[this.role()].does}.`,
  );
  protected readonly sayMoment = sayMoment;

  protected invite(): void {
    const save = this.invited.read();
    if (save === null) return;
    this.does(
      this.house.savePerson(uuidv7(), save).pipe(
        tap((person) => {
          this.invited.group.reset({ role: save.role });
          this.giveCode(person);
        }),
      ),
    );
  }

  protected change(person: Person, change: Partial<Pick<Person, 'role' | 'active'>>): void {
    const { name, signIn, role, active, version } = { ...person, ...change };
    this.does(this.house.savePerson(person.id, { name, signIn, role, active, version }));
  }

  protected giveCode({ id, name, signIn }: Person): void {
    this.does(this.house.giveCode(id).pipe(tap((code) => this.code.set({ ...code, name, signIn }))));
  }

  protected signOut({ id }: Person): void {
    this.does(this.house.endSessionsOf(id));
  }

  private does(work: Observable<unknown>): void {
    this.trouble.set('');
    work.subscribe({
      next: () => this.people.again(),
      error: (problem: Error) => {
        this.trouble.set(problem.message);
        this.people.again();
      },
    });
  }
}
