import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl, FormsModule, ReactiveFormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { lineSchema } from '@neat-measure/contract';
import { type MusterSummary } from '@neat-measure/contract/musters';
import { counted, dayOf, type MusterAct, type MusterDoing } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { v7 as uuidv7 } from 'uuid';
import * as z from 'zod';
import { Journal } from '../../../data/journal/journal';
import { MusterService } from '../../../data/musters/muster-service';
import { Fetched } from '../../../data/fetched';
import { Paged } from '../../../data/paged';
import { SessionService } from '../../../data/session-service';
import { UnitService } from '../../../data/unit-service';
import { EmptyState } from '../../../parts/empty-state/empty-state';
import { Fetching } from '../../../parts/fetching/fetching';
import { DayWords } from '../../../parts/forms/day-words';
import { SchemaForm } from '../../../parts/forms/schema-form';
import { sayDays } from '../say-muster';
import { STATION_SETS } from './station-sets';

/** What a new muster is to be, as it is typed. */
const musterSchema = z
  .object({
    name: lineSchema(80),
    place: z.string().trim().max(80),
    day: z.iso.date({ error: 'Choose the first day.' }),
    lastDay: z.iso.date({ error: 'Choose the last day.' }),
  })
  .refine(({ day, lastDay }) => day <= lastDay, {
    path: ['lastDay'],
    error: 'The last day is before the first. Choose a later one.',
  });

/** The musters of the house, and where a new one is opened. */
@Component({
  selector: 'nm-muster-list',
  imports: [
    DayWords,
    EmptyState,
    Fetching,
    FormsModule,
    NzButtonModule,
    NzInputModule,
    NzRadioModule,
    ReactiveFormsModule,
    RouterLink,
  ],
  templateUrl: './muster-list.html',
  styles: `
    form {
      max-width: 1000px;
      margin-top: 18px;
      padding: 18px;
    }
    .sets label {
      display: flex;
      align-items: center;
      min-height: var(--target);
      margin: 0;
    }
    .sets b {
      margin-right: 6px;
    }
  `,
  host: { class: 'page' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MusterList {
  private readonly service = inject(MusterService);
  private readonly journal = inject(Journal);
  private readonly session = inject(SessionService);
  private readonly units = inject(UnitService);
  private readonly router = inject(Router);
  protected readonly sets = STATION_SETS;
  protected readonly sayDays = sayDays;
  protected readonly lead = computed(() => this.session.may('lead-muster'));
  protected readonly musters = new Paged<MusterSummary>((query) => this.service.list(query));
  protected readonly groups = new Fetched(() => this.service.groups());
  protected readonly counted = counted;
  protected readonly opening = signal(false);
  protected readonly busy = signal(false);
  protected readonly failed = signal('');
  protected readonly set = signal(0);
  protected readonly today = dayOf(new Date());
  protected readonly form = new SchemaForm(musterSchema, {
    name: new FormControl('', { nonNullable: true }),
    place: new FormControl('', { nonNullable: true }),
    day: new FormControl(this.today, { nonNullable: true }),
    lastDay: new FormControl(this.today, { nonNullable: true }),
  });

  /** How far a muster has come, in a few words. */
  protected stateOf({ people, here, gone, closedAt }: MusterSummary): string {
    if (people === 0) return closedAt === null ? 'no wearers yet' : 'closed';
    const all = counted(people, 'wearer');
    if (closedAt !== null) return `${all}, closed`;
    return here + gone === 0 ? all : `${all}, ${here} here, ${gone} gone`;
  }

  /** A last day that nobody has chosen follows the first. */
  protected follow(): void {
    const { day, lastDay } = this.form.group.controls;
    if (lastDay.pristine || lastDay.value < day.value) lastDay.setValue(day.value);
  }

  /** The muster being opened: asked for again after a failure, it is the same one. */
  private id: string | null = null;

  protected save(): void {
    const fitter = this.session.fitter();
    const values = this.form.read();
    if (values === null || fitter === null || this.busy()) return;
    this.busy.set(true);
    this.failed.set('');
    if (this.id === null) {
      const musterId = uuidv7();
      this.id = musterId;
      const doings: MusterDoing[] = [
        { kind: 'muster-opened', ...values, unit: this.units.unit() },
        ...this.sets[this.set()]!.stations.map(
          ({ name, parts }): MusterDoing => ({
            kind: 'station-opened',
            stationId: uuidv7(),
            name,
            parts: [...parts],
          }),
        ),
      ];
      const by = { id: fitter.id, name: fitter.name };
      for (const doing of doings) {
        const act: MusterAct = { id: uuidv7(), musterId, at: new Date().toISOString(), by, ...doing };
        this.journal.write(fitter.pen, act);
      }
    }
    const musterId = this.id;
    this.journal
      .whenSent(musterId)
      .then(() => this.router.navigate(['/roll', musterId]))
      .catch((problem: unknown) => {
        this.busy.set(false);
        this.failed.set(
          `${(problem as Error).message} The muster is saved on this device and sent automatically. Then press Create muster to continue.`,
        );
      });
  }
}
