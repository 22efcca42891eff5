import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Met } from '@neat-measure/contract';
import { counted, LOCALE, readAnyAct, sayAnyAct } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { DeviceContact } from '../../data/away/device-contact';
import { Returned } from '../../data/away/returned';
import { Contact } from '../../data/contact';
import { Journal } from '../../data/journal/journal';
import { UnitService } from '../../data/unit-service';

/**
 * What came of what was done here: what was sent once the server was back, what will not be kept, and what met something
 * somebody else did. One list, that stays until all of it was seen.
 */
@Component({
  selector: 'nm-came-back',
  imports: [NzButtonModule, RouterLink],
  template: `
    @if (any()) {
      <section class="list" aria-label="Sent and to look at">
        <ul class="rows">
          @for (one of aside(); track one.order) {
            <li class="line">
              <span class="what fault" role="alert">{{ one.words }}</span>
              <button nz-button nzType="link" type="button" (click)="journal.seen(one.order)">Seen</button>
            </li>
          }
          @for (one of returned.met(); track one.id) {
            <li class="line">
              <span class="what fault" role="alert"
                ><a [routerLink]="['/bench', one.docketId]">{{ one.wearer }}, docket {{ one.docket }}</a
                >: {{ one.words }}</span
              >
              <button nz-button nzType="link" type="button" [disabled]="contact.away()" (click)="see(one)">
                Seen
              </button>
            </li>
          }
          @if (sent(); as words) {
            <li class="line">
              <span class="what" role="status">{{ words }}</span>
              <button nz-button nzType="link" type="button" (click)="returned.sentSeen()">Seen</button>
            </li>
          }
        </ul>
        @if (trouble()) {
          <p class="fault" role="alert">{{ trouble() }}</p>
        }
      </section>
    }
  `,
  styles: `
    .list {
      max-height: 30vh;
      overflow-y: auto;
      padding: 0 16px;
      border-bottom: 1px solid var(--line);
      font-size: 14px;
    }
    .line:last-child {
      border-bottom: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CameBack {
  protected readonly journal = inject(Journal);
  protected readonly returned = inject(Returned);
  protected readonly contact = inject(Contact);
  private readonly units = inject(UnitService);
  protected readonly trouble = signal('');

  protected readonly any = computed(
    () => this.aside().length > 0 || this.returned.met().length > 0 || this.sent() !== '',
  );
  /** What was sent, once nothing waits any more. */
  protected readonly sent = computed(() => {
    const sent = this.returned.sent();
    if (sent === null || this.journal.unsent() > 0 || this.contact.away()) return '';
    const dockets = sent.dockets.length === 0 ? '' : ` on ${counted(sent.dockets.length, 'docket')}`;
    return `Sent: ${counted(sent.acts, 'change')}${dockets}, made without the server since ${said(sent.since)}.`;
  });
  /** What will not be kept, in words, until somebody has seen it; what is told of among what met something stands there alone. */
  protected readonly aside = computed(() => {
    const told = new Set(this.returned.met().flatMap(({ docketId, own }) => (own ? [docketId] : [])));
    const rows = this.journal.aside().filter(({ subject, away }) => away !== true || !told.has(subject));
    return rows.map(({ order, act, why, at, late }) => {
      const read = readAnyAct(act);
      const what = read.ok
        ? sayAnyAct(read.value, { ...NAMES, inchParts: this.units.inchParts() })
        : 'A change made by another version.';
      return {
        order: order!,
        words: `${late === true ? 'Not added yet' : 'Not saved'} (${said(at)}): ${what} ${why}`,
      };
    });
  });

  constructor() {
    // From the first page on the server hears of this device.
    inject(DeviceContact);
  }

  protected see({ id, docketId }: Met): void {
    this.trouble.set('');
    this.returned.seen(id).subscribe({
      next: () => {
        if (this.returned.met().some((one) => one.docketId === docketId && one.own)) return;
        // All of it has been told there: it is not told again.
        for (const { order, subject, away } of this.journal.aside())
          if (away === true && subject === docketId) this.journal.seen(order!);
      },
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }
}

function said(moment: string): string {
  return new Date(moment).toLocaleString(LOCALE, { dateStyle: 'medium', timeStyle: 'short' });
}

/** The page's frame knows no charts and no musters; what they have goes by a plain word. */
const NAMES = {
  garment: () => 'a garment',
  protocol: () => 'a protocol',
  wearer: () => 'a wearer',
  station: () => 'a station',
};
