import {
  ageAt,
  bareUnit,
  historyCsv,
  historyOf,
  inches,
  kneeFromHip,
  lastDone,
  latestOfBody,
  mm,
  planOf,
  PROTOCOL_CODES,
  readWish,
  recordOf,
  sayConflict,
  sayCord,
  sayPlacings,
  sayRefusal,
  sayWishProblem,
  standingTaken,
  styleOf,
  thatCount,
  UNSETTLED,
  WISH_CODES,
  WISHES,
  type Act,
  type Doing,
  type WishCode,
} from '../index';
import { sayCountedAs } from '../match/say-alteration';
import { shelvedChart, SpecDocket } from '../testing/docket';

/** Trousers by the waist and the hip, as charts of one part name them. */
const HIPS = shelvedChart({
  parts: [
    {
      code: 'size',
      name: 'Size',
      sizes: ['S', 'M', 'L'],
      columns: [{ code: 'hip-girth', unit: 'cm', cells: ['90-98', '98-106', '106-114'] }],
    },
  ],
} as never);
const noted = (wish: WishCode, typed: string, more: object = {}) => {
  const read = readWish(typed, wish, 'cm');
  if (!read.ok) throw new Error(typed);
  return { wish, typed, unit: 'cm', length: read.value, pointed: null, estimatedFor: null, ...more } as const;
};

describe('the waist at two places', () => {
  it('is one cord, tied where the protocol has it; a chart’s own waist is taken beside it', () => {
    const navel = {
      id: 'own',
      name: 'By the navel',
      steps: [{ code: 'waist-girth' as const }, { code: 'waist-to-knee' as const }],
      waist: 'navel' as const,
      prepare: [],
    };
    const one = new SpecDocket([shelvedChart()]);
    one.library = { ...one.library, protocols: [navel] };
    one.does('protocol-asked', { protocolId: 'own' });
    const both = planOf(one.docket!, one.library);
    expect(both.cord).toBe('navel');
    expect(both.steps.map(({ code, waist }) => [code, waist])).toContain(['waist-girth', 'natural']);
    expect(both.conflicts.map(sayConflict).join()).toContain('waist');
    const alone = new SpecDocket();
    alone.library = one.library;
    alone.does('protocol-asked', { protocolId: 'own' });
    const plan = planOf(alone.docket!, alone.library);
    expect([plan.cord, plan.conflicts]).toEqual(['navel', []]);
    expect(plan.steps.map(({ code, waist }) => [code, waist])).toEqual([
      ['navel-girth', null],
      ['waist-to-knee', 'navel'],
    ]);
    expect(sayCord(plan)).toContain('at the navel');
  });

  it('is no waist of a maker’s: nobody is sized by what was read at the navel', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart]);
    one.reads('chest-girth', 98, 98);
    for (const typed of [94, 94])
      one.does('reading-taken', one.reading('waist-girth', typed, { waist: 'navel' }));
    expect(one.verdict(chart).verdict).toBe('incomplete');
    for (const typed of [94, 94])
      one.does('reading-taken', one.reading('waist-girth', typed, { waist: 'above-navel' }));
    expect(one.verdict(chart).proposed).not.toBeNull();
  });

  it('does not agree with a reading from another place', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart]);
    one.reads('chest-girth', 98, 98);
    one.does('reading-taken', one.reading('waist-girth', 94, { waist: 'navel' }));
    one.does('reading-taken', one.reading('waist-girth', 84));
    one.does('reading-taken', one.reading('waist-girth', 84));
    expect(one.verdict(chart).parts[0]!.placements.find(({ code }) => code === 'waist-girth')?.value).toBe(
      mm(840),
    );
  });

  it('goes with the record, and into no map of bodies', () => {
    const one = new SpecDocket();
    for (const typed of [94, 94])
      one.does('reading-taken', one.reading('waist-girth', typed, { waist: 'navel' }));
    one.reads('chest-girth', 98, 98);
    const taken = standingTaken(one.acts);
    const record = recordOf(taken, [], { charts: [], habits: UNSETTLED }, Date.UTC(2026, 4, 5));
    expect(record.map(({ code, waist }) => [code, waist])).toEqual([
      ['chest-girth', null],
      ['waist-girth', 'navel'],
    ]);
    expect([...latestOfBody(taken, UNSETTLED).keys()]).toEqual(['chest-girth']);
    // A later one at the navel hides none that was read where it creases.
    const other = new SpecDocket();
    other.reads('waist-girth', 84, 84);
    const both = [...standingTaken(other.acts), ...taken];
    expect(Number(latestOfBody(both, UNSETTLED).get('waist-girth'))).toBe(840_000);
    const waists = recordOf(both, [], { charts: [], habits: UNSETTLED }, Date.UTC(2026, 4, 5)).filter(
      ({ code }) => code === 'waist-girth',
    );
    expect(waists.map(({ waist, value }) => [waist, Number(value)])).toEqual([
      ['natural', 840_000],
      ['navel', 940_000],
    ]);
  });
});

