import { computed, Injectable, signal } from '@angular/core';
import { ROUTES } from '@neat-measure/contract';
import { Subject, type Observable } from 'rxjs';

/** So often the server is looked for while it is away. */
const LOOK_MS = 4_000;
/** After so long an answer is waited for no more. */
const PATIENCE_MS = 8_000;

/** The header by which a request goes past the service worker, which keeps the application and nothing of the house. */
export const PAST_WORKER = 'ngsw-bypass';

/** Whether the server is reached: what every request tells here, and what is asked while none does. */
@Injectable({ providedIn: 'root' })
export class Contact {
  private readonly since = signal<Date | null>(null);
  private readonly returns = new Subject<void>();
  private looking: ReturnType<typeof setTimeout> | undefined;

  /** Since when the server has not been reached; `null` while it is. */
  readonly awaySince = this.since.asReadonly();
  readonly away = computed(() => this.since() !== null);
  /** By so many seconds this device's clock is ahead of the server's, as of the last time it was asked; behind below none. */
  readonly clockOff = signal(0);
  /** Emits when the server is reached again. */
  readonly back: Observable<void> = this.returns.asObservable();

  constructor() {
    globalThis.addEventListener('online', () => void this.look());
    globalThis.addEventListener('offline', () => this.failed());
  }

  /** Something was not answered, as there is no network or nobody at its end. */
  failed(): void {
    if (this.since() !== null) return;
    this.since.set(new Date());
    this.lookSoon();
  }

  /** Something was answered. */
  reached(): void {
    if (this.since() === null) return;
    clearTimeout(this.looking);
    this.since.set(null);
    this.returns.next();
  }

  private lookSoon(): void {
    clearTimeout(this.looking);
    this.looking = setTimeout(() => void this.look(), LOOK_MS);
  }

  private async look(): Promise<void> {
    if (this.since() === null) return;
    const answer = await fetch(ROUTES.health, {
      headers: { [PAST_WORKER]: 'true' },
      cache: 'no-store',
      signal: AbortSignal.timeout(PATIENCE_MS),
    }).catch(() => null);
    if (answer?.ok === true) this.reached();
    else this.lookSoon();
  }
}
