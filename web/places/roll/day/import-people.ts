import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Kit } from '@neat-measure/contract';
import type {
  ChangedField,
  Headings,
  PeopleImport,
  PeopleMatched,
  RowMatched,
} from '@neat-measure/contract/musters';
import { counted } from '@neat-measure/core';
import { plainWords, type ImportedTable } from '@neat-measure/core/imported';
import {
  COLUMN_UNITS,
  isMeasured,
  MOST_ROWS,
  PEOPLE_ROLE_WORDS,
  PEOPLE_ROLES,
  planPeople,
  type ColumnUnit,
  type PeopleRole,
  type PeopleTableRow,
} from '@neat-measure/core/people-table';
import { tableAsCsv } from '@neat-measure/core/stock-table';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzProgressModule } from 'ng-zorro-antd/progress';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NzUploadModule, type NzUploadFile } from 'ng-zorro-antd/upload';
import { concatMap, finalize, from, scan, Subscription, tap } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Fetched } from '../../../data/fetched';
import { ChartFiles, type ImportedFile } from '../../../data/imported/chart-files';
import { KitService } from '../../../data/kit-service';
import { MusterService } from '../../../data/musters/muster-service';
import { MusterStore } from '../../../data/musters/muster-store';
import { ControlName } from '../../../parts/forms/control-name';

/** So many rows are looked up at a time, so that it is seen how far it has come. */
const AT_ONCE = 500;
/** So many rows are shown of each sort; how many more there are is said. */
const SHOWN = 12;

/** A row with who it is: new, somebody who is known, on the muster already, or several it could be. */
interface Placed {
  readonly row: PeopleTableRow;
  readonly match: RowMatched;
}

const FIELD_WORDS: Readonly<Record<ChangedField, string>> = {
  name: 'name',
  role: 'role',
  born: 'month of birth',
  number: 'house number',
};

