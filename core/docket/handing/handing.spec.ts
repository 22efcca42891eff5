import {
  actSchema,
  handingIn,
  lastDone,
  lastHanding,
  looksOn,
  RIGHT,
  sayAct,
  sayRefusal,
  SIGNATURE_GROUND,
  stageOf,
  UNSETTLED,
  type Act,
  type Refusal,
} from '../../testing/all';
import { addDays } from '../../words/days';
import { shelvedChart, SpecDocket, specId } from '../../testing/docket';

type HandedOver = Extract<Act, { kind: 'garments-handed-over' }>;
type One = HandedOver['garments'][number];
const SIGNED: HandedOver['signature'] = { by: 'name', name: 'Ibrahima Lund' };
const says = (refusal: Refusal | null) => (refusal === null ? null : sayRefusal(refusal, 8));

/** A docket with garments of some kinds, each decided in M. */
function decided(...kinds: readonly string[]) {
  const charts = kinds.map((kind) => shelvedChart({ kind, garment: `Test ${kind}` }));
  const one = new SpecDocket(charts);
  one.reads('chest-girth', 98, 98);
  one.reads('waist-girth', 85, 85);
  for (const chart of charts) one.does('garment-decided', one.decision(chart));
  const fields = (at: number, changes: Partial<One> = {}): One => ({
    chartId: charts[at]!.id,
    way: 'issued',
    until: null,
    untried: null,
    found: null,
    ...changes,
  });
  const hand = (...garments: One[]) =>
    one.tries(one.act('garments-handed-over', { garments, signature: SIGNED }));
  const wear = (at: number, size = 'M') => {
    const chartId = charts[at]!.id;
    return one.does('garment-tried', { chartId, sizes: { size }, carrier: null, found: null }).id;
  };
  const keep = (at: number, trialId: string) =>
    one.does('garment-fitted', {
      chartId: charts[at]!.id,
      trialId,
      outcome: 'kept',
      reason: null,
      found: null,
    });
  const back = (at: number, changes: Partial<Extract<Act, { kind: 'garment-came-back' }>> = {}) =>
    one.tries(
      one.act('garment-came-back', {
        chartId: charts[at]!.id,
        why: 'changed-mind',
        area: null,
        note: null,
        goes: 'stock',
        ...changes,
      }),
    );
  const stage = (at: number) => stageOf(one.docket!, charts[at]!.id);
  const last = (at: number) => lastHanding(one.docket!, charts[at]!.id);
  return { one, charts, fields, hand, wear, keep, back, stage, last };
}

