import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import type { Warning } from '@neat-measure/contract/stores';
import { NzInputModule } from 'ng-zorro-antd/input';
import { StoresService } from '../../data/stores-service';
import { Fetching } from '../../parts/fetching/fetching';
import { ScannerEar, takesText } from '../../parts/shortcuts/scanner-ear';
import { StoresAccount } from './stores-account';

/** The desks of the stores. */
const DESKS = [
  { path: 'shelves', name: 'Shelves' },
  { path: 'put-by', name: 'Put by' },
  { path: 'hire', name: 'Hire' },
  { path: 'orders', name: 'Orders' },
  { path: 'counting', name: 'Counting' },
  { path: 'keeping', name: 'How it is kept' },
] as const;

/** The stores: what lies where, what is hired, what is ordered, and what of it wants doing. */
@Component({
  selector: 'nm-stores',
  imports: [Fetching, NzInputModule, RouterLink, RouterLinkActive, RouterOutlet],
  template: `
    <aside aria-label="Stores">
      <h1>Stores</h1>
      <input
        #code
        nz-input
        nzSize="large"
        type="text"
        aria-label="Scan or type a code"
        placeholder="scan or type a code"
        autocomplete="off"
        spellcheck="false"
        maxlength="60"
        (keydown.enter)="scan(code.value); code.value = ''; $event.preventDefault()"
      />
      @if (said()) {
        <p class="fault" role="alert">{{ said() }}</p>
      }
      <nav class="rows" aria-label="Desks of the stores">
        @for (desk of desks; track desk.path) {
          <a
            class="pick"
            [routerLink]="['/stores', desk.path]"
            routerLinkActive="here"
            ariaCurrentWhenActive="page"
            >{{ desk.name }}</a
          >
        }
      </nav>
      <h2 class="under">{{ heading() }}</h2>
      <nm-fetching [of]="account.warnings" words="Looking what wants doing" />
      <ul class="rows" aria-label="What wants doing">
        @for (one of account.warnings.value() ?? []; track $index) {
          <li>
            <button type="button" class="pick warning" [class]="one.kind" (click)="open(one)">
              <span class="grow">{{ one.says }}</span>
            </button>
          </li>
        }
      </ul>
    </aside>
    <section aria-label="Desk"><router-outlet /></section>
  `,
  styles: `
    .warning {
      padding-left: 12px;
      border-left: 4px solid var(--line-strong);
    }
    .warning > span {
      flex-shrink: 1;
      color: var(--ink);
    }
    :is(.piece-blocked, .overdue, .clash, .order-late, .order-unsent) {
      border-color: var(--brick);
    }
    h1 {
      margin-bottom: 10px;
    }
    h2 {
      margin-top: 22px;
      font-size: 16px;
    }
  `,
  host: { class: 'beside', '(document:keydown)': 'onKey($event)' },
  providers: [StoresAccount],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Stores {
  private readonly router = inject(Router);
  private readonly service = inject(StoresService);
  protected readonly account = inject(StoresAccount);
  protected readonly desks = DESKS;
  protected readonly said = signal('');
  protected readonly heading = computed(() => {
    const warnings = this.account.warnings.value();
    if (warnings === null) return 'What wants doing';
    return warnings.length === 0 ? 'Nothing wants doing' : `${warnings.length} to look at`;
  });

  private readonly ear = new ScannerEar((code) => this.scan(code));

  /** What a scanner types is a code, wherever the keys are. */
  protected onKey(event: KeyboardEvent): void {
    const target = event.target;
    if (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) {
      // Numbers of pieces are scanned into texts; a day that a code goes through is left as it is.
      if (!takesText(target)) this.ear.listensIn(target, event);
      return;
    }
    // Somebody else has taken the key: the list of everything keeps what is typed before it stands.
    if (event.defaultPrevented) this.ear.forget();
    else this.ear.takes(event);
  }

  protected scan(code: string): void {
    const text = code.trim();
    this.said.set('');
    if (text === '') return;
    this.service.scan(text).subscribe({
      next: (scanned) => {
        const taker = this.account.taker();
        if (taker !== null) taker(scanned);
        else void this.router.navigate(['/stores/shelves'], { queryParams: { article: scanned.article.id } });
      },
      error: (problem: Error) => this.said.set(problem.message),
    });
  }

  protected open({ kind, articleId, orderId, bookingId, docketId }: Warning): void {
    if (kind === 'to-call' || kind === 'put-by-astray') void this.router.navigate(['/stores/put-by']);
    // Another piece is given where the calendar is, whoever's docket it is for.
    else if (kind === 'clash' && bookingId !== null)
      void this.router.navigate(['/stores/hire'], { queryParams: { hire: bookingId } });
    else if (articleId !== null)
      void this.router.navigate(['/stores/shelves'], { queryParams: { article: articleId } });
    else if (orderId !== null)
      void this.router.navigate(['/stores/orders'], { queryParams: { order: orderId } });
    else if (docketId !== null) void this.router.navigate(['/bench', docketId]);
    else if (bookingId !== null)
      void this.router.navigate(['/stores/hire'], { queryParams: { hire: bookingId } });
  }
}
