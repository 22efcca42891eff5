import {
  actSchema,
  lastDone,
  passedStep,
  readAct,
  sayUnreadableAct,
  ACT_KINDS,
  CONSENT,
  apply,
  continued,
  docketCourse,
  replay,
  sayAct,
  sayRefusal,
  type Act,
  type Refusal,
} from '../index';
import { shelvedChart, specId, SpecDocket, TIERNAN } from '../testing/docket';

const code = (refusal: Refusal | null) => refusal?.code ?? null;

describe('a docket', () => {
  it('is opened by its first act and by no other, once', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart]);
    const opening = one.acts[0]!;
    const asking = one.acts[1]!;
    expect(apply(null, asking, one.library)).toEqual({ ok: false, problem: { code: 'not-opened' } });
    expect(code(one.tries({ ...opening, id: specId() }))).toBe('opened-already');
    expect(one.docket!.garments).toEqual([{ chartId: chart.id, rule: null, preference: null, chosen: {} }]);
    expect(replay([asking]))
      .withContext('nobody opened it')
      .toBeNull();
  });

  it('is the same, replayed from its list, as it was while it was made', () => {
    const [jacket, shirt] = [shelvedChart(), shelvedChart({ garment: 'Shirt' })];
    const one = new SpecDocket([jacket, shirt], ['headwear']);
    one.reads('chest-girth', 98, 98.5);
    const [wrong] = one.reads('waist-girth', 58);
    one.does('reading-withdrawn', { readingId: wrong!.id, code: 'waist-girth' });
    one.reads('waist-girth', 85, 85);
    one.does('measurement-asked', { code: 'height', asked: true });
    one.does('clothing-chosen', { code: 'chest-girth', clothing: 'thick' });
    one.does('tension-chosen', { code: 'chest-girth', tension: 'snug' });
    one.does('waist-chosen', { place: 'navel' });
    one.does('unit-chosen', { unit: 'in' });
    one.does('size-told', { item: 'bra', told: '75B' });
    one.does('size-told', { item: 'bra', told: null });
    one.does('step-passed', { code: 'head-girth', reason: 'The wearer declines', idle: false });
    one.does('rule-overruled', { chartId: jacket.id, rule: 'key-decides', preference: 'roomy' });
    one.does('garment-decided', one.decision(jacket), { by: TIERNAN });
    one.does('garment-dropped', { chartId: shirt.id });
    expect(replay(one.acts)).toEqual(one.docket);
    const course = docketCourse();
    for (let count = 1; count <= one.acts.length; count++)
      expect(course.end(one.acts.slice(0, count))).toEqual(replay(one.acts.slice(0, count)));
    expect(course.end([])).withContext('fewer than before').toBeNull();
    expect(course.end([...one.acts.slice(0, 2), ...one.acts.slice(3)]))
      .withContext('one in the middle left out')
      .toEqual(replay([...one.acts.slice(0, 2), ...one.acts.slice(3)]));
    for (const act of one.acts) {
      const kept = actSchema.parse(JSON.parse(JSON.stringify(act)));
      expect(kept).withContext(act.kind).toEqual(act);
    }
  });

  it('takes no moment that is not of our time', () => {
    const { docketId, ...act } = new SpecDocket().acts[0]!;
    const takes = (at: string) => actSchema.safeParse({ ...act, docketId, at }).success;
    expect(['1970-01-01T00:00:00Z', '2199-12-31T23:59:59.999Z'].map(takes)).toEqual([true, true]);
    expect(
      ['1969-12-31T23:59:59.999Z', '2200-01-01T00:00:00Z', '0001-01-01T00:00:00Z', '2026-05-04'].map(takes),
    ).toEqual([false, false, false, false]);
  });

  it('decides a garment and takes that back by its own chart, and not at all without it', () => {
    const [wide, narrow] = [
      shelvedChart({}, [{ code: 'chest-girth', unit: 'cm', cells: ['80-90', '90-100', '100-110'] }]),
      shelvedChart(),
    ];
    const one = new SpecDocket([wide, narrow]);
    one.reads('chest-girth', 98, 98);
    one.reads('waist-girth', 85, 85);
    const decision = one.act('garment-decided', one.decision(narrow, { sizes: { size: 'M' } }));
    expect(one.tries(decision)).toBeNull();
    const { undoing } = lastDone(one.acts, one.library)!;
    expect(undoing).toEqual(jasmine.objectContaining({ chartId: narrow.id, outcome: 'later' }));
    const away = { ...one.library, charts: [wide] };
    expect(lastDone(one.acts, away)?.undoing?.kind).not.toBe('garment-decided');
  });

  it('asks nothing of an act that was let in when it is replayed', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart]);
    one.reads('chest-girth', 98, 98);
    one.reads('waist-girth', 85, 85);
    const decided = one.does('garment-decided', one.decision(chart));
    const [verdict] = replay(one.acts)!.decisions;
    expect(verdict!.size).toBe('M');
    const { chartId: _, ...elsewhere } = decided as Extract<Act, { kind: 'garment-decided' }>;
    const gone = { ...elsewhere, chartId: specId() };
    expect(replay([...one.acts.slice(0, 1), gone])!.decisions[0]!.verdict).toEqual(verdict!.verdict);
  });

  it('goes on past an act that is refused, and says which', () => {
    const one = new SpecDocket([shelvedChart()]);
    const [good, bad, better] = [
      one.act('reading-taken', one.reading('chest-girth', 98)),
      one.act('garment-asked', { chartId: specId() }),
      one.act('reading-taken', one.reading('waist-girth', 85)),
    ];
    const { docket, refused } = continued(one.docket, [good, bad, better], one.library);
    expect(docket!.readings.map(({ id }) => id)).toEqual([good.id, better.id]);
    expect(refused).toEqual([{ act: bad, refusal: { code: 'no-such-chart' } }]);
  });
});

