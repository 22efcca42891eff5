import { planOf, SHIPPED_PROTOCOLS, type Bench, type ReadingSave } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { asTaken, stepsOf, withWaiting } from './bench-view';

const reading = (changes: Partial<ReadingSave> = {}): ReadingSave => ({
  docketId: uuidv7(),
  code: 'head-girth',
  typed: '57',
  unit: 'cm',
  stance: 'standing',
  tension: 'skin',
  clothing: 'close-fitting',
  instrument: 'tape',
  origin: 'fitter',
  takenAt: '2026-05-04T08:00:00.000Z',
  carriedFrom: null,
  device: null,
  ...changes,
});
const bench = (changes: Partial<Bench> = {}): Bench =>
  ({
    docket: { extraCodes: [] },
    charts: [],
    protocols: SHIPPED_PROTOCOLS.filter(({ id }) => id === 'headwear'),
    readings: [],
    record: [],
    skips: [],
    confirmations: [],
    decisions: [],
    ...changes,
  }) as unknown as Bench;
const steps = (one: Bench) => stepsOf(planOf(one), one);

describe('withWaiting', () => {
  it('shows what still waits on this device as taken, once', () => {
    const id = uuidv7();
    const waiting = [{ readingId: id, reading: reading() }];
    const shown = withWaiting(bench(), waiting);
    expect(shown.readings.map(({ length }) => Number(length))).toEqual([570_000]);
    expect(withWaiting(shown, waiting).readings.length).withContext('the server has it by now').toBe(1);
  });

  it('shows a waiting withdrawal as done', () => {
    const id = uuidv7();
    const taken = bench({ readings: asTaken(id, reading()) });
    expect(withWaiting(taken, [{ readingId: id, reading: null }]).readings[0]!.withdrawnAt).not.toBeNull();
  });
});

describe('stepsOf', () => {
  const skips = [
    {
      id: uuidv7(),
      docketId: uuidv7(),
      code: 'head-girth' as const,
      reason: 'The wearer declines',
      skippedAt: '2026-05-04T08:00:00.000Z',
    },
  ];

  it('says why a step was passed over, until it is taken after all', () => {
    expect(steps(bench({ skips }))[0]!.skipped).toBe('The wearer declines');
    const taken = steps(bench({ skips, readings: asTaken(uuidv7(), reading()) }))[0]!;
    expect([taken.skipped, taken.agreement.state]).toEqual([null, 'one']);
  });

  it('names who asks for each step', () => expect(steps(bench())[0]!.wantedBy).toEqual(['Headwear']));
});

describe('asTaken', () => {
  it('leaves out what the server would refuse', () =>
    expect(asTaken(uuidv7(), reading({ typed: '5' }))).toEqual([]));
});
