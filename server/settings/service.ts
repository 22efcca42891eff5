import type { Settings } from '@neat-measure/contract';
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
    this.known = { settings, until: Date.now() + FRESH_MS };
    return settings;
  }

  /** They have been changed here. */
  forget(): void {
    this.known = null;
  }
}
