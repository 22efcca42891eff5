import { lastDone, readingIdsBehind, TAKEN_BACK, type Act, type Doing } from '../index';
import { shelvedChart, SpecDocket } from '../testing/docket';

describe('lastDone', () => {
  const undo = (one: SpecDocket): Act['kind'] | null => {
    const last = lastDone(one.acts, one.library);
    if (last === null || last.undoing === null) return null;
    const { kind, ...fields } = last.undoing;
    one.does(kind, fields as never, { undoes: last.act.id });
    return last.act.kind;
  };
  const values = ({ docket }: SpecDocket) =>
    docket!.readings.filter(({ withdrawnAt }) => withdrawnAt === null).map(({ typed }) => typed);

  it('leaves consent that was taken back taken back, also where it was given again by mistake', () => {
    const one = new SpecDocket();
    one.does('consent-recorded', { given: true, wording: 1 });
    one.does('consent-recorded', { given: false, wording: 1 });
    one.does('consent-recorded', { given: true, wording: 1 });
    expect(undo(one)).toBe('consent-recorded');
    expect(one.docket!.consent!.given).toBeFalse();
    // And saying that nobody was asked takes nothing of it away.
    one.does('consent-recorded', { given: false, wording: 1, unasked: true });
    expect(one.docket!.consent!.given).toBeFalse();
    expect(one.tries(one.act('reading-taken', one.reading('chest-girth', 98)))?.code).toBe(
      'consent-withdrawn',
    );
  });

  it('takes back act by act, the last first, down to how the docket was opened, and then nothing', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart], ['headwear']);
    one.does('consent-recorded', { given: true, wording: 1 });
    one.does('measurement-asked', { code: 'height', asked: true });
    expect(one.docket!.extraCodes).toEqual(['height']);
    one.reads('chest-girth', 98, 98);
    one.reads('waist-girth', 85, 85);
    one.does('rule-overruled', { chartId: chart.id, rule: null, preference: 'roomy' });
    one.does('garment-decided', one.decision(chart, { sizes: { size: 'M' } }));
    const undone: (Act['kind'] | null)[] = [];
    for (let count = 0; count < 9; count++) undone.push(undo(one));
    expect(undone).toEqual([
      'garment-decided',
      'rule-overruled',
      'reading-taken',
      'reading-taken',
      'reading-taken',
      'reading-taken',
      'measurement-asked',
      'consent-recorded',
      null,
    ]);
    expect(values(one)).toEqual([]);
    expect(one.docket!.extraCodes).toEqual([]);
    // Pressed by mistake it says of nobody that they took something back.
    expect(one.docket!.consent).toBeNull();
    expect(one.docket!.garments)
      .withContext('what was asked for stays')
      .toEqual([{ chartId: chart.id, rule: null, preference: null, chosen: {} }]);
    expect(one.docket!.decisions.at(-1)).toEqual(
      jasmine.objectContaining({ outcome: 'later', reason: TAKEN_BACK }),
    );
  });

  it('brings back a reading that was taken back, and that again', () => {
    const one = new SpecDocket([], ['headwear']);
    const [reading] = one.reads('chest-girth', 98);
    one.does('reading-withdrawn', { readingId: reading!.id, code: 'chest-girth' });
    expect(values(one)).toEqual([]);
    expect(undo(one)).toBe('reading-withdrawn');
    expect(values(one)).toEqual(['98']);
    expect(undo(one)).withContext('the reading itself is next').toBe('reading-taken');
    expect(values(one)).toEqual([]);
    expect(undo(one)).toBeNull();
  });

  it('finds each reading again that was brought back, whatever else was', () => {
    const one = new SpecDocket([], ['headwear']);
    const [first, second] = one.reads('chest-girth', 98, 97);
    const [waist] = one.reads('waist-girth', 85);
    for (const { id, code } of [
      { id: first!.id, code: 'chest-girth' as const },
      { id: second!.id, code: 'chest-girth' as const },
      { id: waist!.id, code: 'waist-girth' as const },
    ])
      one.does('reading-withdrawn', { readingId: id, code });
    const steps = ['85', '85,97', '85,97,98', '97,98', '98', ''];
    for (const left of steps) {
      undo(one);
      expect([...values(one)].sort().join()).toBe(left);
    }
    expect(undo(one)).toBeNull();
  });

  it('takes back only what one act has done: what was taken back already stays so', () => {
    const one = new SpecDocket([], ['headwear']);
    const [, second] = one.reads('chest-girth', 98, 97);
    const withdrawal = { readingId: second!.id, code: 'chest-girth' as const };
    const first = one.does('reading-withdrawn', withdrawal);
    one.does('reading-withdrawn', withdrawal);
    expect(lastDone(one.acts, one.library)!.act.id).withContext('the second changed nothing').toBe(first.id);
    undo(one);
    expect(values(one)).toEqual(['98', '97']);
  });

  it('takes back a rule alone and a fit alone, and asks for everything else as before', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart]);
    for (const code of ['height', 'weight'] as const) one.does('measurement-asked', { code, asked: true });
    expect(one.docket!.extraCodes).toEqual(['height', 'weight']);
    one.does('rule-overruled', { chartId: chart.id, rule: 'closest', preference: null });
    one.does('rule-overruled', { chartId: chart.id, rule: 'closest', preference: 'close' });
    const own = () => [one.docket!.garments[0]!.rule, one.docket!.garments[0]!.preference];
    undo(one);
    expect(own()).toEqual(['closest', null]);
    undo(one);
    expect(own()).toEqual([null, null]);
    undo(one);
    expect(one.docket!.extraCodes).toEqual(['height']);
  });

  it('passes over a rule, a consent and clothes that were so before', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart], ['headwear']);
    one.does('clothing-chosen', { code: 'chest-girth', clothing: 'bare' });
    one.does('clothing-chosen', { code: 'chest-girth', clothing: 'worn-beneath' });
    one.does('tension-chosen', { code: 'chest-girth', tension: 'snug' });
    one.does('tension-chosen', { code: 'chest-girth', tension: 'skin' });
    one.does('waist-chosen', { place: 'navel' });
    one.does('unit-chosen', { unit: 'in' });
    one.does('unit-chosen', { unit: 'in' });
    one.does('size-told', { item: 'collar', told: '15 1/2' });
    expect(undo(one)).toBe('size-told');
    expect(one.docket!.told).toEqual({});
    expect(undo(one)).toBe('unit-chosen');
    expect(one.docket!.unit).toBe('cm');
    expect(undo(one)).toBe('waist-chosen');
    expect(one.docket!.waist).toBeNull();
    expect(undo(one)).toBe('tension-chosen');
    expect(one.docket!.tension['chest-girth']).toBe('snug');
    one.does('consent-recorded', { given: false, wording: 1 });
    one.does('rule-overruled', { chartId: chart.id, rule: null, preference: null });
    expect(undo(one)).toBe('clothing-chosen');
    expect(one.docket!.clothing['chest-girth']).toBe('bare');
    expect(undo(one)).withContext('what it was before is not known').toBeNull();
  });

  it('passes over what changed nothing, and stops at what cannot be taken back', () => {
    const one = new SpecDocket([], ['headwear']);
    one.reads('chest-girth', 98);
    one.does('measurement-asked', { code: 'height', asked: false });
    expect(lastDone(one.acts, one.library)!.act.kind).toBe('reading-taken');
    one.does('step-passed', { code: 'waist-girth', reason: 'The wearer declines', idle: false });
    expect(lastDone(one.acts, one.library)).toEqual(
      jasmine.objectContaining({ undoing: null, act: jasmine.objectContaining({ kind: 'step-passed' }) }),
    );
  });

  it('takes no decision for taken back that was only put off, and none that another follows', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart]);
    one.reads('chest-girth', 98, 98);
    one.reads('waist-girth', 85, 85);
    one.does('garment-decided', one.decision(chart, { sizes: { size: 'M' } }));
    one.does('garment-decided', one.decision(chart, { outcome: 'later', sizes: {}, reason: 'Comes back' }));
    const last = lastDone(one.acts, one.library)!;
    expect(last.act).toEqual(jasmine.objectContaining({ kind: 'garment-decided', outcome: 'accepted' }));
    const undoing = last.undoing as Extract<Doing, { kind: 'garment-decided' }>;
    expect(undoing.readingIds).toEqual(readingIdsBehind(one.docket!, chart.sheet));
  });
});
