import {
  chainOf,
  instrumentsOf,
  planDocket,
  planSteps,
  PROTOCOL_CODES,
  PROTOCOLS,
  protocolBodySchema,
  tensionIn,
  type ProtocolCode,
} from '../../index';

describe('instrumentsOf', () => {
  it('names what each is taken with, once', () =>
    expect(instrumentsOf(['chest-girth', 'waist-girth', 'weight'])).toEqual(['tape', 'scale']));
});

describe('the protocols', () => {
  it('cover every purpose the trade measures for', () =>
    expect(Object.keys(PROTOCOLS).length).toBe(PROTOCOL_CODES.length));

  for (const [code, protocol] of Object.entries(PROTOCOLS)) {
    it(`${code} holds to its own form`, () => {
      expect(protocolBodySchema.safeParse(protocol).error?.message).toBeUndefined();
      expect(instrumentsOf(protocol.steps.map((step) => step.code)).length).toBeGreaterThan(0);
    });
  }

  it('show their cautions where the work can hurt someone', () => {
    for (const code of [
      'vest-a',
      'vest-b',
      'vest-c',
      'womens-vest-unstructured',
      'womens-vest-structured',
    ] as const) {
      expect(PROTOCOLS[code].cautions.join()).toContain('does not certify protection');
    }
    for (const code of ['footwear', 'gloves', 'one-piece-suit'] as const)
      expect(PROTOCOLS[code].cautions.length).toBe(1);
  });

  it('measure each school’s own backs and sleeves', () => {
    const codes = (code: ProtocolCode) => PROTOCOLS[code].steps.map((step) => step.code);
    const back = (code: ProtocolCode) =>
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
    expect(planSteps(PROTOCOLS.footwear.steps.map(({ code }) => code))).toEqual([
      'foot-length-left',
      'foot-width-left',
      'foot-length-right',
      'foot-width-right',
    ]);
  });

  it('of those who make to order join what is read along one tape, and tie a cord', () => {
    const planned = (code: ProtocolCode) =>
      planDocket(
        PROTOCOLS[code].steps.map((step) => ({
          by: 'it',
          code: step.code,
          tension: tensionIn(PROTOCOLS[code], step),
          waist: PROTOCOLS[code].waist,
        })),
      );
    for (const code of ['full-record', 'designers-record', 'bespoke-by-post', 'large-bodies'] as const) {
      const { cord, placings, steps } = planned(code);
      expect(cord).withContext(code).toBe('natural');
      // eslint-disable-next-line no-console
      console.log(`${code}: ${placings.alone} measurements in ${placings.count} placings`);
      expect(placings.count).toBeLessThan(placings.alone);
      for (const step of steps) if (step.chain !== null) expect(chainOf(step.code)?.code).toBe(step.chain);
    }
    expect(
      planned('one-piece-suit')
        .steps.filter(({ chain }) => chain === 'back')
        .map(({ code }) => code),
    ).toEqual(['back-waist-length', 'nape-to-hip', 'nape-to-crotch']);
  });

  it('keep their customs: the true body by post, drawn tight for formal hire', () => {
    const post = PROTOCOLS['bespoke-by-post'];
    const tensions = Object.fromEntries(post.steps.map((step) => [step.code, tensionIn(post, step)]));
    expect(tensions['chest-girth']).toBe('skin');
    expect(tensions['hand-entry-girth']).toBe('skin');
    expect(tensions['crotch-length-worn']).toBe('snug');
    const hire = PROTOCOLS['formal-hire'];
    const taut = Object.fromEntries(hire.steps.map((step) => [step.code, tensionIn(hire, step)]));
    expect(taut['trouser-waist-girth']).toBe('drawn-tight');
    expect(taut['neck-girth']).toBe('two-fingers');
    expect(taut['waist-girth']).withContext('never the natural one').toBeUndefined();
    expect(taut['height-in-shoes']).toBeDefined();
    const costume = PROTOCOLS['one-piece-costume'].steps.map(({ code }) => code);
    expect(costume).toContain('high-hip-girth');
    expect(costume).not.toContain('hip-girth');
    expect(tensions['arm-length']).toBe('skin');
    // A narrow trouser must pass the heel.
    expect(tensions['ankle-girth']).toBeUndefined();
  });

  it('ask about no wish and no waist twice', () => {
    const twice = { ...PROTOCOLS['designers-record'], wishes: ['split', 'split'] };
    expect(protocolBodySchema.safeParse(twice).success).toBeFalse();
  });
});
