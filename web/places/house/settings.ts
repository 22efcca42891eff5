import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { ROLES, settingsSaveSchema, type Role, type Settings } from '@neat-measure/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { HouseService } from '../../data/house-service';
import { bySchema, faultsOf, type FieldFaults } from '../../parts/forms/schema-form';
import { ROLE_WORDS } from './say-role';
import { Fetching } from '../../parts/fetching/fetching';
import { Fetched } from '../../data/fetched';

/** What the house has settled for everybody. */
@Component({
  selector: 'nm-settings',
  imports: [
    Fetching,
    ReactiveFormsModule,
    NzButtonModule,
    NzCheckboxModule,
    NzInputModule,
    NzInputNumberModule,
  ],
  template: `
    <h2 class="title">Settings</h2>
    <p>Settings apply to everyone at once.</p>
    <nm-fetching [of]="fetched" words="Loading settings" />
    @if (settings()) {
      <form [formGroup]="form" (submit)="save(); $event.preventDefault()">
        <h3>The house</h3>
        <div class="field ample under">
          <label for="house-name">House name, printed on orders</label>
          <input
            nz-input
            id="house-name"
            maxlength="120"
            autocomplete="organization"
            formControlName="name"
          />
        </div>
        <h3>Sessions</h3>
        @for (one of sessions; track one.path) {
          <div class="field ample under">
            <label [for]="one.path">{{ one.words }}</label>
            <nz-input-number [nzId]="one.path" [formControl]="one.control" />
            @if (faults()[one.path]; as fault) {
              <p class="fault" role="alert">{{ fault }}</p>
            }
          </div>
        }
        <h3>Second factor</h3>
        <p>Users with these roles sign in with a code and the passphrase.</p>
        <nz-checkbox-group
          formControlName="secondFactorFor"
          [nzOptions]="roles"
          aria-label="Roles that need a second factor"
        />
        <h3>Erased wearers</h3>
        <label nz-checkbox formControlName="keepErasedBodies"
          >Keep their values without a name, for maps and coverage</label
        >
        <h3>Retention</h3>
        <p>In days. Empty keeps data without limit. Data is deleted at night.</p>
        @for (one of kept; track one.path) {
          <div class="field ample under">
            <label [for]="one.path">{{ one.words }}</label>
            <nz-input-number [nzId]="one.path" [formControl]="one.control" />
            @if (faults()[one.path]; as fault) {
              <p class="fault" role="alert">{{ fault }}</p>
            }
          </div>
        }
        <p class="acts">
          <button nz-button nzType="primary" type="submit" [disabled]="!form.valid">Save settings</button>
          @if (saved()) {
            <span class="done" role="status">Saved.</span>
          }
        </p>
      </form>
    }
    @if (trouble()) {
      <p class="fault" role="alert">{{ trouble() }}</p>
    }
  `,
  styleUrl: './desk.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettingsDesk {
  private readonly house = inject(HouseService);
  protected readonly fetched = new Fetched<Settings>(
    () => this.house.settings(),
    (one) => this.show(one),
  );
  protected readonly settings = signal<Settings | null>(null);
  protected readonly trouble = signal('');
  protected readonly saved = signal(false);
  protected readonly roles = ROLES.map((role) => ({ label: ROLE_WORDS[role].name, value: role }));

  private readonly fields = {
    name: new FormControl('', { nonNullable: true }),
    idleMinutes: new FormControl<number | null>(null),
    sessionHours: new FormControl<number | null>(null),
    awayDays: new FormControl<number | null>(null),
    secondFactorFor: new FormControl<Role[]>([], { nonNullable: true }),
    keepErasedBodies: new FormControl(false, { nonNullable: true }),
    retention: new FormGroup({
      peopleDays: new FormControl<number | null>(null),
      linksDays: new FormControl<number | null>(null),
      tapesDays: new FormControl<number | null>(null),
    }),
  };
  protected readonly form = new FormGroup(this.fields, {
    validators: bySchema<object>(settingsSaveSchema, (value) => ({ ...this.settings(), ...value })),
  });
  protected readonly faults = toSignal(faultsOf(this.form), { initialValue: {} as FieldFaults });

  protected readonly sessions = [
    {
      path: 'idleMinutes',
      words: 'Minutes without activity',
      control: this.fields.idleMinutes,
    },
    { path: 'sessionHours', words: 'Hours in total', control: this.fields.sessionHours },
    {
      path: 'awayDays',
      words: 'Days a device may stay offline before a lead fitter has to accept its changes',
      control: this.fields.awayDays,
    },
  ];
  protected readonly kept = [
    {
      path: 'retention.peopleDays',
      words: 'Wearers without activity',
      control: this.fields.retention.controls.peopleDays,
    },
    {
      path: 'retention.linksDays',
      words: 'Self-measuring links, after they expire',
      control: this.fields.retention.controls.linksDays,
    },
    {
      path: 'retention.tapesDays',
      words: 'Readings sent by tapes',
      control: this.fields.retention.controls.tapesDays,
    },
  ];

  protected save(): void {
    const now = this.settings();
    if (now === null || !this.form.valid) return;
    this.trouble.set('');
    this.saved.set(false);
    this.house.saveSettings({ ...now, ...(this.form.getRawValue() as Partial<Settings>) }).subscribe({
      next: (one) => {
        this.show(one);
        this.saved.set(true);
      },
      error: this.fail,
    });
  }

  private show(settings: Settings): void {
    this.settings.set(settings);
    this.form.patchValue({ ...settings, secondFactorFor: [...settings.secondFactorFor] });
  }

  private readonly fail = (problem: Error): void => this.trouble.set(problem.message);
}
