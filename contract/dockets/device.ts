import { deviceLineSchema } from '@neat-measure/core';
import * as z from 'zod';

/** What became of the lines a device sent. */
export const deviceAnswerSchema = z.object({
  taken: z.int(),
  /** Lines that had come before: harmless, and not taken again. */
  repeated: z.int(),
  faults: z.array(z.object({ line: z.int(), message: z.string() })),
});
export type DeviceAnswer = z.infer<typeof deviceAnswerSchema>;

/** A line as the stream hands it on, with the place the stream can be taken up again from. */
export const streamedLineSchema = deviceLineSchema.extend({ place: z.int() });
export type StreamedLine = z.infer<typeof streamedLineSchema>;

/** The most lines in one request; a tape sends one at a time, and what piled up in a drop-out. */
export const MOST_LINES = 500;
