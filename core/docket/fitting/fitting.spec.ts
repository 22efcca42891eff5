import {
  adviceOn,
  alterationsOf,
  cm,
  finalSize,
  isAtTailor,
  stageOf,
  lastDone,
  RIGHT,
  sayAct,
  sayRefusal,
  standingFitting,
  trialsOf,
  type Act,
  type Refusal,
} from '../../testing/all';
import { shelvedChart, SpecDocket, specId } from '../../testing/docket';

const says = (refusal: Refusal | null) => (refusal === null ? null : sayRefusal(refusal, 8));

/** A docket with one garment of a kind, decided in M by what was read. */
function decided(kind: string) {
  const chart = shelvedChart({ kind });
  const one = new SpecDocket([chart]);
  one.reads('chest-girth', 98, 98);
  one.reads('waist-girth', 85, 85);
  one.does('garment-decided', one.decision(chart));
  const chartId = chart.id;
  const wear = (size: string, carrier: string | null = null) =>
    one.does('garment-tried', { chartId, sizes: { size }, carrier, found: null }).id;
  const see = (trialId: string, check: string, answer: string | null, reason: string | null = null) =>
    one.tries(one.act('fit-checked', { chartId, trialId, check, answer, reason }));
  const keep = (trialId: string, reason: string | null = null) =>
    one.tries(one.act('garment-fitted', { chartId, trialId, outcome: 'kept', reason, found: null }));
  const alter = (
    area: 'waist' | 'sleeve' | 'leg',
    how: 'take-in' | 'lengthen' | 'hem-at',
    typed: string | null,
  ) =>
    one.tries(
      one.act('alteration-noted', {
        chartId,
        area,
        how,
        typed,
        unit: 'cm',
        length: typed === null ? null : cm(Number(typed)),
      }),
    );
  const undo = () => {
    const { act, undoing } = lastDone(one.acts, one.library)!;
    const { kind, ...fields } = undoing!;
    one.does(kind, fields as never, { undoes: act.id });
    return act.kind;
  };
  const state = () => stageOf(one.docket!, chartId);
  const final = () => finalSize(one.docket!, chartId);
  return { one, chart, chartId, wear, see, keep, alter, undo, state, final };
}