describe('the cord', () => {
  it('is asked for once two steps are read at it', () => {
    const one = new SpecDocket([], ['headwear']);
    expect(planOf(one.docket!, one.library).cord).toBeNull();
    one.does('measurement-asked', { code: 'waist-girth', asked: true });
    expect(planOf(one.docket!, one.library).cord).toBeNull();
    one.does('measurement-asked', { code: 'waist-to-knee', asked: true });
    expect(planOf(one.docket!, one.library).cord).toBe('natural');
    one.does('measurement-asked', { code: 'waist-to-hip', asked: true });
    expect(sayPlacings(planOf(one.docket!, one.library))).toBe(
      'The tape is laid 3 times for 4 measurements: 1 is read in passing.',
    );
    expect(sayPlacings({ placings: { count: 2, alone: 2 } })).toBe('');
    // A foot is drawn round on paper, a weight is weighed: no tape is laid for them.
    expect(sayPlacings(planOf(new SpecDocket([], ['footwear']).docket!, one.library))).toBe('');
    one.does('measurement-asked', { code: 'weight', asked: true });
    expect(planOf(one.docket!, one.library).placings).toEqual({ count: 3, alone: 4 });
  });

  it('breaks a chain where a mark is wanted over other clothes', () => {
    const one = new SpecDocket();
    for (const code of ['waist-to-knee', 'waist-to-hip', 'waist-to-ankle'] as const)
      one.does('measurement-asked', { code, asked: true });
    one.does('clothing-chosen', { code: 'waist-to-knee', clothing: 'thick' });
    const chains = planOf(one.docket!, one.library).steps.map(({ code, chain }) => [code, chain]);
    expect(chains).toContain(['waist-to-knee', null]);
    expect(chains).toContain(['waist-to-hip', 'side']);
  });
});

describe('two fullnesses of the hip', () => {
  const sized = (hip: number, upper: number | null) => {
    const one = new SpecDocket([HIPS]);
    one.reads('hip-girth', hip, hip);
    if (upper !== null) one.reads('high-hip-girth', upper, upper);
    return one.verdict(HIPS);
  };

  it('are sized by the larger, and it is said', () => {
    expect(sized(95, null).proposed).toBe('S');
    expect(sized(95, 92).proposed).toBe('S');
    expect(sized(95, 92).countedAs).toEqual([]);
    const fuller = sized(95, 102);
    expect(fuller.proposed).toBe('M');
    expect(fuller.countedAs).toEqual([{ code: 'hip-girth', from: 'high-hip-girth', value: mm(1020) }]);
    expect(sayCountedAs(fuller.countedAs[0]!, 'cm')).toContain('the larger decides');
  });

  it('are both behind a decision: who reads the upper one again decides anew', () => {
    const one = new SpecDocket([HIPS]);
    one.reads('hip-girth', 95, 95);
    one.reads('high-hip-girth', 102, 102);
    const decision = one.decision(HIPS);
    expect(decision.readingIds.length).toBe(4);
    one.reads('high-hip-girth', 90, 90);
    expect(one.tries(one.act('garment-decided', decision))?.code).toBe('readings-changed');
  });
});

describe('what is told', () => {
  it('counts by the last that was told, until something is measured', () => {
    const one = new SpecDocket([shelvedChart()]);
    const told = (typed: string) =>
      one.does('reading-taken', { ...one.reading('chest-girth', typed), origin: 'reported' });
    told('96');
    told('98');
    expect(thatCount(one.docket!.readings).map(({ typed }) => typed)).toEqual(['98']);
    one.reads('chest-girth', 101);
    expect(thatCount(one.docket!.readings).length).toBe(1);
  });
});

