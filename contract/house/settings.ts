import { habitsSchema, UNSETTLED } from '@neat-measure/core';
import * as z from 'zod';
import { ROLES } from '../access';
import { versionSchema } from '../shared';

/** After how many days each kind of data is taken out at night; `null` keeps it without end. */
const retentionSchema = z.object({
  /** People nothing was done for. */
  peopleDays: z.int().min(30).max(36_500).nullable().default(null),
  /** Links for measuring oneself, after their end. */
  linksDays: z.int().min(1).max(36_500).nullable().default(null),
  /** What tapes sent. */
  tapesDays: z.int().min(1).max(36_500).nullable().default(null),
});

/** What the house has settled for everybody. */
export const houseSettingsSchema = z.object({
  /** What the house is called: it stands on its orders. */
  name: z.string().trim().max(120).default(''),
  /** A session ends after so many minutes in which nothing was done, */
  idleMinutes: z.int().min(5).max(1_440).default(480),
  /** and after so many hours whatever is done. */
  sessionHours: z.int().min(1).max(72).default(14),
  /** What was done on a device that was away for longer waits for a lead fitter. */
  awayDays: z.int().min(1).max(92).default(30),
  /** The roles that must have a second factor. */
  secondFactorFor: z.array(z.enum(ROLES)).default([]),
  /** Whether the values of whoever is erased stay without a name, for maps and coverage. */
  keepErasedBodies: z.boolean().default(false),
  /** How it sizes; its version is counted by the server. */
  habits: habitsSchema.default(UNSETTLED),
  retention: retentionSchema.default({ peopleDays: null, linksDays: null, tapesDays: null }),
});
export type HouseSettings = z.infer<typeof houseSettingsSchema>;

export const settingsSaveSchema = houseSettingsSchema.extend({ version: versionSchema });
export type SettingsSave = z.infer<typeof settingsSaveSchema>;
export const settingsSchema = settingsSaveSchema;
export type Settings = z.infer<typeof settingsSchema>;