describe('consent', () => {
  it('stands with the words it was given to and who heard it, and can be taken back', () => {
    const one = new SpecDocket();
    expect(one.docket!.consent).toBeNull();
    one.does('consent-recorded', { given: true, wording: CONSENT.version });
    expect(one.docket!.consent).toEqual(
      jasmine.objectContaining({ given: true, wording: CONSENT.version }) as never,
    );
    expect(one.docket!.consent!.by.name).not.toBe('');
    one.does('consent-recorded', { given: false, wording: CONSENT.version });
    expect(one.docket!.consent!.given).toBeFalse();
    // Nothing is read of them from then on; what was read before and comes later stands.
    const withdrawn = one.docket!.consent!.at;
    const read = (at: string) => one.tries(one.act('reading-taken', one.reading('chest-girth', 98), { at }));
    expect(read(new Date(Date.parse(withdrawn) + 1).toISOString())).toEqual({
      code: 'consent-withdrawn',
      at: withdrawn,
    });
    expect(read(new Date(Date.parse(withdrawn) - 60_000).toISOString())).toBeNull();
    one.does('consent-recorded', { given: true, wording: CONSENT.version });
    one.reads('chest-girth', 98);
    one.does('consent-recorded', { given: false, wording: CONSENT.version });
    const names = { garment: () => 'it', protocol: () => 'it', inchParts: 8 } as const;
    expect(sayAct(one.act('consent-recorded', { given: false, wording: 1 }), names)).toContain(
      'no longer agree',
    );
  });
});

describe('what is asked for', () => {
  it('stands once, however often it is asked for, and goes when it is dropped', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart], ['headwear']);
    one.does('garment-asked', { chartId: chart.id });
    one.does('protocol-asked', { protocolId: 'headwear' });
    one.does('measurement-asked', { code: 'height', asked: true });
    one.does('measurement-asked', { code: 'height', asked: true });
    expect([one.docket!.garments.length, one.docket!.protocolIds, one.docket!.extraCodes]).toEqual([
      1,
      ['headwear'],
      ['height'],
    ]);
    one.does('measurement-asked', { code: 'height', asked: false });
    one.does('garment-dropped', { chartId: chart.id });
    expect([one.docket!.garments, one.docket!.extraCodes]).toEqual([[], []]);
    expect(code(one.tries(one.act('garment-dropped', { chartId: chart.id })))).toBe('not-on-docket');
    expect(
      code(one.tries(one.act('rule-overruled', { chartId: chart.id, rule: null, preference: null }))),
    ).toBe('not-on-docket');
  });

  it('must be in the library, and is not more than a docket holds', () => {
    const one = new SpecDocket();
    expect(code(one.tries(one.act('garment-asked', { chartId: specId() })))).toBe('no-such-chart');
    expect(code(one.tries(one.act('protocol-asked', { protocolId: 'nothing' })))).toBe('no-such-protocol');
    const full = new SpecDocket(Array.from({ length: 40 }, () => shelvedChart()));
    expect(full.tries(full.act('garment-asked', { chartId: full.library.charts[0]!.id }))).toEqual({
      code: 'docket-full',
      most: 40,
    });
  });
});

