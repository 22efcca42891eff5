import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MOST_SLIPS, type Asked, type AskedState, type SlipsMade } from '@neat-measure/contract/musters';
import { counted, list, measurement } from '@neat-measure/core';
import { MOST_ACCEPTED, type MusterPerson } from '@neat-measure/core/muster';
import { tableAsCsv } from '@neat-measure/core/stock-table';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { finalize } from 'rxjs';
import { Fetched } from '../../../data/fetched';
import { ChartFiles } from '../../../data/imported/chart-files';
import { Journal } from '../../../data/journal/journal';
import { MusterService } from '../../../data/musters/muster-service';
import { MusterStore } from '../../../data/musters/muster-store';
import { SessionService } from '../../../data/session-service';
import { Fetching } from '../../../parts/fetching/fetching';

/** So many names a list shows; the buttons above it are for all of them. */
const SHOWN = 60;

/** Somebody on the list, with what came of asking them. */
interface Row {
  readonly person: MusterPerson;
  readonly asked: Asked;
  readonly name: string;
  readonly role: string;
}

/** Which of them are listed. */
type Shown = AskedState | 'all' | 'accepted' | 'concerns';

const WORDS: Readonly<Record<Exclude<Shown, 'all'>, string>> = {
  'not-asked': 'Not asked',
  sent: 'Not opened',
  opened: 'Opened, not sent',
  answered: 'Answered',
  ended: 'Expired',
  accepted: 'Accepted',
  concerns: 'Needs a fitter',
};

