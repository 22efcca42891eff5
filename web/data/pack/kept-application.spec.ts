import { TestBed } from '@angular/core/testing';
import { SwUpdate } from '@angular/service-worker';
import { until } from '../../testing/wire';
import { isWhole, KeptApplication } from './kept-application';

describe('the application on a device', () => {
  const parts = (...kept: string[]) => {
    spyOn(globalThis, 'fetch').and.callFake(async () =>
      Promise.resolve(Response.json({ hashTable: { '/index.html': 'a', '/chunk-1.js': 'b' } })),
    );
    return spyOn(caches, 'match').and.callFake(async (url) =>
      Promise.resolve(kept.includes(url as string) ? new Response('') : undefined),
    );
  };

  it('is kept once every part of it is', async () => {
    parts('/index.html', '/chunk-1.js');
    expect(await isWhole()).toBeTrue();
  });

  it('is not kept while one part is still on its way', async () => {
    parts('/index.html');
    expect(await isWhole()).toBeFalse();
  });

  it('is kept by no browser that has no worker for it', () => {
    expect(TestBed.inject(KeptApplication).keeping()).toBe('not');
  });

  it('is looked for until it is there', async () => {
    const match = parts('/index.html', '/chunk-1.js');
    TestBed.configureTestingModule({ providers: [{ provide: SwUpdate, useValue: { isEnabled: true } }] });
    const { keeping } = TestBed.inject(KeptApplication);
    expect(keeping()).toBe('coming');
    await until(() => keeping() === 'here');
    expect(match).toHaveBeenCalledTimes(2);
  });
});