describe('wishes', () => {
  it('stand on the docket one of a kind, and give no value', () => {
    const one = new SpecDocket([shelvedChart()]);
    const before = one.verdict(shelvedChart());
    one.does('wish-noted', noted('split', '45', { pointed: 400 }));
    one.does('wish-noted', noted('split', '50'));
    one.does('wish-noted', noted('train', '1.2 m'));
    expect(one.docket!.wishes.map(({ wish, length }) => [wish, Number(length)])).toEqual([
      ['split', 500_000],
      ['train', 1_200_000],
    ]);
    expect(one.docket!.readings).toEqual([]);
    expect(one.verdict(shelvedChart()).verdict).toBe(before.verdict);
    expect(standingTaken(one.acts)).toEqual([]);
  });

  it('are taken back as they were', () => {
    const one = new SpecDocket();
    one.does('wish-noted', noted('split', '45', { pointed: 400 }));
    one.does('wish-noted', noted('split', '50'));
    const undo = () => {
      const last = lastDone(one.acts as Act[], one.library)!;
      const { kind, ...fields } = last.undoing as Doing;
      one.does(kind as 'wish-noted', fields as never, { undoes: last.act.id });
    };
    undo();
    expect(one.docket!.wishes.map(({ typed, pointed }) => [typed, pointed])).toEqual([['45', 400]]);
    undo();
    expect(one.docket!.wishes).toEqual([]);
    one.does('wish-noted', noted('hem', '2'));
    one.does('wish-dropped', { wish: 'hem' });
    undo();
    expect(one.docket!.wishes.map(({ wish }) => wish)).toEqual(['hem']);
  });

  it('stand beside how a garment is to look, which is taken back as it was', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart]);
    one.does('style-noted', { chartId: chart.id, style: 'Navy' });
    one.does('style-noted', { chartId: chart.id, style: 'Green' });
    one.does('style-noted', { chartId: null, style: 'A long coat' });
    expect([styleOf(one.docket!, chart.id), styleOf(one.docket!, null)]).toEqual(['Green', 'A long coat']);
    const undo = () => {
      const last = lastDone(one.acts as Act[], one.library)!;
      const { kind, ...fields } = last.undoing as Doing;
      one.does(kind as 'style-noted', fields as never, { undoes: last.act.id });
    };
    undo();
    undo();
    expect([styleOf(one.docket!, chart.id), styleOf(one.docket!, null)]).toEqual(['Navy', null]);
  });

  it('and a look, too, is refused of a garment that is not on the docket', () => {
    const one = new SpecDocket();
    const about = one.act('style-noted', { chartId: shelvedChart().id, style: 'Navy' });
    expect(one.tries(about)).toEqual({ code: 'not-on-docket' });
  });

  it('are refused where they are none, with what to do', () => {
    const one = new SpecDocket();
    const act = one.act('wish-noted', { ...noted('split', '45'), typed: '4500', length: mm(45_000) });
    const refusal = one.tries(act)!;
    expect(sayRefusal(refusal, 8)).toBe('4500 cm is no split (0 cm to 130 cm). Enter it again.');
    const other = one.act('wish-noted', { ...noted('split', '45'), length: mm(10) });
    expect(one.tries(other)?.code).toBe('length-differs');
    const unreadable = readWish('low', 'split', 'cm');
    expect(!unreadable.ok && sayWishProblem(unreadable.problem, 'cm')).toContain('“low”');
  });

  it('are each named once, between limits', () => {
    expect(WISHES.map(({ code }) => code)).toEqual([...WISH_CODES]);
    for (const { limits, place } of WISHES) {
      expect(limits.least).toBeLessThan(limits.most);
      expect(place).toMatch(/\.$/);
    }
  });

  it('take the knee of a narrow skirt from the hip: 8 in less for a close cut, 6 or 7, 5 or 6', () => {
    // Common practice, no source.
    expect(kneeFromHip(inches(40), 'close')).toEqual({ least: inches(32), most: inches(32) });
    expect(kneeFromHip(inches(40), 'every-day')).toEqual({ least: inches(33), most: inches(34) });
    expect(kneeFromHip(inches(40), 'easy')).toEqual({ least: inches(34), most: inches(35) });
  });
});

