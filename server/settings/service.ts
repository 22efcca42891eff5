import type { Settings } from '@neat-measure/contract';
import { writeInchesIn } from '@neat-measure/core';
import type { Database } from '../database/database';
import { findSettings } from './store';

/** How long what was read counts: another instance may have changed it. */
const FRESH_MS = 5_000;

/** The settings of the house as every request asks for them: read once for some seconds. */
export class HouseSettings {
  private known: { readonly settings: Settings; readonly until: number } | null = null;

  constructor(private readonly database: Database) {}

  async now(): Promise<Settings> {
    if (this.known !== null && this.known.until > Date.now()) return this.known.settings;
    const settings = await findSettings(this.database);
    // Whatever this process writes, on paper and in answers, is written as the house writes it.
    writeInchesIn(settings.habits.inchParts);
    this.known = { settings, until: Date.now() + FRESH_MS };
    return settings;
  }

  /** They have been changed here. */
  forget(): void {
    this.known = null;
  }
}
