import { demandable, planOf, sayConflict } from '../index';
import { shelvedChart, SpecDocket } from '../testing/docket';

const vest = (clothing: string, garment = 'Vest') =>
  shelvedChart({ garment, expects: [{ code: 'chest-girth', clothing, tension: 'snug' }] });
const stepOf = (one: SpecDocket) =>
  planOf(one.docket!, one.shelf).steps.find(({ code }) => code === 'chest-girth')!;

describe('the plan of a docket', () => {
  it('is what garments, protocols and the fitter ask for, each step once', () => {
    const one = new SpecDocket([shelvedChart()], ['headwear']);
    one.does('measurement-asked', { code: 'height', asked: true });
    const { steps } = planOf(one.docket!, one.shelf);
    expect(steps.map(({ code, wantedBy }) => [code, ...wantedBy]).sort()).toEqual([
      ['chest-girth', 'Field jacket'],
      ['head-girth', 'Headwear'],
      ['height', 'Asked for besides'],
      ['waist-girth', 'Field jacket'],
    ]);
  });

  it('measures as the chart wants it, and over close-fitting clothes where nobody says', () => {
    expect(stepOf(new SpecDocket([shelvedChart()])).clothing).toBe('close-fitting');
    const { clothing, tension } = stepOf(new SpecDocket([shelvedChart(), vest('worn-beneath')]));
    expect(clothing).withContext('who says something decides').toBe('worn-beneath');
    expect(tension).toBe('skin');
    expect(stepOf(new SpecDocket([vest('worn-beneath')])).tension)
      .withContext('alone')
      .toBe('snug');
  });

  it('names a conflict over clothes, and goes by what the fitter says of it', () => {
    const one = new SpecDocket([vest('worn-beneath'), vest('thick', 'Outer vest')]);
    const clothes = () => planOf(one.docket!, one.shelf).conflicts.filter(({ kind }) => kind === 'clothing');
    expect(clothes().map(sayConflict)).toEqual([
      'Chest is wanted over different clothes (Vest: over what is worn beneath; Outer vest: over thick clothes). It is taken over what is worn beneath; the other is marked.',
    ]);
    one.does('clothing-chosen', { code: 'chest-girth', clothing: 'thick' });
    expect(stepOf(one).clothing).toBe('thick');
    expect(sayConflict(clothes()[0]!)).toContain('It is taken over thick clothes');
    expect(planOf(new SpecDocket([vest('thick'), vest('thick')]).docket!, one.shelf).conflicts).toEqual([]);
  });

  it('leaves a protocol’s steps on demand out until they are asked for', () => {
    const one = new SpecDocket([], ['uniform-intake']);
    const offered = demandable(one.docket!, one.shelf);
    expect(offered.length).toBeGreaterThan(0);
    const [{ code }] = offered as [(typeof offered)[number]];
    const planned = () => planOf(one.docket!, one.shelf).steps.some((step) => step.code === code);
    expect(planned()).toBeFalse();
    one.does('measurement-asked', { code, asked: true });
    expect(planned()).toBeTrue();
    expect(demandable(one.docket!, one.shelf)[0]).toEqual({ code, asked: true });
  });
});