describe('the record of a person', () => {
  const AT = (year: number, month: number) => ({ at: new Date(Date.UTC(year, month, 2)).toISOString() });
  const first = new SpecDocket();
  for (const typed of [152, 152]) first.does('reading-taken', first.reading('height', typed), AT(2026, 0));
  first.does('reading-taken', first.reading('chest-girth', 80), AT(2026, 0));
  const second = new SpecDocket();
  for (const typed of [156, 156]) second.does('reading-taken', second.reading('height', typed), AT(2026, 4));
  second.does(
    'reading-taken',
    second.reading('waist-girth', 70, { carriedFrom: AT(2025, 3).at }),
    AT(2026, 4),
  );
  for (const typed of [81, 81])
    second.does('reading-taken', second.reading('chest-girth', typed, { origin: 'self' }), AT(2026, 4));
  const dockets = [
    { number: 7, acts: second.acts },
    { number: 3, acts: first.acts },
  ];
  const now = Date.UTC(2026, 7, 15);

  it('is every value ever settled, by measurement and date, and once', () => {
    const { points } = historyOf(dockets, UNSETTLED, null, now);
    expect(points.map(({ code, value, docket, origin }) => [code, Number(value), docket, origin])).toEqual([
      ['chest-girth', 810_000, 7, 'self'],
      ['waist-girth', 700_000, 7, 'fitter'],
      ['height', 1_520_000, 3, 'fitter'],
      ['height', 1_560_000, 7, 'fitter'],
    ]);
  });

  it('is due by the house’s period, and sooner of those who still grow', () => {
    expect(historyOf(dockets, UNSETTLED, null, now).due).toEqual(['waist-girth']);
    expect(historyOf(dockets, UNSETTLED, '2010-01', now).due).toEqual([
      'chest-girth',
      'waist-girth',
      'height',
    ]);
    expect(historyOf(dockets, UNSETTLED, '1990-01', now).due).toEqual(['waist-girth']);
    const record = (born: string | null) =>
      recordOf(
        second.acts.flatMap((act) => standingTaken([act])),
        [],
        { charts: [], habits: UNSETTLED },
        now,
        born,
      )
        .filter(({ due }) => due)
        .map(({ code }) => code);
    expect(record('2010-01')).toContain('height');
    expect(record(null)).not.toContain('height');
  });

  it('has a value that was carried over where it was read, and the values of one measurement by their dates', () => {
    const read = new SpecDocket();
    for (const typed of [57, 57]) read.does('reading-taken', read.reading('head-girth', typed), AT(2026, 3));
    const carried = new SpecDocket();
    const over = carried.reading('head-girth', 57, { carriedFrom: AT(2026, 3).at });
    carried.does('reading-taken', over, AT(2026, 5));
    const early = new SpecDocket();
    for (const typed of [56, 56])
      early.does('reading-taken', early.reading('head-girth', typed), AT(2025, 1));
    const all = [carried, early, read].map((one, at) => ({ number: [9, 8, 4][at]!, acts: one.acts }));
    const points = historyOf(all, UNSETTLED, null, now).points;
    expect(points.map(({ value, docket }) => [Number(value), docket])).toEqual([
      [560_000, 8],
      [570_000, 4],
    ]);
  });

  it('has weights in kilograms', () => {
    const scale = new SpecDocket();
    for (const typed of ['72.5', '72.5'])
      scale.does('reading-taken', scale.reading('weight', typed), AT(2026, 4));
    const history = historyOf([{ number: 9, acts: scale.acts }], UNSETTLED, null, now);
    expect(historyCsv(history)).toMatch(/^weight,Weight,72\.5,kg,,,/m);
  });

  it('is written as a table that no spreadsheet takes for a formula', () => {
    const [head, chest, , height] = historyCsv(historyOf(dockets, UNSETTLED, null, now)).split('\r\n');
    expect(head).toContain('measurement,name,value,unit');
    expect(chest).toMatch(/^chest-girth,Chest,810,mm,81,31.89,2026-05-02T00:00:00.000Z,7,self,/);
    expect(height).toMatch(/^height,Height,1520,mm,152,59.84,/);
    const by = { id: first.id, name: '=HYPERLINK("x")' };
    const spoilt = first.acts.map((act) => ({ ...act, by }));
    expect(historyCsv(historyOf([{ number: 1, acts: spoilt }], UNSETTLED, null, now))).toContain(
      "'=HYPERLINK",
    );
  });

  it('counts years as birthdays do, by the month', () => {
    expect(ageAt('2009-04', Date.UTC(2026, 2, 31))).toBe(16);
    expect(ageAt('2009-04', Date.UTC(2026, 3, 1))).toBe(17);
    expect(ageAt(null, 0)).toBeNull();
  });

  it('is asked for in the protocols by codes that are all there', () => {
    expect(bareUnit('height', 'cm')).toBe('cm');
    expect(new Set(PROTOCOL_CODES).size).toBe(PROTOCOL_CODES.length);
  });
});
