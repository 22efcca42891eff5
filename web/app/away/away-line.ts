import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { counted, LOCALE } from '@neat-measure/core';
import { sayOff } from '../../data/away/say-off';
import { Contact } from '../../data/contact';
import { Journal } from '../../data/journal/journal';
import { SessionService } from '../../data/session-service';

/** One quiet line while the server is away, or while something waits to be sent: since when, and how much. */
@Component({
  selector: 'nm-away-line',
  imports: [RouterLink],
  template: `
    @if (words()) {
      <p class="away" role="status" [title]="journal.trouble()">
        {{ words() }}
        @if (session.lapsed()) {
          <a routerLink="/sign-in" [queryParams]="{ to: router.url }">Sign in</a>
        }
      </p>
    }
  `,
  styles: `
    .away {
      padding: 4px 16px;
      border-bottom: 1px solid var(--line);
      color: var(--soft);
      font-size: 14px;
      text-align: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AwayLine {
  protected readonly journal = inject(Journal);
  protected readonly session = inject(SessionService);
  protected readonly router = inject(Router);
  private readonly contact = inject(Contact);

  protected readonly words = computed(() => {
    const unsent = this.journal.unsent();
    const waits = `${counted(unsent, 'change')} to send, saved on this device.`;
    const since = this.contact.awaySince();
    if (since !== null) {
      const at = since.toLocaleTimeString(LOCALE, { timeStyle: 'short' });
      return `No contact with the server since ${at}. ${unsent === 0 ? 'Nothing to send.' : waits}`;
    }
    const off = this.contact.clockOff();
    if (off !== 0) return `${sayOff(off)} Correct it. Changes keep their order. ${unsent === 0 ? '' : waits}`;
    if (this.session.lapsed()) return `Your sign-in has ended on the server. ${unsent === 0 ? '' : waits}`;
    return unsent === 0 || this.journal.trouble() === '' ? '' : waits;
  });
}
