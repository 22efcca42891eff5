import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { wearerRecordPath, type WearerRecord } from '@neat-measure/contract';
import {
  LOCALE,
  ageAt,
  bareUnit,
  buildOf,
  CLOTHING_WORDS,
  formatLength,
  isSameWaist,
  measurement,
  micrometres,
  ORIGIN_WORDS,
  TENSION_WORDS,
  WAIST_WORDS,
  type MeasurementCode,
  nameAt,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { finalize } from 'rxjs';
import { SessionService } from '../../../data/session-service';
import { UnitService } from '../../../data/unit-service';
import { WearerService } from '../../../data/wearer-service';
import { BodyFigure } from '../../../parts/body-figure/body-figure';
import { EmptyState } from '../../../parts/empty-state/empty-state';
import { PersonActs } from '../person-acts';
import { ValuePlot } from './value-plot';

/** The record of a person: every value ever settled, how each has moved, and what is due. */
@Component({
  selector: 'nm-person-record',
  imports: [BodyFigure, EmptyState, NzButtonModule, NzInputModule, PersonActs, RouterLink, ValuePlot],
  templateUrl: './person-record.html',
  styles: `
    section a {
      text-decoration: underline;
    }
    .figure {
      display: grid;
      grid-template-columns: 190px minmax(0, 1fr);
      gap: 24px;
      margin-top: 12px;
    }
    nm-body-figure {
      height: 330px;
    }
    table {
      width: 100%;
      margin-top: 12px;
    }
    td {
      vertical-align: top;
      &:not(:last-child) {
        white-space: nowrap;
      }
    }
    .born input {
      width: 130px;
    }
  `,
  host: { class: 'beside' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PersonRecord {
  readonly wearerId = input.required<string>();
  protected readonly session = inject(SessionService);
  private readonly wearers = inject(WearerService);
  private readonly units = inject(UnitService);

  protected readonly record = signal<WearerRecord | null>(null);
  protected readonly trouble = signal('');
  protected readonly bornFault = signal('');
  protected readonly busy = signal(false);
  protected readonly paths = computed(() => {
    const path = (ending: '.csv' | '.json' | '.pdf') => wearerRecordPath(this.wearerId(), ending);
    return { csv: path('.csv'), json: path('.json'), pdf: path('.pdf') };
  });

  /** Of every measurement that was ever settled the latest value, and how it has moved since the one before. */
  protected readonly rows = computed(() => {
    const record = this.record();
    if (record === null) return [];
    const codes = [...new Set(record.points.map(({ code }) => code))];
    return codes.map((code) => {
      const own = comparable(record.points, code);
      const [before, last] = [own.at(-2), own.at(-1)!];
      const unit = bareUnit(code, this.units.unit());
      const moved = before === undefined ? 0 : last.value - before.value;
      return {
        code,
        name: nameAt(code, last.waist),
        value: formatLength(last.value, this.units.written(unit)),
        due: record.due.includes(code),
        moved:
          before === undefined
            ? ''
            : moved === 0
              ? 'as before'
              : `${formatLength(micrometres(Math.abs(moved)), this.units.written(unit))} ${moved > 0 ? 'more' : 'less'}`,
      };
    });
  });
  protected readonly chosen = linkedSignal<MeasurementCode | null>(() => this.rows()[0]?.code ?? null);
  protected readonly open = computed(() => {
    const [record, code] = [this.record(), this.chosen()];
    if (record === null || code === null) return null;
    const unit = bareUnit(code, this.units.unit());
    const points = record.points.filter((point) => point.code === code);
    const { name, instruments } = measurement(code);
    const taped = instruments.includes('tape');
    return {
      code,
      name,
      unit,
      // The plot shows how one measurement moved, the table all that was ever settled under its name.
      plotted: comparable(record.points, code),
      due: record.due.includes(code),
      lines: points.map((point) => ({
        key: `${point.docket} ${point.takenAt}`,
        day: day(point.takenAt),
        value: formatLength(point.value, this.units.written(unit)),
        docket: point.docket,
        by: point.by.name,
        how: [
          ORIGIN_WORDS[point.origin],
          ...(point.waist === 'navel' ? [nameAt(point.code, point.waist)] : []),
          `${point.readings} ${point.readings === 1 ? 'reading' : 'readings'}`,
          ...(taped ? [TENSION_WORDS[point.tension], CLOTHING_WORDS[point.clothing]] : []),
          ...(point.waist === null ? [] : [`waist ${WAIST_WORDS[point.waist]}`]),
          ...(point.instrument === 'string' ? ['with a string and a ruler'] : []),
        ].join(', '),
      })),
    };
  });
  protected readonly build = computed(() =>
    buildOf(new Map(this.record()?.points.map(({ code, value }) => [code, value]) ?? [])),
  );
  protected readonly age = computed(() => {
    const age = ageAt(this.record()?.person.born ?? null, Date.now());
    return age === null ? '' : `${age} years old`;
  });

  constructor() {
    effect((onCleanup) => {
      const id = this.wearerId();
      const asked = this.wearers.record(id).subscribe({
        next: (record) => {
          this.trouble.set('');
          this.record.set(record);
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
      onCleanup(() => asked.unsubscribe());
    });
  }

  /** Keeps the month somebody was born in; what is due goes by it at once. */
  protected keepBorn(text: string): void {
    const person = this.record()?.person;
    const born = text.trim() === '' ? null : text.trim();
    if (person === undefined || born === person.born || this.busy()) return;
    if (born !== null && !/^(19|20)\d\d-(0[1-9]|1[0-2])$/.test(born))
      return this.bornFault.set('Enter year and month, such as 2009-04.');
    this.bornFault.set('');
    this.busy.set(true);
    this.wearers
      .save({ ...person, born })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: () => this.wearers.record(person.id).subscribe((record) => this.record.set(record)),
        error: (problem: Error) => this.bornFault.set(problem.message),
      });
  }
}

/** The values of a measurement that go with its latest: with the waist elsewhere another length is read. */
function comparable(points: WearerRecord['points'], code: MeasurementCode): WearerRecord['points'] {
  const own = points.filter((point) => point.code === code);
  return own.filter(({ waist }) => isSameWaist(waist, own.at(-1)!.waist));
}

function day(at: string): string {
  return new Date(at).toLocaleDateString(LOCALE, { day: 'numeric', month: 'short', year: 'numeric' });
}
