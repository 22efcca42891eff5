import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { bodiesPath } from '@neat-measure/contract';
import { chartSheetSchema } from '@neat-measure/core/sheets';
import { bodies507 } from '@neat-measure/core/bodies-507';
import { chooseIn } from '../../testing/library';
import { watchCoat } from '../../testing/watch-coat';
import { SizeMap } from './size-map';

describe('SizeMap', () => {
  function open(sheet = watchCoat()) {
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    const fixture = TestBed.createComponent(SizeMap);
    fixture.componentRef.setInput('sheet', sheet);
    fixture.componentRef.setInput('unit', 'cm');
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const choose = (value: string) => chooseIn(fixture, 'map-points', value);
    const says = () => host.querySelector('.held')!.textContent.trim();
    return { fixture, host, choose, says, http: TestBed.inject(HttpTestingController) };
  }

  it('counts the 507 bodies as a plain look at the boxes does', () => {
    const { says } = open();
    const boxes = [
      [86, 94, 74, 82],
      [94, 102, 82, 90],
      [102, 110, 90, 98],
    ] as const;
    const counts = { inside: 0, between: 0, outside: 0 };
    for (const body of bodies507()) {
      const [chest, waist] = [body.get('chest-girth')! / 10_000, body.get('waist-girth')! / 10_000];
      // Shared ends belong to the larger size; only the largest keeps its upper one.
      const boxed = boxes.some(
        ([a, b, c, d], at) =>
          chest >= a && waist >= c && (at === 2 ? chest <= b && waist <= d : chest < b && waist < d),
      );
      const out = chest < 86 || chest > 110 || waist < 74 || waist > 98;
      counts[boxed ? 'inside' : out ? 'outside' : 'between'] += 1;
    }
    const share = (count: number) => `${Math.round((100 * count) / 507)} %`;
    expect(says()).toBe(
      `Of 507 bodies, ${share(counts.inside)} are inside a size, ${share(counts.between)} between sizes or split, ${share(counts.outside)} outside all sizes.`,
    );
  });

  it('counts by everything that decides, and says of whom not all is known', () => {
    const sheet = watchCoat();
    const [part] = sheet.parts;
    const more = (code: string, cells: readonly string[]) =>
      chartSheetSchema.parse({
        ...sheet,
        parts: [{ ...part!, columns: [...part!.columns, { code, unit: 'cm', cells }] }],
      });
    const held = (says: string) => Number(/(\d+) % are inside/.exec(says)![1]);
    const two = open();
    const byTwo = held(two.says());
    TestBed.resetTestingModule();
    // A third measurement that leaves most of them out.
    const three = open(more('height', ['160-164', '164-168', '168-172']));
    expect(held(three.says())).toBeLessThan(byTwo / 2);
    TestBed.resetTestingModule();
    const unknown = open(more('inside-leg-length', ['74-78', '78-82', '82-86']));
    expect(unknown.says()).toContain('No wearer has all deciding measurements');
  });

  it('asks for the roll only when it is wanted, and only for what the axes measure', () => {
    const { fixture, choose, says, http } = open();
    http.verify();
    choose('roll');
    http
      .expectOne(bodiesPath(['chest-girth', 'waist-girth']))
      .flush([
        { 'chest-girth': 980_000, 'waist-girth': 860_000 },
        { 'chest-girth': 980_000, 'waist-girth': 950_000 },
        { 'chest-girth': 1_200_000, 'waist-girth': 950_000 },
        { 'chest-girth': 980_000 },
      ]);
    fixture.detectChanges();
    expect(says()).toBe(
      'Of 3 wearers, 33 % are inside a size, 33 % between sizes or split, 33 % outside all sizes.',
    );
    choose('507');
    expect(says()).toMatch(/^Of 507 bodies/);
  });

  it('says when nobody is measured, and what went wrong', () => {
    const { fixture, choose, says, http } = open();
    choose('roll');
    http.expectOne(() => true).flush([]);
    fixture.detectChanges();
    expect(says()).toContain('No wearer has both measurements yet');
    choose('507');
    choose('roll');
    http.expectOne(() => true).error(new ProgressEvent('error'));
    fixture.detectChanges();
    expect(says()).toMatch(/\.$/);
    expect(says()).not.toMatch(/^Of /);
  });

  it('needs two measurements in one part', () => {
    const sheet = watchCoat();
    const [part] = sheet.parts;
    const { host } = open({ ...sheet, parts: [{ ...part!, columns: part!.columns.slice(0, 1) }] });
    expect(host.textContent).toContain('A map needs two measurements in one part');
  });
});
