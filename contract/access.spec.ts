import { ACCESS, CAPABILITIES, grants, roleAtBench, ROLES, worksOnDockets, type Capability } from './access';

describe('roles', () => {
  const all = Object.keys(CAPABILITIES) as Capability[];

  it('each grant what they are for: a clerk hands over and keeps the stock, and takes no tape', () => {
    const clerk = all.filter((one) => grants('stores-clerk', one));
    expect(clerk.sort()).toEqual(['hand-over', 'keep-stock', 'look', 'work-muster']);
    expect(all.filter((one) => grants('viewer', one))).toEqual(['look']);
    expect(all.every((one) => grants('administrator', one))).toBeTrue();
    expect(worksOnDockets('viewer')).toBeFalse();
    for (const role of ['stores-clerk', 'fitter', 'lead', 'administrator'] as const)
      expect(worksOnDockets(role)).withContext(role).toBeTrue();
  });

  it('do no more than a fitter at a bench that was taken over by a short code', () => {
    for (const role of ROLES)
      for (const one of all)
        if (grants(roleAtBench(role), one)) {
          expect(grants('fitter', one)).withContext(`${role} ${one}`).toBeTrue();
          expect(grants(role, one)).withContext(`${role} ${one}`).toBeTrue();
        }
  });

  it('leave no capability that opens nothing', () => {
    const asked = new Set(ACCESS.map(({ access }) => access as string));
    // What is done on dockets and musters is asked for act by act.
    for (const one of all)
      expect(asked.has(one) || one === 'decide' || one === 'work-muster')
        .withContext(one)
        .toBeTrue();
  });
});