describe('a reading', () => {
  it('is what was typed, or nothing', () => {
    const one = new SpecDocket();
    const typed = one.reading('chest-girth', 98);
    expect(one.tries(one.act('reading-taken', { ...typed, length: 990_000 as never }))).toEqual({
      code: 'length-differs',
      typed: '98',
      length: 990_000 as never,
    });
    expect(code(one.tries(one.act('reading-taken', { ...typed, typed: '9' })))).toBe('unreadable-reading');
    expect(one.docket!.readings).toEqual([]);
  });

  it('is taken back once, stays on record, and must be there', () => {
    const one = new SpecDocket();
    const [reading] = one.reads('chest-girth', 98);
    const first = one.does('reading-withdrawn', { readingId: reading!.id, code: 'chest-girth' });
    one.does('reading-withdrawn', { readingId: reading!.id, code: 'chest-girth' }, { by: TIERNAN });
    expect(one.docket!.readings.map(({ withdrawnAt }) => withdrawnAt)).toEqual([first.at]);
    expect(code(one.tries(one.act('reading-withdrawn', { readingId: specId(), code: 'chest-girth' })))).toBe(
      'no-such-reading',
    );
  });

  it('stands in the order it was taken on the device, whatever its clock said', () => {
    const one = new SpecDocket();
    one.does('reading-taken', one.reading('chest-girth', 120), { at: '2031-01-01T00:00:00.000Z' });
    one.reads('chest-girth', 98, 98.5, 98);
    expect(one.docket!.readings.map(({ typed }) => typed)).toEqual(['120', '98', '98.5', '98']);
  });
});

