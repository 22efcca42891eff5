import { inject, Injectable, signal } from '@angular/core';
import { SwUpdate } from '@angular/service-worker';
import * as z from 'zod';
import { PAST_WORKER } from '../contact';

const LOOK_MS = 2_000;
/** What the build says the application consists of. */
const MANIFEST = '/ngsw.json';
const manifestSchema = z.object({ hashTable: z.record(z.string(), z.string()) });

/** Whether the browser keeps the application: not at all, not all of it yet, or so that it opens without a network. */
export type Keeping = 'not' | 'coming' | 'here';

/** Whether the application itself lies on this device. A page that has what it shows may lack what opens it again. */
@Injectable({ providedIn: 'root' })
export class KeptApplication {
  private readonly worker = inject(SwUpdate, { optional: true });
  private readonly now = signal<Keeping>('coming');
  readonly keeping = this.now.asReadonly();

  constructor() {
    void this.look();
  }

  private async look(): Promise<void> {
    if (this.worker?.isEnabled !== true) return this.now.set('not');
    if (await isWhole().catch(() => false)) this.now.set('here');
    else setTimeout(() => void this.look(), LOOK_MS);
  }
}

/** Whether every part of the application is kept. */
export async function isWhole(): Promise<boolean> {
  const answer = await fetch(MANIFEST, { headers: { [PAST_WORKER]: 'true' }, cache: 'no-store' });
  const parts = Object.keys(manifestSchema.parse(await answer.json()).hashTable);
  const kept = await Promise.all(parts.map((part) => caches.match(part)));
  return kept.every((one) => one !== undefined);
}
