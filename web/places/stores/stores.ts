import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import type { Scanned, Warning } from '@neat-measure/contract/stores';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { StoresService } from '../../data/stores-service';
import { Fetching } from '../../parts/fetching/fetching';
import { hearScanner } from '../../parts/shortcuts/hear-scanner';
import { handleKey, keyOf, type KeyCommand } from '../../parts/shortcuts/keys';
import { isMeantElsewhere, listKeys } from '../../parts/shortcuts/shortcut-service';
import { StoresAccount } from './stores-account';

/** The desks of the stores. */
const DESKS = [
  { path: 'shelves', name: 'Shelves', key: 's' },
  { path: 'reserved', name: 'Reserved', key: 'r' },
  { path: 'hire', name: 'Hire', key: 'h' },
  { path: 'orders', name: 'Orders', key: 'o' },
  { path: 'counting', name: 'Stock count', key: 'c' },
  { path: 'keeping', name: 'Storage', key: 'k' },
] as const;

/** As much of what is to be done is seen above a desk on a narrow screen, before the rest is asked for. */
const SEEN_AT_ONCE = 3;

/** Where the rows are: what is to be done, and what a desk lists. */
const TO_DO = 'aside [aria-label="To do"] > li';
const ROWS = 'section li';
/** What a row is opened with, or ticked, or done with first. */
const OF_A_ROW = 'button:not([disabled]), a[href], input[type="checkbox"]';

/** The stores: what is in stock and where, what is hired, what is ordered, and what is to be done. */
@Component({
  selector: 'nm-stores',
  imports: [Fetching, NzButtonModule, NzInputModule, RouterLink, RouterLinkActive, RouterOutlet],
  template: `
    <aside aria-label="Stores">
      <h1>Stores</h1>
      <input
        #code
        data-codes
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
      <nav class="rows" aria-label="Stores desks">
        @for (desk of desks; track desk.path) {
          <a
            class="pick"
            [routerLink]="['/stores', desk.path]"
            routerLinkActive="here"
            ariaCurrentWhenActive="page"
            >{{ desk.name }} <kbd aria-hidden="true">{{ desk.key.toUpperCase() }}</kbd></a
          >
        }
      </nav>
      <h2 class="under">{{ heading() }}</h2>
      <nm-fetching [of]="account.warnings" words="Loading the to-do list" />
      <ul class="rows" aria-label="To do">
        @for (one of account.warnings.value() ?? []; track $index) {
          <li [class.more]="!all() && $index >= seenAtOnce">
            <button type="button" class="pick warning" [class]="one.kind" (click)="open(one)">
              <span class="grow">{{ one.says }}</span>
            </button>
          </li>
        }
      </ul>
      @if (!all() && (account.warnings.value()?.length ?? 0) > seenAtOnce) {
        <button nz-button nzType="link" type="button" class="rest" (click)="all.set(true)">
          Show all {{ account.warnings.value()?.length }}
        </button>
      }
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
    .rest {
      display: none;
    }
    // On a narrow screen the desk is in sight below the first things to do, and nothing scrolls within the page.
    @media (max-width: 900px) {
      aside {
        max-height: none;
      }
      .more {
        display: none;
      }
      .rest {
        display: inline-flex;
      }
    }
    @media (max-width: 480px) {
      ul:has(.more) > li {
        display: none;
      }
      kbd {
        display: none;
      }
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
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly account = inject(StoresAccount);
  protected readonly desks = DESKS;
  protected readonly said = signal('');
  protected readonly seenAtOnce = SEEN_AT_ONCE;
  /** Whether all that is to be done is seen on a narrow screen, too. */
  protected readonly all = signal(false);
  private readonly code = viewChild.required<ElementRef<HTMLInputElement>>('code');
  private readonly keys: readonly KeyCommand[] = [
    ...DESKS.map(({ key, name, path }) => ({
      keys: [key],
      does: `go to ${name}`,
      run: () => void this.router.navigate(['/stores', path]),
    })),
    { keys: ['f'], does: 'scan or type a code', run: () => this.code().nativeElement.focus() },
    { keys: ['t'], does: 'go to the to-do list', run: () => this.walk(TO_DO, 1, true) },
    { keys: ['ArrowDown'], does: 'next row of the list', run: () => this.walk(this.listAt(), 1) },
    { keys: ['ArrowUp'], does: 'previous row of the list', run: () => this.walk(this.listAt(), -1) },
  ];
  protected readonly heading = computed(() => {
    const warnings = this.account.warnings.value();
    if (warnings === null) return 'To do';
    return warnings.length === 0 ? 'Nothing to do' : `${warnings.length} to do`;
  });

  private readonly ear = hearScanner({
    heard: (scanned) => this.takeCode(scanned),
    failed: (message) => this.said.set(message),
    pass: (event) => this.take(event),
    how: () => 'any',
  });

  constructor() {
    listKeys(() => [...this.account.keys(), ...this.keys]);
  }

  /** What a scanner types is a code, wherever the keys are. */
  protected onKey(event: KeyboardEvent): void {
    const target = event.target;
    if (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) return;
    // Somebody else has taken the key: the list of everything keeps what is typed before it stands.
    if (event.defaultPrevented) this.ear.forget();
    else if (!this.ear.takes(event)) this.take(event);
  }

  /** A key that no scanner has typed: the desk that is open goes before the table of all desks. */
  private take(event: KeyboardEvent): void {
    // Held for a scanner it has been kept from the browser, and nobody else has it.
    if (isMeantElsewhere(event)) return;
    if (handleKey([...this.account.keys(), ...this.keys], keyOf(event), event)) event.preventDefault();
  }

  /** The list in which the keys are: what is to be done, or what the desk shows. */
  private listAt(): string {
    return document.activeElement?.closest('aside') ? TO_DO : ROWS;
  }

  /** Goes to the next row of a list, or to its first. */
  private walk(list: string, by: 1 | -1, anew = false): void {
    const rows = [...this.host.querySelectorAll<HTMLElement>(list)].flatMap((row) => {
      const [first] = row.querySelectorAll<HTMLElement>(OF_A_ROW);
      return first === undefined || row.offsetParent === null ? [] : [first];
    });
    const at = anew ? -1 : rows.indexOf(document.activeElement as HTMLElement);
    rows[at < 0 ? 0 : Math.min(Math.max(at + by, 0), rows.length - 1)]?.focus();
  }

  /** A code that was typed. */
  protected scan(code: string): void {
    const text = code.trim();
    this.said.set('');
    if (text === '') return;
    this.service.scan(text).subscribe({
      next: (scanned) => this.takeCode(scanned),
      error: (problem: Error) => this.said.set(problem.message),
    });
  }

  /** The desk that waits for codes gets it; without one it is opened on the shelves. */
  private takeCode(scanned: Scanned): void {
    this.said.set('');
    const taker = this.account.taker();
    if (taker !== null) taker(scanned);
    else void this.router.navigate(['/stores/shelves'], { queryParams: { article: scanned.article.id } });
  }

  protected open({ kind, articleId, orderId, bookingId, docketId }: Warning): void {
    if (kind === 'to-call' || kind === 'reserved-astray') void this.router.navigate(['/stores/reserved']);
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