describe('a decision', () => {
  const chart = shelvedChart();
  const measured = (chest: number, waist: number, on = chart) => {
    const one = new SpecDocket([on]);
    one.reads('chest-girth', chest, chest);
    one.reads('waist-girth', waist, waist);
    return one;
  };
  const decide = (one: SpecDocket, changes: Parameters<SpecDocket['decision']>[1] = {}, on = chart) =>
    one.tries(one.act('garment-decided', one.decision(on, changes)));

  it('takes the proposal, and keeps the verdict it was made on', () => {
    const one = measured(98, 86);
    expect(decide(one)).toBeNull();
    one.reads('chest-girth', 106, 106);
    const [decision] = one.docket!.decisions;
    expect([decision!.size, decision!.verdict.verdict, decision!.by.name]).toEqual([
      'M',
      'settled',
      'Odalys Wren',
    ]);
  });

  it('takes another size with a reason, and none that the chart does not have', () => {
    const one = measured(98, 95);
    expect(code(decide(one, { outcome: 'overridden', sizes: { size: 'M' } }))).toBe('reason-missing');
    expect(decide(one, { outcome: 'overridden', sizes: { size: '5XL' }, reason: 'It is so' })).toEqual({
      code: 'no-such-size',
      size: '5XL',
      part: null,
      sizes: ['M', 'L', 'XL'],
    });
    expect(decide(one, { outcome: 'overridden', sizes: { size: 'M' }, reason: 'Wears it open' })).toBeNull();
    expect(one.docket!.decisions[0]!.size).toBe('M');
  });

  it('accepts nothing but the proposal: no other size, none of a doubtful docket, none beyond the range', () => {
    expect(decide(measured(98, 86), { sizes: { size: 'L' } })).toEqual({
      code: 'not-the-proposal',
      proposed: 'M',
    });
    expect(code(decide(measured(96, 97), { sizes: { size: 'L' } })))
      .withContext('suspect')
      .toBe('nothing-proposed');
    // Below the range the smallest is named as the nearest; it is taken knowingly or not at all.
    const below = measured(90, 70);
    expect(below.verdict(chart).verdict).toBe('beyond');
    expect(below.verdict(chart).proposed).toBe('M');
    expect(code(decide(below))).toBe('nothing-proposed');
    expect(decide(below, { outcome: 'made-to-measure', sizes: {} })).toBeNull();
    expect(below.docket!.decisions[0]!.size).toBeNull();
  });

  it('is refused when other readings stand than the fitter saw, stand-ins among them', () => {
    const standIn = shelvedChart({}, [
      { code: 'chest-girth', unit: 'cm', cells: ['94-102', '102-110', '111-119'], standIns: ['bust-girth'] },
    ]);
    const one = new SpecDocket([standIn]);
    one.reads('bust-girth', 98, 98);
    const looked = one.decision(standIn);
    expect(looked.readingIds.length).toBe(2);
    one.reads('bust-girth', 99);
    expect(code(one.tries(one.act('garment-decided', looked)))).toBe('readings-changed');
    expect(decide(one, {}, standIn)).toBeNull();
  });

  it('is refused when somebody else decided first', () => {
    const one = measured(98, 86);
    const [mine, theirs] = [one.decision(chart), one.decision(chart)];
    expect(one.tries(one.act('garment-decided', theirs, { by: TIERNAN }))).toBeNull();
    expect(
      code(one.tries(one.act('garment-decided', { ...mine, outcome: 'made-to-measure', sizes: {} }))),
    ).toBe('decided-meanwhile');
    expect(decide(one, { outcome: 'later', sizes: {}, reason: 'Comes back' })).toBeNull();
    expect(one.docket!.decisions.length).toBe(2);
  });

  it('keeps its garment on the docket until it is put off, and needs one there', () => {
    const one = measured(98, 86);
    decide(one);
    expect(code(one.tries(one.act('garment-dropped', { chartId: chart.id })))).toBe('decided-already');
    decide(one, { outcome: 'later', sizes: {} });
    expect(one.tries(one.act('garment-dropped', { chartId: chart.id }))).toBeNull();
    expect(code(decide(one))).toBe('not-on-docket');
  });
});

