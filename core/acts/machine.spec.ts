import * as z from 'zod';
import { failure } from '../outcome';
import { specId } from '../testing/docket';
import { DONE_BASE, type DoneAct } from './act';
import type { Kind } from './kind';
import { ActMachine } from './machine';

/** A tally of sheep: the smallest thing that is a list of acts. */
interface Tally {
  readonly sheep: number;
  readonly shut: boolean;
}
type TallyAct = DoneAct & { readonly count?: number | undefined; readonly found?: number | undefined };
type TallyKind = Kind<Tally, TallyAct, { readonly most: number }, string, string, 'count'>;

const schema = (kind: string, more: object = {}) =>
  z.object({ ...DONE_BASE, kind: z.literal(kind), ...more }) as unknown as z.ZodType<TallyAct, unknown>;
const rest = { takes: 'count' as const, say: (_act: TallyAct, names: string) => names };

const KINDS: readonly TallyKind[] = [
  {
    ...rest,
    kind: 'begun',
    schema: schema('begun'),
    refuse: () => 'begun already',
    opens: () => ({ sheep: 0, shut: false }),
    carryOut: (tally) => tally,
    undo: 'opening',
  },
  {
    ...rest,
    kind: 'counted',
    schema: schema('counted', { count: z.int(), found: z.int().optional() }),
    refuse: ({ sheep, shut }, { count }, { most }) =>
      shut ? 'the gate is shut' : sheep + count! > most ? 'too many' : null,
    finds: {
      complete: ({ sheep }, act) => ({ ...act, found: sheep }),
      without: ({ found: _found, ...act }) => act,
    },
    carryOut: (tally, { count }) => ({ ...tally, sheep: tally.sheep + count! }),
    undo: (_before, { count }) => (count === 0 ? null : { kind: 'counted', count: -count! }),
  },
  {
    ...rest,
    kind: 'shut',
    schema: schema('shut'),
    refuse: () => null,
    carryOut: (tally) => ({ ...tally, shut: true }),
    undo: 'never',
  },
];
const machine = new ActMachine<Tally, TallyAct, { readonly most: number }, string, TallyKind>(
  KINDS,
  'not begun',
);
const by = { id: specId(), name: 'Odalys Wren' };
const act = (kind: string, more: object = {}): TallyAct => ({
  id: specId(),
  at: '2026-12-01T08:00:00.000Z',
  by,
  kind,
  ...more,
});
const most = { most: 10 };

describe('the machine of acts', () => {
  it('opens by an opening alone, and once', () => {
    expect(machine.apply(null, act('counted', { count: 1 }), most)).toEqual(failure('not begun'));
    const opened = machine.apply(null, act('begun'), most);
    expect(opened.ok && opened.value.state).toEqual({ sheep: 0, shut: false });
    expect(machine.apply({ sheep: 0, shut: false }, act('begun'), most)).toEqual(failure('begun already'));
    expect(machine.replay([act('counted', { count: 1 })])).toBeNull();
  });

  it('keeps with an act what was found, and never what was sent as such', () => {
    const done = machine.apply({ sheep: 3, shut: false }, act('counted', { count: 2, found: 99 }), most);
    expect(done.ok && [done.value.act.found, done.value.state.sheep]).toEqual([3, 5]);
  });

  it('leaves out what is refused and tries the next on what there is then', () => {
    const [nine, four, one] = [9, 4, 1].map((count) => act('counted', { count }));
    const went = machine.continued({ sheep: 0, shut: false }, [nine!, four!, one!], most);
    expect([went.state?.sheep, went.refused]).toEqual([10, [{ act: four!, refusal: 'too many' }]]);
  });

  it('reads what it knows, and says what it does not', () => {
    const read = machine.read(act('counted', { count: 'two' }));
    expect(machine.read({ kind: 'sheared' })).toEqual(failure({ code: 'unknown-kind', kind: 'sheared' }));
    expect(machine.read(null)).toEqual(failure({ code: 'unknown-kind', kind: undefined }));
    expect(!read.ok && read.problem.code).toBe('misshapen');
    expect(machine.schema.safeParse(act('shut')).success).toBeTrue();
  });

  it('replays a list that grows from where it was, and anew where it differs', () => {
    const course = machine.course({ sheep: 5, shut: false });
    const [two, three] = [2, 3].map((count) => act('counted', { count }));
    expect(course.end([])?.sheep).toBe(5);
    expect(course.end([two!])?.sheep).toBe(7);
    expect([course.before([two!, three!], 0)?.sheep, course.before([two!, three!], 1)?.sheep]).toEqual([
      5, 7,
    ]);
    expect(course.end([three!])?.sheep).toBe(8);
  });

  it('knows every state of a long list, kept or not, and of one that parts from it', () => {
    const course = machine.course({ sheep: 0, shut: false });
    const acts = Array.from({ length: 500 }, (_, at) => act('counted', { count: (at % 7) + 1 }));
    const plain = (some: readonly TallyAct[]) => machine.replay(some, { sheep: 0, shut: false });
    for (const many of [0, 1, 61, 200, 500])
      expect(course.end(acts.slice(0, many))).toEqual(plain(acts.slice(0, many)));
    for (const at of [0, 1, 59, 60, 61, 119, 121, 400, 439, 441, 499])
      expect(course.before(acts, at))
        .withContext(`${at}`)
        .toEqual(plain(acts.slice(0, at)));
    const parted = [...acts.slice(0, 130), act('counted', { count: 9 }), ...acts.slice(300)];
    expect(course.end(parted)).toEqual(plain(parted));
    expect(course.before(parted, 131)).toEqual(plain(parted.slice(0, 131)));
    expect(course.end(acts.slice(0, 30))).toEqual(plain(acts.slice(0, 30)));
  });

  it('takes back the last that stands, through what was taken back and what changed nothing', () => {
    const [two, none, three] = [2, 0, 3].map((count) => act('counted', { count }));
    const last = (acts: readonly TallyAct[]) => machine.lastDone(acts, most, machine.course());
    const begun = act('begun');
    expect(last([begun])).toBeNull();
    expect(last([])).toBeNull();
    expect(last([begun, two!, none!])).toEqual({ act: two!, undoing: { kind: 'counted', count: -2 } });
    const back = act('counted', { count: -3, undoes: three!.id });
    expect(last([begun, two!, three!, back])?.act).toBe(two!);
    expect(last([begun, two!, act('shut')])?.undoing).toBeNull();
  });
});
