import * as z from 'zod';
import { protocolIdSchema } from './protocol';
import { idSchema, lineSchema, versionSchema } from '../shared';

/** The most garments and protocols of one kit. */
const MOST_IN_KIT = 24;

/**
 * Adding or editing a kit: what is opened together for one kind of work. `version` is that of the one
 * edited, 0 for a new one.
 */
export const kitSaveSchema = z
  .object({
    name: lineSchema(60),
    /** The charts by their series, so that a new version of a chart is taken by itself. */
    series: z
      .array(idSchema)
      .max(MOST_IN_KIT)
      .refine((series) => new Set(series).size === series.length, {
        error: 'A garment is listed twice. Remove one.',
      }),
    protocols: z
      .array(protocolIdSchema)
      .max(MOST_IN_KIT)
      .refine((ids) => new Set(ids).size === ids.length, {
        error: 'A protocol is listed twice. Remove one.',
      }),
    /** Whose kit it is by what wearers are: `Ranger`. It is proposed to them. */
    roles: z.array(lineSchema(80)).max(12),
    version: versionSchema,
  })
  .refine(({ series, protocols }) => series.length + protocols.length > 0, {
    path: ['series'],
    error: 'Add at least one garment or protocol.',
  });
export type KitSave = z.infer<typeof kitSaveSchema>;

/** A kit as it is listed, with what of it is not retired now. */
export const kitSchema = z.object({
  id: idSchema,
  name: z.string(),
  series: z.array(idSchema),
  protocols: z.array(protocolIdSchema),
  roles: z.array(z.string()),
  version: versionSchema,
  /** The latest version of each of its garments; one that is retired is left out. */
  garments: z.array(
    z.object({ seriesId: idSchema, chartId: idSchema, garment: z.string(), maker: z.string() }),
  ),
  /** Garments of the kit whose charts are retired, by name. */
  gone: z.array(z.string()),
});
export type Kit = z.infer<typeof kitSchema>;

export const kitsSchema = z.array(kitSchema);
