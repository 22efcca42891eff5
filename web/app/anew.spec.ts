import { Component, input, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter, RouteReuseStrategy, withComponentInputBinding } from '@angular/router';
import { RouterTestingHarness } from '@angular/router/testing';
import { ANEW, AnewForEach } from './anew';

@Component({ template: '{{ whom() }} {{ typed() }}' })
class About {
  readonly whom = input.required<string>();
  readonly typed = signal('');
}

describe('AnewForEach', () => {
  async function harness(data: object) {
    TestBed.configureTestingModule({
      providers: [
        provideRouter([{ path: 'about/:whom', component: About, data }], withComponentInputBinding()),
        { provide: RouteReuseStrategy, useClass: AnewForEach },
      ],
    });
    const router = await RouterTestingHarness.create();
    (await router.navigateByUrl('/about/Odo', About)).typed.set('98');
    return router;
  }

  it('begins a place that is about somebody empty for somebody else', async () => {
    const router = await harness(ANEW);
    expect((await router.navigateByUrl('/about/Odo?hand=1', About)).typed()).toBe('98');
    const other = await router.navigateByUrl('/about/Runa', About);
    expect([other.whom(), other.typed()]).toEqual(['Runa', '']);
  });

  it('leaves other places as they are', async () => {
    const router = await harness({});
    expect((await router.navigateByUrl('/about/Runa', About)).typed()).toBe('98');
  });
});
