import { mayLoad } from './new-version';

describe('a new version of the application', () => {
  it('is taken between dockets, and never in the middle of one or with something waiting', () => {
    for (const url of ['/bench', '/roll', '/bench?x=1', '/sign-in', '/roll/1/sizes']) {
      expect(mayLoad(url, 0)).withContext(url).toBeTrue();
      expect(mayLoad(url, 1)).withContext(url).toBeFalse();
    }
    for (const url of ['/bench/01a2', '/bench/01a2?hand=1', '/self/4K7QXF9MWB'])
      expect(mayLoad(url, 0)).withContext(url).toBeFalse();
  });
});
