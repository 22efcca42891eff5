import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { bodiesPath } from '@neat-measure/contract';
import { compiled, type ChartSheet, type Length } from '@neat-measure/core';
import { chartSheetSchema } from '@neat-measure/core/sheets';
import { bodies507 } from '@neat-measure/core/bodies-507';
import { chooseIn } from '../../../testing/library';
import { watchCoat } from '../../../testing/watch-coat';
import { boxesOf, mapOptions, shadeOf, type MapColumn, type MapPoint } from './map-options';
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

  it('needs two measurements', () => {
    const sheet = watchCoat();
    const [part] = sheet.parts;
    const { host } = open({ ...sheet, parts: [{ ...part!, columns: part!.columns.slice(0, 1) }] });
    expect(host.textContent).toContain('A map needs two measurements');
  });

  it('takes its axes from two parts, whose sizes are a grid of what is made together', () => {
    const sheet = trousers();
    const { fixture, says, host } = open(sheet);
    chooseIn(fixture, 'map-up', 'leg inside-leg-length');
    fixture.detectChanges();
    expect(says()).toMatch(/^The 507 bodies lack one of the measurements|^Of 507 bodies/);
    const { along, upward } = axesOf(sheet);
    expect(boxesOf({ sheet, along, upward }).map(({ name }) => name)).toEqual(['S R', 'M R', 'M L']);
    expect(boxesOf({ sheet: { ...sheet, combinations: [] }, along, upward }).length).toBe(4);
    // Of many, every column and every row has its name once.
    const many = { ...along, sizes: Array.from({ length: 16 }, (_, at) => `W${at}`) };
    const none = { ...sheet, combinations: [] };
    expect(
      boxesOf({ sheet: none, along: many, upward })
        .map(({ name }) => name)
        .filter((name) => name !== ''),
    ).toEqual(['W0 R', 'L', ...many.sizes.slice(1)]);
    expect(host.querySelector('.legend')).toBeNull();
  });

  it('tells by shade which size a third measurement gives, with what no size is', () => {
    const { fixture, host } = open(trousers());
    chooseIn(fixture, 'map-up', 'waist hip-girth');
    chooseIn(fixture, 'map-shade', 'leg inside-leg-length');
    fixture.detectChanges();
    expect([...host.querySelectorAll('.legend li')].map((one) => one.textContent.trim())).toEqual([
      ...['R', 'L', 'no size', 'not known'],
    ]);
    // The axis that is taken up is no shade any more.
    chooseIn(fixture, 'map-up', 'leg inside-leg-length');
    fixture.detectChanges();
    expect(host.querySelector('.legend')).toBeNull();
    expect(shadeOf(0, 3)).not.toBe(shadeOf(2, 3));
    expect(shadeOf(0, 1)).toBe(shadeOf(2, 3));
  });

  it('draws everybody once, by how they are held or by shade', () => {
    const sheet = trousers();
    const { along, upward } = axesOf(sheet);
    const points: MapPoint[] = [
      { x: 750_000 as Length, y: 750_000 as Length, held: 'inside', shade: 0 },
      { x: 750_000 as Length, y: 650_000 as Length, held: 'outside', shade: null },
      { x: 750_000 as Length, y: 850_000 as Length, held: 'between', shade: undefined },
    ];
    const drawn = (shade: typeof along | null) =>
      (
        mapOptions({ ...{ sheet, along, upward, shade, points }, unit: 'cm' })['series'] as {
          data: [number, number][];
        }[]
      ).map(({ data }) => data.length);
    expect(drawn(null)).toEqual([0, 1, 1, 1, 0]);
    expect(drawn(upward)).toEqual([0, 1, 0, 1, 1]);
  });
});

/** A waist and a leg that are not made in every combination. */
function trousers(): ChartSheet {
  return chartSheetSchema.parse({
    ...{ maker: 'Ostrel', garment: 'Trousers', unit: 'cm', rule: 'closest', label: '{waist}-{leg}' },
    combinations: [{ parts: ['waist', 'leg'], made: { S: ['R'], M: ['R', 'L'] } }],
    parts: [
      {
        ...{ code: 'waist', name: 'Waist', sizes: ['S', 'M'] },
        columns: [
          { code: 'waist-girth', unit: 'cm', cells: ['70-78', '80-88'] },
          { code: 'hip-girth', unit: 'cm', cells: ['90-97', '97-104'] },
        ],
      },
      {
        ...{ code: 'leg', name: 'Leg', sizes: ['R', 'L'] },
        columns: [{ code: 'inside-leg-length', unit: 'cm', cells: ['70-79', '79-88'] }],
      },
    ],
  });
}

/** Waist along, leg up. */
function axesOf(sheet: ChartSheet): Record<'along' | 'upward', MapColumn> {
  const [waist, leg] = compiled(sheet).parts.map(({ whole }): MapColumn => {
    const [column] = whole.deciding;
    return { key: whole.code, part: whole.code, sizes: whole.sizes, name: whole.name, column: column! };
  });
  return { along: waist!, upward: leg! };
}
