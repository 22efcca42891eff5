import type { DeviceAnswer, StreamedLine } from '@neat-measure/contract';
import { parseDeviceLine, sayDeviceProblem } from '@neat-measure/core';
import type { Database } from '../database/database';
import { Lookout } from '../http/lookout';
import { keepLine, latestLine, linesBehind } from './store';

/** Tells whoever listens to a tape what it sends. */
export function deviceLookout(database: Database, stopping: AbortSignal): Lookout<StreamedLine> {
  return new Lookout<StreamedLine>(
    {
      latest: () => latestLine(database),
      behind: async (place, devices) =>
        (await linesBehind(database, devices, place)).map((line) => ({ subject: line.device, item: line })),
    },
    stopping,
  );
}

/**
 * Takes lines as a tape sends them, each kept once; one that is no line holds up none of the others.
 *
 * @param own the only tape they may be of, where it sends for itself
 */
export async function takeLines(
  database: Database,
  lookout: Lookout<StreamedLine>,
  lines: readonly string[],
  own: string | null,
): Promise<DeviceAnswer> {
  const answer: DeviceAnswer = { taken: 0, repeated: 0, faults: [] };
  for (const [index, text] of lines.entries()) {
    const read = parseDeviceLine(text);
    if (!read.ok) {
      answer.faults.push({ line: index + 1, message: sayDeviceProblem(read.problem) });
      continue;
    }
    if (own !== null && read.value.device !== own) {
      answer.faults.push({
        line: index + 1,
        message: `This secret is ${own}’s. A tape can only send with its own secret.`,
      });
      continue;
    }
    const line = await keepLine(database, read.value);
    if (line === null) answer.repeated += 1;
    else {
      answer.taken += 1;
      lookout.tell(line.device, line);
    }
  }
  return answer;
}
