import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { ROLES, type Role, type Settings } from '@neat-measure/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { HouseService } from '../../data/house-service';
import { ROLE_WORDS } from './say-role';

/** What the house has settled for everybody. */
@Component({
  selector: 'nm-settings',
  imports: [NzButtonModule, NzInputModule],
  template: `
    <h2>Settings</h2>
    <p>They hold for everybody, from the next thing anybody does.</p>
    @if (trouble()) {
      <p class="fault" role="alert">{{ trouble() }}</p>
    }
    @if (settings(); as now) {
      <form
        (submit)="
          save(now, idle.valueAsNumber, hours.valueAsNumber, {
            peopleDays: days(people),
            linksDays: days(links),
            tapesDays: days(tapes),
          });
          $event.preventDefault()
        "
      >
        <div class="settled">
          <h3>Sessions</h3>
          <label
            >Minutes in which nothing is done
            <input
              #idle
              nz-input
              class="num"
              type="number"
              min="5"
              max="1440"
              required
              [value]="now.idleMinutes"
          /></label>
          <label
            >Hours, whatever is done
            <input
              #hours
              nz-input
              class="num"
              type="number"
              min="1"
              max="72"
              required
              [value]="now.sessionHours"
          /></label>
          <h3>Second factor</h3>
          <p>Whoever has one of these roles signs in with a code besides the passphrase.</p>
          @for (role of roles; track role) {
            <label class="tick"
              ><input type="checkbox" [checked]="wanted().includes(role)" (change)="turn(role)" />
              {{ words[role].name }}</label
            >
          }
          <h3>Whoever is erased</h3>
          <label class="tick"
            ><input type="checkbox" [checked]="bodies()" (change)="bodies.set(!bodies())" /> Their values stay
            without a name, for maps and coverage</label
          >
          <h3>What is kept, and how long</h3>
          <p>In days; nothing there keeps it without end. It is taken out at night.</p>
          <label
            >People nothing was done for
            <input #people nz-input class="num" type="number" min="30" [value]="now.retention.peopleDays"
          /></label>
          <label
            >Links for measuring oneself, after their end
            <input #links nz-input class="num" type="number" min="1" [value]="now.retention.linksDays"
          /></label>
          <label
            >What tapes sent
            <input #tapes nz-input class="num" type="number" min="1" [value]="now.retention.tapesDays"
          /></label>
          <button nz-button nzType="primary" type="submit">Keep these settings</button>
          @if (kept()) {
            <span class="done" role="status">Kept.</span>
          }
        </div>
      </form>
    }
  `,
  styleUrl: './desk.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettingsDesk {
  private readonly house = inject(HouseService);
  protected readonly settings = signal<Settings | null>(null);
  protected readonly wanted = signal<readonly Role[]>([]);
  protected readonly bodies = signal(false);
  protected readonly trouble = signal('');
  protected readonly kept = signal(false);
  protected readonly roles = ROLES;
  protected readonly words = ROLE_WORDS;

  constructor() {
    this.house.settings().subscribe({ next: (one) => this.show(one), error: this.fail });
  }

  protected turn(role: Role): void {
    this.wanted.update((wanted) =>
      wanted.includes(role) ? wanted.filter((one) => one !== role) : [...wanted, role],
    );
  }

  /** Nothing is no number of days. */
  protected days({ valueAsNumber }: HTMLInputElement): number | null {
    return Number.isNaN(valueAsNumber) ? null : valueAsNumber;
  }

  protected save(
    now: Settings,
    idleMinutes: number,
    sessionHours: number,
    retention: Settings['retention'],
  ): void {
    this.trouble.set('');
    this.kept.set(false);
    this.house
      .saveSettings({
        ...now,
        idleMinutes,
        sessionHours,
        secondFactorFor: [...this.wanted()],
        keepErasedBodies: this.bodies(),
        retention,
      })
      .subscribe({
        next: (one) => {
          this.show(one);
          this.kept.set(true);
        },
        error: this.fail,
      });
  }

  private show(settings: Settings): void {
    this.settings.set(settings);
    this.wanted.set(settings.secondFactorFor);
    this.bodies.set(settings.keepErasedBodies);
  }

  private readonly fail = (problem: Error): void => this.trouble.set(problem.message);
}
