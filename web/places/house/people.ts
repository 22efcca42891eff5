import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { ROLES, type OneTimeCode, type Person, type Role } from '@neat-measure/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzPopconfirmModule } from 'ng-zorro-antd/popconfirm';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { switchMap, type Observable } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { HouseService } from '../../data/house-service';
import { ROLE_WORDS, sayMoment } from './say-role';
import { ControlName } from '../../parts/forms/control-name';

/** Who may sign in: invited, changed, deactivated. */
@Component({
  selector: 'nm-people',
  imports: [ControlName, FormsModule, NzButtonModule, NzInputModule, NzSelectModule, NzPopconfirmModule],
  templateUrl: './people.html',
  styleUrl: './desk.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class People {
  private readonly house = inject(HouseService);
  protected readonly people = signal<readonly Person[]>([]);
  protected readonly code = signal<(OneTimeCode & { readonly name: string; readonly signIn: string }) | null>(
    null,
  );
  protected readonly trouble = signal('');
  protected readonly role = signal<Role>('fitter');
  protected readonly roles = ROLES.map((role) => ({ value: role, label: ROLE_WORDS[role].name }));
  protected readonly about = computed(
    () => `${ROLE_WORDS[this.role()].name}: ${ROLE_WORDS[this.role()].does}.`,
  );
  protected readonly sayMoment = sayMoment;

  constructor() {
    this.list();
  }

  protected invite(name: HTMLInputElement, signIn: HTMLInputElement): void {
    const save = { name: name.value, signIn: signIn.value, role: this.role(), active: true, version: 0 };
    this.does(
      this.house.savePerson(uuidv7(), save).pipe(
        switchMap(async (person) => {
          name.value = signIn.value = '';
          this.giveCode(person);
          return Promise.resolve();
        }),
      ),
    );
  }

  protected change(person: Person, change: Partial<Pick<Person, 'role' | 'active'>>): void {
    const { name, signIn, role, active, version } = { ...person, ...change };
    this.does(this.house.savePerson(person.id, { name, signIn, role, active, version }));
  }

  protected giveCode({ id, name, signIn }: Person): void {
    this.does(
      this.house.giveCode(id).pipe(
        switchMap((code) => {
          this.code.set({ ...code, name, signIn });
          return Promise.resolve();
        }),
      ),
    );
  }

  protected signOut({ id }: Person): void {
    this.does(this.house.endSessionsOf(id));
  }

  private does(work: Observable<unknown>): void {
    this.trouble.set('');
    work.subscribe({
      next: () => this.list(),
      error: (problem: Error) => {
        this.trouble.set(problem.message);
        this.list();
      },
    });
  }

  private list(): void {
    this.house.people().subscribe({
      next: (people) => this.people.set(people),
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }
}
