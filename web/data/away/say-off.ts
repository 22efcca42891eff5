import { counted } from '@neat-measure/core';

/**
 * How far a device's clock is off.
 *
 * @param seconds ahead; behind below none
 */
export function sayOff(seconds: number): string {
  return `The clock of this device is ${howFar(seconds)}.`;
}

/** The same without the clock: `3 hours ahead`. */
export function howFar(seconds: number): string {
  const minutes = Math.round(Math.abs(seconds) / 60);
  const far =
    minutes >= 2_880
      ? counted(Math.round(minutes / 1_440), 'day')
      : minutes >= 120
        ? counted(Math.round(minutes / 60), 'hour')
        : counted(minutes, 'minute');
  return `${far} ${seconds > 0 ? 'ahead' : 'behind'}`;
}