/** Who measures themselves at home: slips and reminders, who has answered, and what can be accepted for the group. */
@Component({
  selector: 'nm-asked-desk',
  imports: [Fetching, FormsModule, NzButtonModule, NzInputModule],
  templateUrl: './asked-desk.html',
  styles: `
    :host {
      gap: 12px;
      margin-top: 14px;
    }
    .panel {
      padding: 14px 18px;
    }
    input[type='date'] {
      width: 190px;
    }
    .what small {
      display: block;
      font-weight: 400;
    }
    .late {
      color: var(--brick);
    }
  `,
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AskedDesk {
  private readonly service = inject(MusterService);
  private readonly store = inject(MusterStore);
  private readonly journal = inject(Journal);
  private readonly files = inject(ChartFiles);
  private readonly session = inject(SessionService);

  /** The muster is open before this is. */
  private readonly musterId = this.store.muster()!.id;

  protected readonly counted = counted;
  protected readonly SHOWN = SHOWN;
  protected readonly asked = new Fetched<readonly Asked[]>(() => this.service.asked(this.musterId));
  protected readonly shown = signal<Shown>('all');
  /** Until when they can answer: the day before the muster, or a week where that is too near. */
  protected readonly lastDay = signal(dayAhead(7));
  protected readonly busy = signal(false);
  protected readonly failed = signal('');
  protected readonly told = signal('');
  protected readonly leads = computed(
    () => this.session.may('lead-muster') && this.store.muster()?.closedAt === null,
  );

  private readonly rows = computed<readonly Row[]>(() => {
    const [muster, asked] = [this.store.muster(), this.asked.value()];
    if (muster === null || asked === null) return [];
    const byWearer = new Map(asked.map((one) => [one.wearerId, one]));
    return muster.people
      .flatMap((person): Row[] => {
        const { wearerId } = person;
        const one = byWearer.get(wearerId) ?? notAsked(wearerId);
        return [{ person, asked: one, name: this.store.name(wearerId), role: this.store.role(wearerId) }];
      })
      .sort((one, other) => one.name.localeCompare(other.name));
  });
  protected readonly filters = computed(() => {
    const all = this.rows();
    const some = (Object.keys(WORDS) as Exclude<Shown, 'all'>[]).map((id) => ({
      id: id as Shown,
      name: WORDS[id],
      count: all.filter((row) => isShown(row, id)).length,
    }));
    return [{ id: 'all' as Shown, name: 'All', count: all.length }, ...some.filter(({ count }) => count > 0)];
  });
  protected readonly listed = computed(() => this.rows().filter((row) => isShown(row, this.shown())));
  /**
   * Who of them is asked: whoever has not answered. Who has a slip that stands is asked again only where those are
   * listed, as their first slip ends.
   */
  private readonly unanswered = computed(() =>
    this.listed()
      .filter(({ asked, person }) => asked.state !== 'answered' && person.ownAcceptedAt === null)
      .filter(({ asked: { state } }) => this.shown() !== 'all' || state === 'not-asked' || state === 'ended'),
  );
  protected readonly toAsk = computed(() => this.unanswered().slice(0, MOST_SLIPS));
  /** How many are left for the next time: so many slips are printed at once. */
  protected readonly later = computed(() => this.unanswered().length - this.toAsk().length);
  protected readonly again = computed(() => this.toAsk().some(({ asked }) => asked.state !== 'not-asked'));
  protected readonly toAccept = computed(() =>
    this.listed()
      .filter(({ asked }) => asked.acceptable.length > 0)
      .slice(0, MOST_ACCEPTED),
  );

  protected state({ asked, person }: Row): string {
    const { state, at, until } = asked;
    if (person.ownAcceptedAt !== null) return `accepted ${said(person.ownAcceptedAt)}`;
    switch (state) {
      case 'not-asked':
        return 'not asked';
      case 'sent':
        return `slip until ${said(until)}`;
      case 'opened':
        return `opened ${said(at)}, not sent`;
      case 'answered':
        return `answered ${said(at)}`;
      case 'ended':
        return `expired ${said(until)}`;
    }
  }

  /** What they sent: the names alone, as the numbers are for the docket. */
  protected sent({ asked: { values } }: Row): string {
    return list(values.map(({ code }) => measurement(code).name.toLowerCase()));
  }

  protected ask(as: 'slips' | 'letters'): void {
    if (this.busy() || this.toAsk().length === 0) return;
    this.busy.set(true);
    this.failed.set('');
    this.told.set('');
    const wearerIds = this.toAsk().map(({ person }) => person.wearerId);
    this.service
      .makeSlips(this.musterId, { lastDay: this.lastDay(), wearerIds, as })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (made) => this.made(made, as),
        error: (problem: Error) => this.failed.set(problem.message),
      });
  }

  private made({ made, without, pdf }: SlipsMade, as: 'slips' | 'letters'): void {
    if (pdf !== null) this.files.save(asBlob(pdf), 'slips.pdf');
    const [thing, way] = as === 'slips' ? ['slip', 'saved as slips.pdf'] : ['letter', 'in the outbox'];
    this.told.set(made === 0 ? '' : `${counted(made, thing)} ${way}.`);
    const nothing = without.filter(({ why }) => why === 'asks-nothing');
    if (nothing.length > 0) {
      const names = list(nothing.slice(0, 5).map(({ wearerId }) => this.store.name(wearerId)));
      this.failed.set(
        `No slip for ${names}${nothing.length > 5 ? ` and ${nothing.length - 5} more` : ''}: nothing is measured for them. Give them a kit.`,
      );
    }
    this.asked.again();
  }

  protected async accept(): Promise<void> {
    const wearerIds = this.toAccept().map(({ person }) => person.wearerId);
    if (wearerIds.length === 0 || this.busy()) return;
    if (!this.store.does({ kind: 'values-accepted', wearerIds, accepted: [] })) return;
    this.busy.set(true);
    this.failed.set('');
    try {
      await this.journal.whenSent(this.musterId);
      // What was found on the dockets, and not what was asked for: somebody else may have been faster.
      const asked = new Set(wearerIds);
      const people = this.store.muster()?.people ?? [];
      const done = people.filter((one) => asked.has(one.wearerId) && one.ownAcceptedAt !== null);
      this.told.set(`Measurements of ${counted(done.length, 'wearer')} accepted.`);
      this.asked.again();
    } catch (problem) {
      this.failed.set(
        `${(problem as Error).message} It is saved on this device and sent when the server can be reached.`,
      );
    } finally {
      this.busy.set(false);
    }
  }

  /** The names that are listed, to be read out or sent round. */
  protected saveNames(): void {
    const rows = this.listed().map((row) => [
      row.name,
      row.role,
      this.store.number(row.person.wearerId),
      this.state(row),
    ]);
    this.files.save(
      tableAsCsv([['name', 'role', 'house number', 'state'], ...rows]),
      'names.csv',
      'text/csv',
    );
  }
}

function isShown({ asked, person }: Row, shown: Shown): boolean {
  if (shown === 'all') return true;
  if (shown === 'accepted') return person.ownAcceptedAt !== null;
  if (shown === 'concerns') return asked.concerns.length > 0;
  return asked.state === shown && person.ownAcceptedAt === null;
}

function notAsked(wearerId: string): Asked {
  return {
    ...{ wearerId, state: 'not-asked', at: null, until: null },
    ...{ values: [], acceptable: [], concerns: [] },
  };
}

/** A moment as a day and an hour, by the clock of this machine. */
function said(at: string | null): string {
  if (at === null) return '';
  return new Date(at).toLocaleString('en-GB', {
    ...{ day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' },
  });
}

function dayAhead(days: number): string {
  const day = new Date();
  day.setDate(day.getDate() + days);
  return `${day.getFullYear()}-${String(day.getMonth() + 1).padStart(2, '0')}-${String(day.getDate()).padStart(2, '0')}`;
}

function asBlob(base64: string): Blob {
  const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
  return new Blob([bytes], { type: 'application/pdf' });
}
