import type { DeviceLine } from '@neat-measure/core';

/** How badly a simulated tape behaves. */
export interface Faults {
  /** The standard deviation of its readings, in millimetres. */
  readonly noise: number;
  /** The share of readings that are held back and come with the next one. */
  readonly dropOuts: number;
  /** The share of readings that are sent twice. */
  readonly doubles: number;
}

/** A tape that sends what is pulled, with the faults real ones have. */
export class SimulatedTape {
  private seq: number;
  private held: string[] = [];

  /**
   * @param device its name
   * @param first the count it starts at; one that has never been used
   * @param random draws from 0 to 1
   */
  constructor(
    private readonly device: string,
    first: number,
    private readonly random: () => number = Math.random,
  ) {
    this.seq = first;
  }

  /** Pulls a length in millimetres. Returns the lines it sends now: none, one, or several. */
  pull(length: number, faults: Faults, at: Date): string[] {
    const value = Math.max(0, Math.round((length + faults.noise * this.normal()) * 2) / 2);
    const line: DeviceLine = {
      v: 1,
      device: this.device,
      seq: this.seq++,
      value,
      unit: 'mm',
      at: at.toISOString(),
    };
    this.held.push(JSON.stringify(line));
    if (this.random() < faults.dropOuts) return [];
    const sent = this.held;
    this.held = [];
    return this.random() < faults.doubles ? [...sent, sent.at(-1)!] : sent;
  }

  private normal(): number {
    return Math.sqrt(-2 * Math.log(1 - this.random())) * Math.cos(2 * Math.PI * this.random());
  }
}
