import { instrumentsOf, planSteps, PROTOCOLS, protocolBodySchema } from '../index';

describe('instrumentsOf', () => {
  it('names what each is taken with, once', () =>
    expect(instrumentsOf(['chest-girth', 'waist-girth', 'weight'])).toEqual(['tape', 'scale']));
});

describe('the protocols', () => {
  it('cover every purpose the trade measures for', () => expect(Object.keys(PROTOCOLS).length).toBe(18));

  for (const [code, protocol] of Object.entries(PROTOCOLS)) {
    it(`${code} holds to its own form`, () => {
      expect(protocolBodySchema.safeParse(protocol).error?.message).toBeUndefined();
      expect(instrumentsOf(protocol.steps.map((step) => step.code)).length).toBeGreaterThan(0);
    });
  }

  it('show their cautions where the work can hurt someone', () => {
    for (const code of ['vest-a', 'vest-b', 'vest-c', 'womens-vest-unstructured', 'womens-vest-structured']) {
      expect(PROTOCOLS[code]!.cautions.join()).toContain('does not certify protection');
    }
    for (const code of ['footwear', 'gloves', 'one-piece-suit'])
      expect(PROTOCOLS[code]!.cautions.length).toBe(1);
  });

  it('measure each school’s own backs and sleeves', () => {
    const codes = (code: string) => PROTOCOLS[code]!.steps.map((step) => step.code);
    const back = (code: string) =>
      codes(code).filter((one) => one === 'collar-to-belt' || one === 'nape-to-belt');
    expect(back('vest-a')).toEqual(['collar-to-belt']);
    expect(back('vest-b')).toEqual(['collar-to-belt']);
    expect(back('vest-c')).toEqual(['nape-to-belt']);
    expect(back('womens-vest-unstructured')).toEqual(['collar-to-belt']);
    expect(back('womens-vest-structured')).toEqual(['collar-to-belt']);
    expect(codes('vest-b')).toContain('notch-to-belt-seated');
    expect(codes('vest-c')).toContain('notch-to-belt-standing');
    // A sleeve of formal hire goes from the nape to the wrist.
    expect(codes('formal-hire')).toContain('cervicale-to-wrist');
    expect(codes('formal-hire')).not.toContain('shoulder-to-knuckle');
  });

  it('take both feet, left before right', () => {
    expect(planSteps(PROTOCOLS['footwear']!.steps.map(({ code }) => code))).toEqual([
      'foot-length-left',
      'foot-width-left',
      'foot-length-right',
      'foot-width-right',
    ]);
  });
});
