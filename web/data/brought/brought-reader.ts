import { computed, Injectable, signal } from '@angular/core';
import type { Outcome } from '@neat-measure/core';
import type { BroughtProblem, BroughtTables } from '@neat-measure/core/brought';
import type { ReadingStage } from '@neat-measure/core/brought-files';

/** The bytes of a file, or a block of text. */
export type BroughtQuestion = Uint8Array | string;
export type BroughtAnswer =
  | { readonly stage: ReadingStage }
  | { readonly read: Outcome<BroughtTables, BroughtProblem> }
  | { readonly lost: true };

/** What was read; `stopped` by whoever waited; `lost` where the reading broke off by itself. */
export type ReadingOutcome = Outcome<BroughtTables, BroughtProblem> | 'stopped' | 'lost';

const STAGE_WORDS: Readonly<Record<ReadingStage, string>> = {
  unpacking: 'Unpacking the workbook',
  decoding: 'Finding out its letters',
  'finding-tables': 'Looking for tables',
};

/**
 * Reads tables out of files in a worker of its own: whatever a file holds, the page goes on, and whoever
 * waits can stop it.
 */
@Injectable({ providedIn: 'root' })
export class BroughtReader {
  private readonly stage = signal<ReadingStage | null>(null);
  private readonly running = signal<(() => void) | null>(null);
  /** What is being done, in words; nothing while nothing is read. */
  readonly words = computed(() => {
    const stage = this.stage();
    if (this.running() === null) return null;
    return stage === null ? 'Reading' : STAGE_WORDS[stage];
  });

  /** Reads one thing; whatever was being read is stopped. */
  read(question: BroughtQuestion): Promise<ReadingOutcome> {
    this.stop();
    const worker = new Worker(new URL('./brought.worker', import.meta.url), { type: 'module' });
    this.stage.set(null);
    return new Promise((resolve) => {
      const end = (outcome: ReadingOutcome) => {
        worker.terminate();
        if (this.running() === stop) this.running.set(null);
        resolve(outcome);
      };
      const stop = () => end('stopped');
      worker.onmessage = ({ data }: MessageEvent<BroughtAnswer>) =>
        'stage' in data ? this.stage.set(data.stage) : end('read' in data ? data.read : 'lost');
      worker.onerror = () => end('lost');
      this.running.set(stop);
      worker.postMessage(question);
    });
  }

  /** Stops what is being read. */
  stop(): void {
    this.running()?.();
  }
}
