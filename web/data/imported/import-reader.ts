import { computed, Injectable, signal } from '@angular/core';
import type { Outcome } from '@neat-measure/core';
import type { ImportProblem, ImportedTables } from '@neat-measure/core/imported';
import type { ReadingStage } from '@neat-measure/core/imported-files';

/** The bytes of a file, or a block of text. */
export type ImportQuestion = Uint8Array | string;
export type ImportAnswer =
  | { readonly stage: ReadingStage }
  | { readonly read: Outcome<ImportedTables, ImportProblem> }
  | { readonly lost: true };

/** What was read; `stopped` by whoever waited; `lost` where the reading broke off by itself. */
export type ReadingOutcome = Outcome<ImportedTables, ImportProblem> | 'stopped' | 'lost';

const STAGE_WORDS: Readonly<Record<ReadingStage, string>> = {
  unpacking: 'Opening the workbook',
  decoding: 'Detecting the encoding',
  'finding-tables': 'Finding tables',
};

/**
 * Reads tables out of files in a worker of its own: whatever a file holds, the page goes on, and whoever
 * waits can stop it.
 */
@Injectable({ providedIn: 'root' })
export class ImportReader {
  private readonly stage = signal<ReadingStage | null>(null);
  private readonly running = signal<(() => void) | null>(null);
  /** What is being done, in words; nothing while nothing is read. */
  readonly words = computed(() => {
    const stage = this.stage();
    if (this.running() === null) return null;
    return stage === null ? 'Reading' : STAGE_WORDS[stage];
  });

  /** Reads one thing; whatever was being read is stopped. */
  read(question: ImportQuestion): Promise<ReadingOutcome> {
    this.stop();
    const worker = new Worker(new URL('./import.worker', import.meta.url), { type: 'module' });
    this.stage.set(null);
    return new Promise((resolve) => {
      const end = (outcome: ReadingOutcome) => {
        worker.terminate();
        if (this.running() === stop) this.running.set(null);
        resolve(outcome);
      };
      const stop = () => end('stopped');
      worker.onmessage = ({ data }: MessageEvent<ImportAnswer>) =>
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