describe('trying a garment on', () => {
  it('proves the size that was decided', () => {
    const { wear, see, keep, state, final } = decided('jacket');
    expect([state(), final()]).toEqual(['to-try', { size: 'M', sizes: { size: 'M' }, tried: false }]);
    const on = wear('M');
    expect(state()).toBe('on');
    for (const check of ['button', 'lapels', 'shoulder', 'cuff', 'hem'])
      expect(see(on, check, RIGHT)).toBeNull();
    expect(keep(on)).toBeNull();
    expect([state(), final()]).toEqual(['kept', { size: 'M', sizes: { size: 'M' }, tried: true }]);
  });

  it('keeps another size than was decided, with every size that was on and what was wrong with it', () => {
    const { one, chart, chartId, wear, see, keep, final } = decided('jacket');
    const m = wear('M');
    expect(see(m, 'button', 'small')).toBeNull();
    expect(adviceOn(one.docket!, chartId, chart.sheet).next?.label).toBe('L');
    const l = wear('L');
    expect(see(l, 'button', RIGHT)).toBeNull();
    expect(keep(l)).toBeNull();
    expect(final()).toEqual({ size: 'L', sizes: { size: 'L' }, tried: true });
    expect(
      trialsOf(one.docket!, chartId).map(({ size, seen }) => [size, seen.map(({ answer }) => answer)]),
    ).toEqual([
      ['M', ['small']],
      ['L', [RIGHT]],
    ]);
    expect(keep(m)?.code).withContext('M is no longer on').toBe('tried-meanwhile');
  });

  it('keeps nothing that is not right without an alteration that mends it, or a reason', () => {
    const { wear, see, keep, alter } = decided('jacket');
    const on = wear('M');
    see(on, 'cuff', 'small');
    expect(says(keep(on))).toMatch(/^“It shows the wrist” is not mended\./);
    expect(alter('waist', 'take-in', '2')).toBeNull();
    expect(keep(on)?.code).withContext('that mends something else').toBe('not-right');
    expect(alter('sleeve', 'lengthen', '2')).toBeNull();
    expect(keep(on)).toBeNull();
    expect(alter('sleeve', 'lengthen', null)?.code)
      .withContext('what mends it stays')
      .toBe('fitted-already');
    const other = decided('jacket');
    const worn = other.wear('M');
    other.see(worn, 'cuff', 'small');
    expect(other.keep(worn, 'The wearer wants it so')).toBeNull();
  });

  it('keeps what is altered where a tailor mends it, wherever it was seen', () => {
    const boxy = decided('jacket');
    const on = boxy.wear('M');
    boxy.see(on, 'button', 'large');
    expect(boxy.keep(on)?.code).toBe('not-right');
    // What hangs like a box at the chest is taken in at the waist.
    boxy.alter('waist', 'take-in', '2');
    expect(boxy.keep(on)).toBeNull();
    const long = decided('trousers');
    const worn = long.wear('M');
    long.see(worn, 'hem', 'rather');
    expect(long.keep(worn)?.code).toBe('not-right');
    long.alter('leg', 'hem-at', '78');
    expect(long.keep(worn)).toBeNull();
  });

  it('keeps what tells nothing of a size for a reason alone', () => {
    const { wear, see, keep, one } = decided('bra');
    const on = wear('M');
    see(on, 'straps', 'dig');
    expect(keep(on)?.code).toBe('not-right');
    expect(keep(on, 'The straps are new')).toBeNull();
    const [seen] = one.acts.filter(({ kind }) => kind === 'fit-checked');
    const names = { garment: () => 'the bra', protocol: () => '', inchParts: 8 as const };
    expect(sayAct(seen as Act, names)).toContain('checked the bra, straps: dig');
  });

  it('keeps no vest before it was looked at seated, nor one that failed what must be right, whatever is altered', () => {
    const { wear, see, keep, one } = decided('vest');
    const on = wear('M', 'Dune carrier');
    expect(one.docket!.trials[0]!.carrier).toBe('Dune carrier');
    for (const check of ['gap-standing', 'bare', 'widths', 'bind']) see(on, check, RIGHT);
    expect(says(keep(on, 'All is well'))).toMatch(/^Not checked yet: Seated/);
    expect(see(on, 'gap-seated', RIGHT)).toBeNull();
    expect(says(see(on, 'overlap', null))).toMatch(/^Not checked yet: The sides overlap.*enter why/);
    expect(see(on, 'overlap', null, 'The side straps are at the workshop')).toBeNull();
    expect(see(on, 'order', 'wrong')).toBeNull();
    expect(keep(on)?.code).toBe('not-right');
    expect(see(on, 'order', RIGHT)).toBeNull();
    expect(keep(on)).toBeNull();
    const { seen } = one.docket!.trials[0]!;
    expect(seen.find(({ check }) => check === 'overlap')).toEqual(
      jasmine.objectContaining({ answer: null, reason: 'The side straps are at the workshop' }),
    );
    expect(seen.every(({ by }) => by.name === 'Odalys Wren')).toBeTrue();
  });

  it('is open again once another size is on, or once it was decided anew', () => {
    const { one, chart, chartId, wear, see, keep, state, final } = decided('jacket');
    const m = wear('M');
    see(m, 'button', RIGHT);
    keep(m);
    expect(says(see(m, 'hem', 'small'))).toMatch(/already has a result\. Open it again/);
    const l = wear('L');
    expect([state(), final()]).toEqual(['on', { size: 'M', sizes: { size: 'M' }, tried: false }]);
    keep(l);
    expect(final()?.size).toBe('L');
    one.does(
      'garment-decided',
      one.decision(chart, { outcome: 'overridden', sizes: { size: 'XL' }, reason: 'Layers' }),
    );
    expect(standingFitting(one.docket!, chartId)).toBeNull();
    expect(final()).toEqual({ size: 'XL', sizes: { size: 'XL' }, tried: false });
  });

  it('ends in made to measure where no size does', () => {
    const { one, chartId, wear, state, final } = decided('jacket');
    const trialId = wear('XL');
    const fitted = { chartId, trialId, reason: 'Shoulders', found: null } as const;
    one.does('garment-fitted', { ...fitted, outcome: 'made-to-measure' });
    expect([state(), final()]).toEqual(['made-to-measure', null]);
  });

  it('is taken back act by act', () => {
    const { one, chartId, wear, see, keep, alter, undo, state } = decided('jacket');
    const on = wear('M');
    see(on, 'button', 'small');
    see(on, 'button', RIGHT);
    alter('waist', 'take-in', '2');
    alter('waist', 'take-in', '3');
    keep(on);
    expect(undo()).toBe('garment-fitted');
    expect(state()).toBe('on');
    undo();
    expect(alterationsOf(one.docket!, chartId).map(({ typed }) => typed)).toEqual(['2']);
    undo();
    expect(alterationsOf(one.docket!, chartId)).toEqual([]);
    const answer = () => trialsOf(one.docket!, chartId)[0]?.seen.map((seen) => seen.answer);
    undo();
    expect(answer()).toEqual(['small']);
    undo();
    expect(answer()).toEqual([]);
    expect(undo()).toBe('garment-tried');
    expect(state()).toBe('to-try');
    expect(undo()).toBe('garment-decided');
  });

  it('takes an alteration back to what was noted of that place in that way, and no other', () => {
    const { one, chartId, wear, alter, undo } = decided('jacket');
    wear('M');
    alter('sleeve', 'take-in', '1');
    alter('waist', 'lengthen', '5');
    alter('waist', 'take-in', '2');
    alter('waist', 'take-in', '3');
    const noted = () =>
      alterationsOf(one.docket!, chartId)
        .map(({ area, how, typed }) => `${area} ${how} ${typed}`)
        .sort();
    expect(noted()).toEqual(['sleeve take-in 1', 'waist lengthen 5', 'waist take-in 3']);
    undo();
    expect(noted()).toEqual(['sleeve take-in 1', 'waist lengthen 5', 'waist take-in 2']);
    undo();
    expect(noted()).toEqual(['sleeve take-in 1', 'waist lengthen 5']);
  });

  it('puts a size on again that was taken off by mistake, and that one of several', () => {
    const { one, chartId, wear, undo } = decided('jacket');
    const m = wear('M', 'Dune carrier');
    wear('L');
    one.does('trial-withdrawn', { chartId, trialId: m });
    const worn = () => trialsOf(one.docket!, chartId).map(({ size, carrier }) => [size, carrier]);
    expect(worn()).toEqual([['L', null]]);
    expect(undo()).toBe('trial-withdrawn');
    expect(worn()).toEqual([
      ['L', null],
      ['M', 'Dune carrier'],
    ]);
  });

  it('puts back what it had come to of the same size', () => {
    const { one, chartId, wear, keep, undo, state } = decided('jacket');
    const on = wear('M');
    keep(on);
    const made = {
      chartId,
      trialId: on,
      outcome: 'made-to-measure',
      reason: 'Long arms',
      found: null,
    } as const;
    one.does('garment-fitted', made);
    expect(state()).toBe('made-to-measure');
    undo();
    expect([state(), standingFitting(one.docket!, chartId)?.size]).toEqual(['kept', 'M']);
    one.does('garment-fitted', { ...made, outcome: 'open', reason: null });
    expect(state()).toBe('on');
  });

  it('sees nothing of a size of another garment', () => {
    const [jacket, coat] = [shelvedChart({ kind: 'jacket' }), shelvedChart({ kind: 'jacket' })];
    const one = new SpecDocket([jacket, coat]);
    const tried = { chartId: coat.id, sizes: { size: 'M' }, carrier: null, found: null };
    const { id: trialId } = one.does('garment-tried', tried);
    const seen = { chartId: jacket.id, trialId, check: 'button', answer: RIGHT, reason: null };
    expect(one.tries(one.act('fit-checked', seen))?.code).toBe('no-such-trial');
  });

  it('is told act by act', () => {
    const { one, chartId, wear, see, alter, keep } = decided('jacket');
    const names = { garment: () => 'the jacket', protocol: () => 'a protocol', inchParts: 8 } as const;
    const on = wear('M', 'Dune carrier');
    see(on, 'button', RIGHT);
    see(on, 'cuff', null, 'The wearer is in a hurry');
    see(on, 'hem', null);
    see(on, 'hem', 'not-seen');
    alter('waist', 'take-in', '2');
    alter('waist', 'take-in', null);
    keep(on, 'It fits');
    one.does('trial-withdrawn', { chartId, trialId: on });
    expect(one.acts.slice(-9).map((act) => sayAct(act, names).replace(/^Odalys Wren (.*)\.$/, '$1'))).toEqual(
      [
        'had the jacket tried on in M, in Dune carrier',
        'checked the jacket, button: right',
        'skipped “cuff” of the jacket: The wearer is in a hurry',
        'skipped “hem” of the jacket: no reason given',
        'undid a check of the jacket, hem',
        'noted for the jacket: take in the waist by 2 cm',
        'no longer alters the waist of the jacket',
        'kept M of the jacket after trying it on: It fits',
        'undid trying on the jacket',
      ],
    );
  });

  it('refuses what is not there', () => {
    const { one, chartId, wear, see, alter } = decided('jacket');
    const tried = (fields: Partial<Extract<Act, { kind: 'garment-tried' }>>) =>
      one.tries(
        one.act('garment-tried', { chartId, sizes: { size: 'M' }, carrier: null, found: null, ...fields }),
      )?.code;
    expect(tried({ sizes: { size: '5XL' } })).toBe('no-such-size');
    expect(tried({ sizes: {} })).toBe('no-such-size');
    expect(tried({ chartId: specId() })).toBe('not-on-docket');
    expect(see(specId(), 'button', RIGHT)?.code).toBe('no-such-trial');
    const on = wear('M');
    expect(see(on, 'seal', RIGHT)?.code).toBe('no-such-check');
    expect(see(on, 'button', 'purple')?.code).toBe('no-such-check');
    expect(see(on, 'button', null))
      .withContext('what need not be seen is left out without a reason')
      .toBeNull();
    expect(says(alter('waist', 'take-in', '90'))).toMatch(
      /^90 cm is not an alteration \(.*\)\. Measure at the pins again\.$/,
    );
    const gone = one.act('trial-withdrawn', { chartId, trialId: specId() });
    expect(one.tries(gone)?.code).toBe('no-such-trial');
    const strange = {
      chartId,
      area: 'waist',
      how: 'take-in',
      typed: 'much',
      unit: 'cm',
      length: cm(2),
    } as const;
    expect(one.tries(one.act('alteration-noted', strange))?.code).toBe('unreadable-alteration');
    expect(one.tries(one.act('alteration-noted', { ...strange, typed: '3' }))?.code).toBe('length-differs');
  });

  it('is at the tailor until somebody says that it is ready, and again when more is altered', () => {
    const { one, chartId, wear, keep, alter, undo } = decided('jacket');
    const ready = (done: boolean) => one.tries(one.act('alterations-done', { chartId, done }))?.code ?? null;
    const on = wear('M');
    expect(ready(true)).toBe('nothing-altered');
    expect(isAtTailor(one.docket!, chartId)).toBeFalse();
    alter('waist', 'take-in', '2');
    keep(on);
    expect([isAtTailor(one.docket!, chartId), ready(false)]).toEqual([true, 'nothing-altered']);
    expect([ready(true), isAtTailor(one.docket!, chartId)]).toEqual([null, false]);
    expect(ready(true)).toBe('nothing-altered');
    undo();
    expect(isAtTailor(one.docket!, chartId)).toBeTrue();
    ready(true);
    alter('sleeve', 'lengthen', '1');
    expect(isAtTailor(one.docket!, chartId)).toBeTrue();
  });
});
