import { Injectable } from '@angular/core';
import type { PlanQuestion, TableState } from './plan-tables';

type Planned = readonly TableState[] | 'stopped' | 'lost';

/** Works out in a worker how large tables are read, so that the page goes on; what is asked anew ends what was asked before. */
@Injectable({ providedIn: 'root' })
export class TablePlanner {
  private worker: Worker | null = null;
  private ended: (() => void) | null = null;

  /** How the tables are understood; `stopped` by whoever asked anew or waited, `lost` where the worker broke off. */
  plan(question: PlanQuestion): Promise<Planned> {
    this.stop();
    const worker = this.worker ?? new Worker(new URL('./plan.worker', import.meta.url), { type: 'module' });
    this.worker = worker;
    return new Promise((resolve) => {
      const end = (states: Planned) => {
        this.ended = null;
        resolve(states);
      };
      this.ended = () => end('stopped');
      worker.onmessage = ({ data }: MessageEvent<readonly TableState[]>) => end(data);
      worker.onerror = () => {
        this.worker = null;
        end('lost');
      };
      worker.postMessage(question);
    });
  }

  /** Ends what is being worked out. */
  stop(): void {
    if (this.ended === null) return;
    this.worker?.terminate();
    this.worker = null;
    this.ended();
  }
}
