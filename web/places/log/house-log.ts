import { LOCALE } from '@neat-measure/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { AUDIT_KINDS, type AuditEntry, type AuditKind, type Person } from '@neat-measure/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { HouseService } from '../../data/house-service';
import { Paged } from '../../data/paged';
import { AUDIT_WORDS, sayAudit, sayChanges } from './say-audit';
import { Fetching } from '../../parts/fetching/fetching';
import { DayWords } from '../../parts/forms/day-words';

/** The log of the house: what happened beside the dockets, by whom, the latest first. */
@Component({
  selector: 'nm-house-log',
  imports: [DayWords, Fetching, FormsModule, NzSelectModule, RouterLink, NzButtonModule, NzInputModule],
  templateUrl: './house-log.html',
  styleUrl: './log.less',
  host: { class: 'beside' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HouseLog {
  private readonly house = inject(HouseService);
  private readonly people = signal<readonly Person[]>([]);
  protected readonly kind = signal<AuditKind | null>(null);
  protected readonly by = signal<string | null>(null);
  protected readonly since = signal('');
  protected readonly until = signal('');
  protected readonly entries = new Paged<AuditEntry>(({ from }) =>
    this.house.audit({
      from,
      kind: this.kind() ?? undefined,
      by: this.by() ?? undefined,
      since: this.since() === '' ? undefined : new Date(`${this.since()}T00:00`).toISOString(),
      until: this.until() === '' ? undefined : new Date(`${this.until()}T24:00`).toISOString(),
    }),
  );
  protected readonly kinds = AUDIT_KINDS.map((kind) => ({ value: kind, label: AUDIT_WORDS[kind] })).sort(
    (a, b) => a.label.localeCompare(b.label),
  );
  protected readonly who = computed(() => this.people().map(({ id, name }) => ({ value: id, label: name })));
  protected readonly told = computed(() =>
    this.entries.items().map((entry, at, all) => ({
      place: entry.place,
      day: day(entry.at) === day(all[at - 1]?.at ?? '') ? '' : day(entry.at),
      at: new Date(entry.at).toLocaleTimeString(LOCALE),
      words: sayAudit(entry, (id) => this.people().find((one) => one.id === id)?.name ?? null),
      changes: sayChanges(entry),
      erased: entry.erased,
    })),
  );

  constructor() {
    this.house.people().subscribe({ next: (people) => this.people.set(people), error: () => undefined });
  }

  protected filter(change: () => void): void {
    change();
    this.entries.again();
  }
}

function day(at: string): string {
  return at === ''
    ? ''
    : new Date(at).toLocaleDateString(LOCALE, { day: 'numeric', month: 'long', year: 'numeric' });
}