describe('the sentences', () => {
  const names = { garment: () => 'the field jacket', protocol: () => 'Headwear', inchParts: 8 } as const;

  it('accept a proposal with every part of it, and decide nothing that is not on the docket', () => {
    const part = (code: string, of: string, cells: readonly string[]) => ({
      code,
      name: code,
      sizes: ['M', 'L'],
      columns: [{ code: of, unit: 'cm', cells }],
    });
    const chart = shelvedChart({
      label: '{size} {leg}',
      parts: [
        part('size', 'chest-girth', ['90-100', '100-110']),
        part('leg', 'inside-leg-length', ['70-80', '80-90']),
      ],
    });
    const one = new SpecDocket([chart]);
    one.reads('chest-girth', 95, 95);
    one.reads('inside-leg-length', 85, 85);
    const refused = (sizes: Record<string, string>) =>
      one.tries(one.act('garment-decided', one.decision(chart, { sizes })))?.code;
    expect(refused({ size: 'M', leg: 'M' })).toBe('not-the-proposal');
    expect(refused({ size: 'L', leg: 'L' })).toBe('not-the-proposal');
    const decision = one.decision(chart, { sizes: { size: 'M', leg: 'L' } });
    one.does('garment-dropped', { chartId: chart.id });
    expect(one.tries(one.act('garment-decided', decision))?.code).toBe('not-on-docket');
    one.does('garment-asked', { chartId: chart.id });
    const { library } = one;
    one.library = { ...library, charts: [] };
    expect(one.tries(one.act('garment-decided', decision))?.code)
      .withContext('a chart that is not known')
      .toBe('not-on-docket');
    one.library = library;
    expect(one.tries(one.act('garment-decided', decision))).toBeNull();
  });

  it('tell every kind of act, and end in a full stop', () => {
    const chart = shelvedChart({ fitChecks: [{ look: 'The hood clears the eyes', otherwise: 'Another.' }] });
    const one = new SpecDocket([chart], ['headwear']);
    one.reads('chest-girth', 98, 98);
    const [back] = one.reads('waist-girth', 85, 85, 90);
    one.does('reading-withdrawn', { readingId: back!.id, code: 'waist-girth' });
    one.does('consent-recorded', { given: true, wording: 1 });
    one.does('measurement-asked', { code: 'height', asked: true });
    one.does('clothing-chosen', { code: 'chest-girth', clothing: 'bare' });
    one.does('tension-chosen', { code: 'chest-girth', tension: 'snug' });
    one.does('waist-chosen', { place: 'above-navel' });
    one.does('waist-chosen', { place: null });
    one.does('unit-chosen', { unit: 'in' });
    one.does('size-told', { item: 'bra', told: '75B' });
    one.does('size-told', { item: 'bra', told: null });
    one.does('rule-overruled', { chartId: chart.id, rule: 'closest', preference: null });
    one.does('choice-made', { chartId: chart.id, choice: 'overlap', label: null });
    one.does('style-noted', { chartId: chart.id, style: 'Navy, no lining' });
    one.does('style-noted', { chartId: null, style: null });
    one.does('step-passed', { code: 'head-girth', reason: 'The wearer declines', idle: false });
    one.does('suspicion-confirmed', {
      check: 'waist-over-chest',
      values: [{ code: 'waist-girth', value: 970_000 as never }],
      reason: 'It is so',
    });
    const wish = { wish: 'split', typed: '45', unit: 'cm', length: 450_000 as never } as const;
    one.does('wish-noted', { ...wish, pointed: 300, estimatedFor: null });
    one.does('wish-dropped', { wish: 'split' });
    one.does('garment-decided', one.decision(chart, { outcome: 'later', sizes: {}, reason: 'Comes back' }));
    const chartId = chart.id;
    const on = one.does('garment-tried', { chartId, sizes: { size: 'M' }, carrier: null, found: null }).id;
    one.does('fit-checked', { chartId, trialId: on, check: 'own-1', answer: 'right', reason: null });
    const pinned = { area: 'leg', how: 'hem-at', typed: '78', unit: 'cm', length: 780_000 as never } as const;
    one.does('alteration-noted', { chartId, ...pinned });
    one.does('alterations-done', { chartId, done: true });
    one.does('garment-fitted', { chartId, trialId: on, outcome: 'kept', reason: null, found: null });
    const handing = { chartId, way: 'issued', until: null, untried: null, found: null } as const;
    const signature = { by: 'name', name: 'Ibrahima Lund' } as const;
    const slip = one.does('garments-handed-over', { garments: [handing], signature }).id;
    one.does('handing-withdrawn', { actId: slip });
    const other = shelvedChart({ garment: 'Shirt' });
    one.library = { ...one.library, charts: [...one.library.charts, other] };
    one.does('garment-asked', { chartId: other.id });
    const shirt = one.does('garment-tried', {
      chartId: other.id,
      sizes: { size: 'M' },
      carrier: null,
      found: null,
    }).id;
    one.does('garment-fitted', {
      chartId: other.id,
      trialId: shirt,
      outcome: 'kept',
      reason: null,
      found: null,
    });
    one.does('garments-handed-over', { garments: [{ ...handing, chartId: other.id }], signature });
    one.does('handing-withdrawn', { actId: one.acts.at(-1)!.id });
    const hired = { ...handing, chartId: other.id, way: 'hired', until: '2026-12-04' } as const;
    one.does('garments-handed-over', { garments: [hired], signature });
    one.does('hire-extended', { chartId: other.id, until: '2026-12-06' });
    const tight = { why: 'tight', area: 'collar', note: null, goes: 'stock' } as const;
    one.does('garment-came-back', { chartId: other.id, ...tight });
    one.does('return-withdrawn', { chartId: other.id });
    one.does('trial-withdrawn', { chartId, trialId: on });
    one.does('garment-dropped', { chartId: chart.id });
    const said = one.acts.map((act) => sayAct(act, names));
    expect(new Set(one.acts.map(({ kind }) => kind)).size)
      .withContext('every kind')
      .toBe(ACT_KINDS.length);
    for (const sentence of said) expect(sentence).toMatch(/^Odalys Wren [a-z].*[^.]\.$/);
    expect(said).toContain('Odalys Wren undid a reading of natural waist.');
    const unsent = one.act('garment-decided', one.decision(chart, { sizes: { size: 'M' } }));
    expect(sayAct(unsent, names))
      .withContext('before it is let in')
      .toBe('Odalys Wren accepted M for the field jacket.');
    expect(said).toContain('Odalys Wren confirmed as read: natural waist 97 cm.');
    expect(said).toContain('Odalys Wren read chest: 98 cm.');
    expect(said).toContain('Odalys Wren noted for the field jacket: hem the leg at 78 cm.');
    const written = one.act('reading-taken', one.reading('chest-girth', 98, { typed: '38.5 in' }));
    expect(sayAct(written, names)).toBe('Odalys Wren read chest: 38.5 in.');
    expect(said).toContain('Odalys Wren postponed the field jacket: Comes back.');
  });

  it('say of every refusal what is wrong and what to do', () => {
    const refusals: Refusal[] = [
      ...(
        [
          'not-opened',
          'opened-already',
          'id-taken',
          'other-hand',
          'no-such-wearer',
          'no-such-chart',
          'no-such-protocol',
          'no-such-reading',
          'not-on-docket',
          'decided-already',
          'readings-changed',
          'decided-meanwhile',
          'reason-missing',
          'nothing-proposed',
          'no-such-trial',
          'no-such-check',
          'tried-meanwhile',
          'fitted-already',
          'handed-twice',
          'no-such-handing',
          'area-missing',
          'lost-goes-nowhere',
          'not-from-stores',
        ] as const
      ).map((one) => ({ code: one })),
      { code: 'not-as-labelled', altered: true },
      { code: 'not-as-labelled', altered: false },
      { code: 'not-on-shelf', garment: 'Field jacket', size: 'M' },
      { code: 'piece-refused', garment: 'Dry suit', why: 'Its inspection was due.' },
      { code: 'booked-otherwise', garment: 'Dry suit', until: '2026-06-10' },
      { code: 'docket-full', most: 40 },
      { code: 'not-the-proposal', proposed: 'M' },
      { code: 'must-be-seen', look: 'The seals lie snug' },
      { code: 'not-right', says: 'It pulls' },
      ...(['handed-already', 'nothing-to-hand-over', 'still-on', 'until-missing'] as const).map((one) => ({
        code: one,
        garment: 'Field jacket',
      })),
      { code: 'until-past', garment: 'Waders', until: '2026-04-01' },
      { code: 'must-be-tried', garment: 'Saltmarsh vest', look: 'Seated: that gap just closes' },
      { code: 'length-differs', typed: '98', length: 1 as never },
      { code: 'no-such-size', size: null, part: 'Front', sizes: ['1', '2'] },
    ];
    for (const refusal of refusals) expect(sayRefusal(refusal, 8)).withContext(refusal.code).toMatch(/[.?]$/);
    expect(sayRefusal(refusals.at(-1)!, 8)).toBe('Nothing is not a size of Front. Choose one of 1, 2.');
  });
});