describe('handing garments over', () => {
  it('hands several over with one act, each its own way, in the size that was decided or proved', () => {
    const { one, fields, hand, wear, keep, stage, last } = decided('jacket', 'trousers', 'waders');
    keep(0, wear(0, 'L'));
    expect(
      hand(fields(0), fields(1, { way: 'sold' }), fields(2, { way: 'hired', until: '2026-06-01' })),
    ).toBeNull();
    expect([0, 1, 2].map((at) => [stage(at), last(at)?.way, last(at)?.size])).toEqual([
      ['handed-over', 'issued', 'L'],
      ['handed-over', 'sold', 'M'],
      ['handed-over', 'hired', 'M'],
    ]);
    const names = { garment: () => 'it', protocol: () => '', inchParts: 8 } as const;
    expect(sayAct(one.acts.at(-1)!, names)).toBe(
      'Odalys Wren issued it in L, sold it in M and hired out it in M.',
    );
  });

  it('hands over nothing that is not decided, still on, out already, or hired without an end', () => {
    const { fields, hand, wear, stage } = decided('jacket', 'trousers');
    expect(says(hand(fields(0, { way: 'hired' })))).toMatch(
      /^Enter the last day of hire for the test jacket/,
    );
    expect(says(hand(fields(0, { way: 'hired', until: '2026-04-01' })))).toMatch(
      /^1 Apr 2026 is in the past/,
    );
    expect(hand(fields(0), fields(0))?.code).toBe('handed-twice');
    wear(1);
    expect(hand(fields(0), fields(1))?.code)
      .withContext('all of it, or none')
      .toBe('still-on');
    expect(stage(0)).toBe('to-try');
    expect(hand(fields(0))).toBeNull();
    expect(says(hand(fields(0)))).toMatch(/^The wearer has the test jacket already/);
    const undecided = shelvedChart();
    const open = new SpecDocket([undecided]);
    const early = { ...fields(0), chartId: undecided.id };
    expect(open.tries(open.act('garments-handed-over', { garments: [early], signature: SIGNED }))?.code).toBe(
      'nothing-to-hand-over',
    );
  });

  it('hands no vest over before it was looked at seated and kept, unless a reason is given, which stays', () => {
    const { one, charts, fields, hand, wear, keep, last } = decided('vest', 'vest');
    expect(says(hand(fields(0)))).toMatch(
      /must be checked on the wearer before handing over: Seated.*give a reason\.$/,
    );
    expect(hand(fields(0, { untried: 'Posted to the outer station' }))).toBeNull();
    expect(last(0)?.untried).toBe('Posted to the outer station');
    const trialId = wear(1);
    for (const check of ['gap-seated', 'overlap', 'order'])
      one.does('fit-checked', { chartId: charts[1]!.id, trialId, check, answer: RIGHT, reason: null });
    keep(1, trialId);
    expect(hand(fields(1))).toBeNull();
  });

  it('puts nothing altered on the shelf as what its label says, without a word', () => {
    const { one, charts, fields, hand, wear, keep, back, last } = decided('trousers');
    const trialId = wear(0);
    const pinned = { area: 'leg', how: 'hem-at', typed: '78', unit: 'cm', length: 780_000 as never } as const;
    one.does('alteration-noted', { chartId: charts[0]!.id, ...pinned });
    keep(0, trialId);
    hand(fields(0));
    expect(back(0)).toEqual({ code: 'not-as-labelled', altered: true });
    expect(back(0, { goes: 'quarantine' })).toBeNull();
    one.does('return-withdrawn', { chartId: charts[0]!.id });
    expect(back(0, { note: 'The hem was let down again' })).toBeNull();
    expect(last(0)?.back?.goes).toBe('stock');
  });

  it('takes one back with the reason, and begins with it anew', () => {
    const { one, charts, fields, hand, wear, keep, back, stage, last } = decided('jacket');
    expect(back(0)?.code).toBe('no-such-handing');
    keep(0, wear(0));
    hand(fields(0));
    expect(back(0, { why: 'changed-mind', to: '0198a4c0-0000-7000-8000-000000000001' })?.code).toBe(
      'not-from-stores',
    );
    expect(back(0, { why: 'lost', goes: 'drying' })?.code).toBe('lost-goes-nowhere');
    expect(back(0, { why: 'tight' })?.code).toBe('area-missing');
    for (const why of ['faulty', 'damaged'] as const)
      expect(back(0, { why, goes: 'stock' })).toEqual({ code: 'not-as-labelled', altered: false });
    expect(back(0, { why: 'tight', area: 'chest', note: 'After a week', goes: 'quarantine' })).toBeNull();
    expect([stage(0), last(0)?.back?.goes]).toEqual(['came-back', 'quarantine']);
    expect(hand(fields(0))?.code)
      .withContext('the same again is no exchange')
      .toBe('nothing-to-hand-over');
    expect(one.tries(one.act('garment-dropped', { chartId: charts[0]!.id }))?.code).toBe('decided-already');
    keep(0, wear(0, 'L'));
    expect(stage(0)).toBe('kept');
    expect(hand(fields(0))).toBeNull();
    expect(one.docket!.handings.map(({ size }) => size)).toEqual(['M', 'L']);
  });

  it('is not with the wearer any more once it came back, and only the last return is taken back', () => {
    const { one, charts, fields, hand, wear, keep, back, stage } = decided('jacket');
    keep(0, wear(0));
    hand(fields(0));
    expect(back(0)).toBeNull();
    expect(back(0)?.code).toBe('no-such-handing');
    keep(0, wear(0, 'L'));
    hand(fields(0));
    back(0);
    one.does('return-withdrawn', { chartId: charts[0]!.id });
    expect(one.docket!.handings.map((handing) => handing.back === null)).toEqual([false, true]);
    expect(stage(0)).toBe('handed-over');
  });

  it('lets a hire end on another day, and again as was agreed once that is taken back', () => {
    const { one, charts, fields, hand, back, last } = decided('dry-suit');
    const chartId = charts[0]!.id;
    const ends = (until: string, more: object = {}) =>
      one.tries(one.act('hire-extended', { chartId, until }, more))?.code ?? null;
    const days = (by: number) => addDays(one.acts[0]!.at.slice(0, 10), by);
    expect(ends(days(9)))
      .withContext('nobody has it')
      .toBe('no-such-handing');
    hand(fields(0, { untried: 'By post' }));
    expect(ends(days(9)))
      .withContext('issued for good')
      .toBe('no-such-handing');
    one.does('handing-withdrawn', { actId: one.acts.at(-1)!.id });
    hand(fields(0, { way: 'hired', until: days(2), untried: 'By post' }));
    expect(ends(days(-9))).toBe('until-past');
    expect([ends(days(9)), last(0)?.until]).toEqual([null, days(9)]);
    const undone = lastDone(one.acts, one.library)!;
    expect(undone.undoing).toEqual({ kind: 'hire-extended', chartId, until: days(2) });
    expect([ends(days(-9), { undoes: undone.act.id }), last(0)?.until])
      .withContext('as late as it was before')
      .toEqual([null, days(-9)]);
    back(0, { why: 'hire-over', goes: 'drying' });
    expect(ends(days(9))).toBe('no-such-handing');
  });

  it('takes a handing back though others went before it', () => {
    const { one, fields, hand, back } = decided('jacket', 'trousers');
    hand(fields(0));
    back(0);
    hand(fields(1));
    const last = one.acts.at(-1)!;
    expect(one.tries(one.act('handing-withdrawn', { actId: last.id }))).toBeNull();
    expect(one.docket!.handings.length).toBe(1);
  });

  it('hands over, and takes back, nothing that is not there', () => {
    const { one, fields, hand, keep, wear, last, back } = decided('jacket');
    const strange = shelvedChart({ kind: 'jacket' });
    expect(hand(fields(0), { ...fields(0), chartId: strange.id })?.code).toBe('not-on-docket');
    one.library = { ...one.library, charts: [...one.library.charts, strange] };
    expect(hand({ ...fields(0), chartId: strange.id })?.code).toBe('not-on-docket');
    keep(0, wear(0));
    const withdrawn = (actId: string) => one.tries(one.act('handing-withdrawn', { actId }))?.code ?? null;
    expect(withdrawn(one.acts.at(-1)!.id)).toBe('no-such-handing');
    const [roomId, other] = [specId(), specId()];
    hand(fields(0, { from: { roomId, pieceId: null } }));
    const handed = one.acts.at(-1)!.id;
    expect(back(0, { to: other })).toBeNull();
    expect(last(0)?.back?.to).toBe(other);
    expect(withdrawn(handed)).withContext('it came back: that is no slip').toBe('no-such-handing');
  });

  it('keeps a signature that can be drawn, and none that would not travel with the docket', () => {
    const { one, fields } = decided('jacket');
    const signed = (...strokes: number[][]) => {
      const act = one.act('garments-handed-over', {
        garments: [fields(0)],
        signature: { by: 'hand', strokes },
      } as never);
      return actSchema.safeParse(act).success;
    };
    const stroke = (numbers: number) => Array.from({ length: numbers }, (_, at) => at % 100);
    expect(signed(stroke(800), stroke(800), stroke(800), stroke(600))).toBeTrue();
    expect(signed(stroke(800), stroke(800), stroke(800), stroke(602))).toBeFalse();
    expect(signed(stroke(802))).toBeFalse();
  });

  it('has what came back tight or long tell of how the chart runs, and nothing else that came back', () => {
    const { one, charts, fields, hand, back } = decided('jacket', 'trousers');
    hand(fields(0), fields(1));
    back(0, { why: 'tight', area: 'chest' });
    back(1, { why: 'faulty' });
    const looks = (at: number) =>
      looksOn(one.docket!, charts[at]!, one.library.habits).map(({ size, code, sight }) => [
        size,
        code,
        sight,
      ]);
    expect(looks(0)).toEqual([['M', 'chest-girth', 'small']]);
    expect(looks(1)).toEqual([]);
  });

  it('is taken back as a slip, and done again', () => {
    const { one, fields, hand, back, stage } = decided('jacket', 'trousers');
    hand(fields(0), fields(1));
    const undo = () => {
      const { act, undoing } = lastDone(one.acts, one.library)!;
      const { kind, ...more } = undoing!;
      one.does(kind, more as never, { undoes: act.id });
    };
    undo();
    expect([stage(0), stage(1)]).toEqual(['to-try', 'to-try']);
    expect(hand(fields(0))).toBeNull();
    back(0);
    expect(stage(0)).toBe('came-back');
    undo();
    expect(stage(0)).withContext('the wearer has it still').toBe('handed-over');
  });

  it('keeps what was signed by hand as it was written', () => {
    const { one, fields, last } = decided('jacket');
    const strokes = [[0, 0, SIGNATURE_GROUND.width, SIGNATURE_GROUND.height]];
    one.does('garments-handed-over', { garments: [fields(0)], signature: { by: 'hand', strokes } });
    expect(last(0)?.signature).toEqual({ by: 'hand', strokes });
  });
});

describe('handingIn', () => {
  it('hires out what people have none of, and issues the rest, unless the house has settled it', () => {
    expect([handingIn(UNSETTLED, 'dry-suit'), handingIn(UNSETTLED, 'jacket')]).toEqual(['hired', 'issued']);
    expect(handingIn({ handing: { jacket: 'sold' } }, 'jacket')).toBe('sold');
  });
});
