import { parseDeviceLine } from '@neat-measure/core';
import { SimulatedTape } from './simulated-tape';

describe('SimulatedTape', () => {
  const at = new Date('2026-05-04T08:00:00Z');
  const none = { noise: 0, dropOuts: 0, doubles: 0 };
  const read = (lines: string[]) =>
    lines
      .map((line) => parseDeviceLine(line))
      .map((one) => (one.ok ? [one.value.seq, one.value.value] : null));

  it('sends what is pulled, in the open form, counting', () => {
    const tape = new SimulatedTape('practice', 5);
    expect(read([...tape.pull(982.4, none, at), ...tape.pull(850, none, at)])).toEqual([
      [5, 982.5],
      [6, 850],
    ]);
  });

  it('holds a reading back in a drop-out and sends it with the next', () => {
    const draws = [0.9, 0.5, 0.1, 0.9, 0.5, 0.9, 0.9];
    const tape = new SimulatedTape('practice', 1, () => draws.shift() ?? 0.9);
    expect(tape.pull(900, { ...none, dropOuts: 0.5 }, at)).toEqual([]);
    expect(read(tape.pull(901, { ...none, dropOuts: 0.5 }, at)).length).toBe(2);
  });

  it('sends one twice with the same count', () => {
    const [first, second] = read(new SimulatedTape('practice', 1).pull(900, { ...none, doubles: 1 }, at));
    expect(second).toEqual(first!);
  });
});
