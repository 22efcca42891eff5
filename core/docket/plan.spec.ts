import { conflictChoices, demandable, nameAt, placeAt, planOf, preparationFor, sayConflict } from '../index';
import { shelvedChart, SpecDocket } from '../testing/docket';

const vest = (clothing: string, garment = 'Vest') =>
  shelvedChart({ garment, expects: [{ code: 'chest-girth', clothing, tension: 'snug' }] });
const stepOf = (one: SpecDocket) =>
  planOf(one.docket!, one.library).steps.find(({ code }) => code === 'chest-girth')!;

describe('the plan of a docket', () => {
  it('is what garments, protocols and the fitter ask for, each step once', () => {
    const one = new SpecDocket([shelvedChart()], ['headwear']);
    one.does('measurement-asked', { code: 'height', asked: true });
    const { steps } = planOf(one.docket!, one.library);
    expect(steps.map(({ code, wantedBy }) => [code, ...wantedBy]).sort()).toEqual([
      ['chest-girth', 'Field jacket'],
      ['head-girth', 'Headwear'],
      ['height', 'Also asked for'],
      ['waist-girth', 'Field jacket'],
    ]);
  });

  it('measures as the chart wants it, and over close-fitting clothes where nobody says', () => {
    expect(stepOf(new SpecDocket([shelvedChart()])).clothing).toBe('close-fitting');
    const { clothing, tension } = stepOf(new SpecDocket([shelvedChart(), vest('worn-beneath')]));
    expect(clothing).withContext('who says something decides').toBe('worn-beneath');
    expect(tension).withContext('and of the tape').toBe('snug');
    expect(stepOf(new SpecDocket([vest('worn-beneath')])).tension)
      .withContext('alone')
      .toBe('snug');
  });

  it('names a conflict over clothes, and goes by what the fitter says of it', () => {
    const one = new SpecDocket([vest('worn-beneath'), vest('thick', 'Outer vest')]);
    const clothes = () =>
      planOf(one.docket!, one.library).conflicts.filter(({ kind }) => kind === 'clothing');
    expect(clothes().map(sayConflict)).toEqual([
      'Chest is asked for over different clothes (Vest: over what is worn beneath; Outer vest: over thick clothes). It is taken over what is worn beneath.',
    ]);
    one.does('clothing-chosen', { code: 'chest-girth', clothing: 'thick' });
    expect(stepOf(one).clothing).toBe('thick');
    expect(sayConflict(clothes()[0]!)).toContain('It is taken over thick clothes');
    expect(planOf(new SpecDocket([vest('thick'), vest('thick')]).docket!, one.library).conflicts).toEqual([]);
  });

  it('leaves a protocol’s steps on demand out until they are asked for', () => {
    const one = new SpecDocket([], ['uniform-intake']);
    const offered = demandable(one.docket!, one.library);
    expect(offered.length).toBeGreaterThan(0);
    const [{ code }] = offered as [(typeof offered)[number]];
    const planned = () => planOf(one.docket!, one.library).steps.some((step) => step.code === code);
    expect(planned()).toBeFalse();
    one.does('measurement-asked', { code, asked: true });
    expect(planned()).toBeTrue();
    expect(demandable(one.docket!, one.library)[0]).toEqual({ code, asked: true });
  });

  it('lets no chart that says nothing overrule a protocol that does', () => {
    const one = new SpecDocket([shelvedChart()], ['formal-hire-narrowest']);
    const tensions = () =>
      Object.fromEntries(planOf(one.docket!, one.library).steps.map(({ code, tension }) => [code, tension]));
    expect(tensions()['waist-girth']).toBe('drawn-tight');
    expect(tensions()['chest-girth']).toBe('snug');
    expect(tensions()['overarm-girth']).toBe('skin');
    expect(planOf(one.docket!, one.library).conflicts.filter(({ kind }) => kind === 'tension')).toEqual([]);
    const { library } = one;
    const large = {
      ...library.protocols[0]!,
      name: 'Ours',
      girths: 'one-finger',
      waist: 'above-navel',
    } as const;
    const ours = { ...large, id: 'ours', steps: [{ code: 'waist-girth' }, { code: 'front-waist-length' }] };
    const other = new SpecDocket([shelvedChart()]);
    other.library = { ...library, charts: other.library.charts, protocols: [ours as never] };
    other.does('protocol-asked', { protocolId: 'ours' });
    const waist = planOf(other.docket!, other.library).steps.find(({ code }) => code === 'waist-girth')!;
    expect([waist.tension, waist.waist]).toEqual(['one-finger', 'above-navel']);
    expect(planOf(other.docket!, other.library).cord).toBe('above-navel');
    expect(planOf(other.docket!, other.library).conflicts).toEqual([]);
  });

  it('lets the fitter choose where two want the tape to lie differently', () => {
    const loose = shelvedChart({
      garment: 'Parka',
      expects: [{ code: 'chest-girth', tension: 'two-fingers', clothing: null }],
    });
    const one = new SpecDocket([vest('worn-beneath'), loose]);
    const tension = () => planOf(one.docket!, one.library).conflicts.find(({ kind }) => kind === 'tension')!;
    expect(sayConflict(tension())).toBe(
      'Chest is asked for with different tension of the tape (Vest: snug; Parka: two fingers beneath the tape). It is taken snug.',
    );
    const [snug, fingers] = conflictChoices(tension());
    expect([snug!.taken, fingers!.taken]).toEqual([true, false]);
    const { kind, ...chosen } = fingers!.doing as never as { kind: 'tension-chosen' };
    one.does(kind, chosen as never);
    expect(stepOf(one).tension).toBe('two-fingers');
    expect(conflictChoices(tension()).map(({ taken }) => taken)).toEqual([false, true]);
  });

  it('calls a waist at the navel what it is, and asks where a chart needs the natural one', () => {
    const one = new SpecDocket([shelvedChart()]);
    const protocol = {
      ...one.library.protocols[0]!,
      id: 'ours',
      name: 'Ours',
      waist: 'navel' as const,
      steps: [{ code: 'waist-girth' as const }, { code: 'back-waist-length' as const }],
    };
    one.library = { ...one.library, protocols: [protocol] };
    one.does('protocol-asked', { protocolId: 'ours' });
    const plan = () => planOf(one.docket!, one.library);
    const places = () => plan().steps.map(({ code, waist }) => `${code} ${waist}`);
    expect(places()).toContain('navel-girth null');
    expect(places()).withContext('the jacket’s own').toContain('waist-girth natural');
    expect(places()).toContain('back-waist-length navel');
    expect(plan().cord).toBe('navel');
    expect(plan().conflicts.filter(({ kind }) => kind === 'waist')).toEqual([]);
    const long = shelvedChart({ garment: 'Bib' }, [
      { code: 'back-waist-length', unit: 'cm', cells: ['38-40', '40-42', '42-44'] },
    ]);
    one.library = { ...one.library, charts: [...one.library.charts, long] };
    one.does('garment-asked', { chartId: long.id });
    const [conflict] = plan().conflicts.filter(({ kind }) => kind === 'waist');
    expect(sayConflict(conflict!)).toBe(
      'The waist is asked for at different places (Bib: at the natural waist, where the side creases when they bend; Ours: at the navel). The cord is tied at the navel, and all lengths are read there. A size chart uses the natural waist only.',
    );
    const [natural] = conflictChoices(conflict!);
    expect(natural!.doing).toEqual({ kind: 'waist-chosen', place: 'natural' });
    expect(conflictChoices(conflict!).filter(({ taken }) => taken).length).toBe(1);
    one.does('waist-chosen', { place: 'natural' });
    expect(places()).toContain('back-waist-length natural');
    expect(nameAt('waist-to-hip', 'navel')).toBe('Waist at the navel to hip');
    expect(nameAt('waist-girth', 'navel')).toBe('Waist at the navel');
    expect(nameAt('crotch-length', 'navel')).toBe('Through the legs, waist at the navel');
    expect(placeAt('waist-girth', 'navel')).toBe('Level round the body at the navel.');
    expect(placeAt('waist-girth', 'above-navel')).toContain('two inches above the navel');
    expect(placeAt('waist-to-hip', 'natural')).toContain('natural waist');
    expect(placeAt('crotch-length', 'navel')).not.toContain('natural waist');
  });

  it('measures over what the kind of garment is worn over, whatever the protocol', () => {
    const stab = shelvedChart({ kind: 'vest', garment: 'Vest' });
    const alone = new SpecDocket([stab]);
    expect(stepOf(alone).clothing).toBe('worn-beneath');
    const duty = 'The duty trousers, shirt and belt, the belt where it normally rides';
    expect(preparationFor(alone.docket!, alone.library)).toContain(duty);
    expect(preparationFor(alone.docket!, alone.library).join()).not.toContain('Close-fitting');
    const besides = new SpecDocket([stab, shelvedChart()], ['uniform-intake']);
    expect(stepOf(besides).clothing).toBe('worn-beneath');
    expect(preparationFor(besides.docket!, besides.library)).toContain(duty);
    expect(preparationFor(besides.docket!, besides.library)[0]).toContain('Close-fitting');
  });
});