/** A list of wearers from a file or a pasted block: what each column is, which rows to correct, who is known, then all of it. */
@Component({
  selector: 'nm-import-people',
  imports: [
    ControlName,
    FormsModule,
    NzButtonModule,
    NzCheckboxModule,
    NzInputModule,
    NzProgressModule,
    NzSelectModule,
    NzUploadModule,
  ],
  templateUrl: './import-people.html',
  styles: `
    nz-select {
      min-width: 150px;
    }
    th > span {
      display: block;
      padding-top: 6px;
    }
    .unit {
      min-width: 80px;
    }
    td input {
      min-width: 120px;
    }
    // Why a row cannot be taken is seen whole, however far the columns reach.
    .why > td {
      border-bottom: 0;
      > span {
        position: sticky;
        left: 12px;
        display: inline-block;
        max-width: min(640px, 80vw);
      }
    }
  `,
  host: { class: 'stack scrolls' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ImportPeople {
  private readonly files = inject(ChartFiles);
  private readonly service = inject(MusterService);
  private readonly kitService = inject(KitService);
  private readonly store = inject(MusterStore);
  readonly done = output<void>();

  protected readonly SHOWN = SHOWN;
  protected readonly MOST_ROWS = MOST_ROWS;
  protected readonly counted = counted;
  protected readonly roles = PEOPLE_ROLES.map((value) => ({ value, label: PEOPLE_ROLE_WORDS[value] }));
  protected readonly units = COLUMN_UNITS.map((value) => ({ value, label: value }));
  protected readonly isMeasured = isMeasured;
  /** What the house has called such columns before. */
  private readonly headings = new Fetched<Headings>(() => this.service.headings());
  private readonly remembered = computed(() => {
    const known = new Set<string>(PEOPLE_ROLES);
    return new Map(
      (this.headings.value() ?? []).flatMap(({ heading, role }) =>
        known.has(role) ? [[heading, role as PeopleRole] as const] : [],
      ),
    );
  });
  protected readonly source = signal('');
  protected readonly trouble = signal<readonly string[]>([]);
  protected readonly tables = signal<readonly ImportedTable[]>([]);
  protected readonly which = signal(0);
  protected readonly choices = computed(() =>
    this.tables().map(({ name }, value) => ({ value, label: name === '' ? `Table ${value + 1}` : name })),
  );
  protected readonly said = signal<ReadonlyMap<number, PeopleRole>>(new Map());
  private readonly saidUnits = signal<ReadonlyMap<number, ColumnUnit>>(new Map());
  /** Cells that were corrected here, by their line. */
  private readonly mended = signal<ReadonlyMap<number, readonly string[]>>(new Map());
  protected readonly busy = signal(false);
  protected readonly kitId = signal('');
  protected readonly changes = signal(true);
  private readonly allKits = new Fetched<readonly Kit[]>(() => this.kitService.list());
  protected readonly kits = computed(() => [
    { value: '', label: 'By the wearer’s role' },
    ...(this.allKits.value() ?? []).map(({ id, name }) => ({ value: id, label: name })),
  ]);
  /** Who the rows are, of the wearers there are; `null` before that was asked. */
  protected readonly matched = signal<PeopleMatched | null>(null);

  protected readonly grid = computed(() => {
    const table = this.tables()[this.which()];
    if (table === undefined) return null;
    const mended = this.mended();
    return {
      ...table.grid,
      rows: table.grid.rows.map((row) => ({ ...row, cells: mended.get(row.line) ?? row.cells })),
    };
  });
  protected readonly plan = computed(() => {
    const grid = this.grid();
    return grid === null ? null : planPeople(grid, this.said(), this.remembered(), this.saidUnits());
  });

  private readonly placed = computed<readonly Placed[]>(() => {
    const [plan, matched] = [this.plan(), this.matched()];
    if (plan === null || matched === null) return [];
    const byLine = new Map(matched.rows.map((one) => [one.line, one]));
    return plan.rows.flatMap((row) => {
      const match = byLine.get(row.line);
      return match === undefined ? [] : [{ row, match }];
    });
  });
  protected readonly fresh = computed(() => this.placed().filter(({ match }) => match.known.length === 0));
  protected readonly known = computed(() =>
    this.placed().filter(({ match }) => match.known.length === 1 && !match.onMuster),
  );
  protected readonly changing = computed(() => this.known().filter(({ match }) => match.changes.length > 0));
  protected readonly here = computed(() => this.placed().filter(({ match }) => match.onMuster));
  /** Rows that several wearers could be: they are left out until a number or a month of birth tells. */
  protected readonly unclear = computed(() => this.placed().filter(({ match }) => match.known.length > 1));
  protected readonly importable = computed(() => this.fresh().length + this.known().length);

  protected readonly take = (file: NzUploadFile): boolean => {
    const own = (file.originFileObj ?? file) as unknown as File;
    void this.files.read(own).then((imported) => this.look(imported));
    return false;
  };

  protected async paste(text: string): Promise<void> {
    if (text.trim() !== '') this.look(await this.files.readPasted(text));
  }

  private look(imported: ImportedFile | null): void {
    if (imported === null) return;
    this.trouble.set([]);
    this.choose(0);
    if (imported.kind !== 'tables') {
      this.tables.set([]);
      this.trouble.set(
        imported.kind === 'refused'
          ? imported.sentences
          : ['This file is a size chart, not a list of wearers. Import it under Charts.'],
      );
      return;
    }
    this.source.set(imported.source);
    this.tables.set(imported.tables);
  }

  protected choose(which: number): void {
    this.which.set(which);
    this.said.set(new Map());
    this.saidUnits.set(new Map());
    this.mended.set(new Map());
    this.changed();
  }

  protected say(at: number, role: PeopleRole): void {
    this.said.update((all) => new Map([...all, [at, role]]));
    this.changed();
  }

  protected sayUnit(at: number, unit: ColumnUnit): void {
    this.saidUnits.update((all) => new Map([...all, [at, unit]]));
    this.changed();
  }

  /** Corrects a cell of a row that could not be taken. */
  protected mend(line: number, at: number, text: string): void {
    const row = this.grid()?.rows.find((one) => one.line === line);
    if (row === undefined) return;
    const cells = Array.from({ length: Math.max(row.cells.length, at + 1) }, (_, place) =>
      place === at ? text : (row.cells[place] ?? ''),
    );
    this.mended.update((all) => new Map([...all, [line, cells]]));
    this.changed();
  }

  /** Other rows than were looked up, or sent: they are looked up anew, and are another import. */
  private changed(): void {
    this.cancel();
    this.matched.set(null);
    this.sending = null;
  }

  /** With another kit, or other changes, it is another import. */
  protected useKit(id: string): void {
    this.kitId.set(id);
    this.sending = null;
  }

  protected saveChanges(wanted: boolean): void {
    this.changes.set(wanted);
    this.sending = null;
  }

  /** What a row says otherwise than it stands, in words. */
  protected sayChanges({ row, match }: Placed): string {
    const [known] = match.known;
    return match.changes
      .map((field) => `${FIELD_WORDS[field]} ${known?.[field] ?? 'none'} → ${row[field] ?? ''}`)
      .join(', ');
  }

  protected lookUp(): void {
    const [plan, muster] = [this.plan(), this.store.muster()];
    if (plan === null || muster === null || plan.rows.length === 0) return;
    this.busy.set(true);
    this.trouble.set([]);
    this.lookedUp.set(0);
    const parts = Array.from({ length: Math.ceil(plan.rows.length / AT_ONCE) }, (_, at) =>
      plan.rows.slice(at * AT_ONCE, (at + 1) * AT_ONCE),
    );
    this.looking = from(parts)
      .pipe(
        concatMap((rows) => this.service.match(muster.id, rows)),
        scan(together),
        tap(({ rows }) => this.lookedUp.set(Math.round((100 * rows.length) / plan.rows.length))),
        finalize(() => {
          this.busy.set(false);
          this.lookedUp.set(null);
        }),
      )
      .subscribe({
        next: (matched) => {
          if (matched.rows.length === plan.rows.length) this.matched.set(matched);
        },
        error: (problem: Error) => this.trouble.set([problem.message]),
      });
  }

  private looking = Subscription.EMPTY;
  /** How much of the list has been looked up, of 100; `null` while none is. */
  protected readonly lookedUp = signal<number | null>(null);

  /** Looks no further; nothing was saved. */
  protected cancel(): void {
    this.looking.unsubscribe();
  }

  /** What is being imported: asked for again after a failure, it is the same. */
  private sending: PeopleImport | null = null;

  protected importRows(): void {
    const [plan, muster] = [this.plan(), this.store.muster()];
    if (plan === null || muster === null || this.importable() === 0 || this.busy()) return;
    this.sending ??= {
      ...{ actId: uuidv7(), at: new Date().toISOString() },
      kitId: this.kitId() === '' ? null : this.kitId(),
      changes: this.changes(),
      headings: this.headingsSaid(plan.columns.map(({ heading }) => heading)),
      rows: [...this.fresh(), ...this.known()].map(({ row, match }) => ({
        ...row,
        wearerId: match.known[0]?.id ?? uuidv7(),
        docketId: uuidv7(),
        isNew: match.known.length === 0,
      })),
    };
    this.busy.set(true);
    this.trouble.set([]);
    this.service
      .importPeople(muster.id, this.sending)
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: () => this.done.emit(),
        error: (problem: Error) => this.trouble.set([problem.message]),
      });
  }

  /** What was said of headings here, for the house to remember. */
  private headingsSaid(headings: readonly string[]): PeopleImport['headings'] {
    const said = new Map(
      [...this.said()].map(([at, role]) => [plainWords(headings[at] ?? '').slice(0, 120), role] as const),
    );
    return [...said].flatMap(([heading, role]) => (heading === '' ? [] : [{ heading, role }]));
  }

  /** The rows that are left out, as a file to be corrected elsewhere. */
  protected saveFaults(): void {
    const plan = this.plan();
    if (plan === null) return;
    const head = [...plan.columns.map(({ heading }) => heading), 'Line', 'Problem'];
    const rows = plan.faults.map(({ line, says, cells }) => [
      ...plan.columns.map((_, at) => cells[at] ?? ''),
      String(line),
      says,
    ]);
    this.files.save(tableAsCsv([head, ...rows]), 'rows-to-correct.csv', 'text/csv');
  }
}

/** What was looked up so far, with the next part. */
function together(before: PeopleMatched, part: PeopleMatched): PeopleMatched {
  const each = (some: readonly string[], more: readonly string[]) => [...new Set([...some, ...more])].sort();
  return {
    rows: [...before.rows, ...part.rows],
    newGroups: each(before.newGroups, part.newGroups),
    newRoles: each(before.newRoles, part.newRoles),
  };
}