describe('what was sent or kept', () => {
  it('is an act of its kind, or is said not to be one', () => {
    const one = new SpecDocket();
    const [act] = one.reads('chest-girth', 98);
    expect(readAct(JSON.parse(JSON.stringify(act)))).toEqual({ ok: true, value: act! });
    const unreadable = (sent: unknown) => {
      const read = readAct(sent);
      return read.ok ? null : [read.problem.code, sayUnreadableAct(read.problem)];
    };
    for (const sent of [null, 'text', 7, {}, { kind: 'something-newer' }])
      expect(unreadable(sent)).toEqual(['unknown-kind', jasmine.stringContaining('does not know')]);
    expect(unreadable({ ...act, typed: ' ' })).toEqual(['misshapen', jasmine.stringContaining('typed')]);
  });

  it('passes no step over that was read since', () => {
    const one = new SpecDocket();
    one.does('step-passed', { code: 'chest-girth', reason: 'The wearer declines', idle: false });
    expect(passedStep(one.docket!, 'chest-girth')?.reason).toBe('The wearer declines');
    const [reading] = one.reads('chest-girth', 98);
    expect(passedStep(one.docket!, 'chest-girth')).toBeNull();
    one.does('reading-withdrawn', { readingId: reading!.id, code: 'chest-girth' });
    expect(passedStep(one.docket!, 'chest-girth')).not.toBeNull();
  });
});
