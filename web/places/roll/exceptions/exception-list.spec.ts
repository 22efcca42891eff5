import { provideHttpClient } from '@angular/common/http';
import {
  HttpTestingController,
  provideHttpClientTesting,
  type TestRequest,
} from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { ROUTES, type Exception, type ExceptionsPage } from '@neat-measure/contract';
import { cm, compileChart, FLAGS as ORDER, judge } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { Journal } from '../../../data/journal/journal';
import { Vault } from '../../../data/sealed/vault';
import { actOn, readingOf, watchCoat } from '../../../testing/watch-coat';
import { DEVICE, forgetDevice, until } from '../../../testing/wire';
import { ExceptionList } from './exception-list';

describe('ExceptionList', () => {
  const chart = (garment: string) => compileChart({ ...watchCoat(['86-94', '96-102', '102-110']), garment });
  const flag = (wearer: string, garment: string, chest: number, waist: number): Exception => ({
    docketId: uuidv7(),
    number: 7,
    wearer,
    chartId: uuidv7(),
    garment,
    maker: 'Ostrel Workwear',
    verdict: judge(
      chart(garment),
      new Map([
        ['chest-girth', { value: cm(chest) }],
        ['waist-girth', { value: cm(waist) }],
      ]),
    ),
  });
  const FLAGS = [
    flag('Maren Okonjo', 'Watch coat', 95, 78),
    flag('Leif Arunachalam', 'Pea coat', 90, 85),
    flag('Jun Halvorsen', 'Pea coat', 120, 85),
  ];

  function open(waiting = false) {
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])],
    });
    const http = TestBed.inject(HttpTestingController);
    void TestBed.inject(Vault).enter(DEVICE);
    if (waiting) TestBed.inject(Journal).write('pen', actOn(uuidv7(), readingOf('chest-girth', '98')));
    const fixture = TestBed.createComponent(ExceptionList);
    const host = fixture.nativeElement as HTMLElement;
    document.body.append(host);
    fixture.detectChanges();
    const headings = () => [...host.querySelectorAll('h2')].map((one) => one.textContent.trim());
    /** A part of the list comes, as the server orders it; what was asked for. */
    const arrive = async (flags: readonly Exception[], more: Partial<ExceptionsPage> = {}) => {
      const request = await asked(http);
      const byKind = request.request.url.includes('by=kind');
      const keyOf = ({ garment, maker, verdict }: Exception) =>
        byKind ? verdict.verdict : `${garment}, ${maker}`;
      const items = [...flags].sort((one, other) =>
        byKind
          ? ORDER.indexOf(one.verdict.verdict) - ORDER.indexOf(other.verdict.verdict)
          : keyOf(one).localeCompare(keyOf(other)),
      );
      const names = [...new Set(items.map(keyOf))];
      const groups = names.map((name) => ({
        name,
        count: items.filter((one) => keyOf(one) === name).length,
      }));
      request.flush({ items, total: items.length, groups, pending: 0, ...more });
      fixture.detectChanges();
      await fixture.whenStable();
      fixture.detectChanges();
      return request.request.url;
    };
    return { fixture, http, host, headings, arrive };
  }
  beforeEach(forgetDevice);
  afterEach(forgetDevice);
  /** The list is asked for once nothing is on its way any more. */
  const asked = async (http: HttpTestingController): Promise<TestRequest> => {
    let found: TestRequest[] = [];
    await until(() => (found = http.match(({ url }) => url.startsWith(ROUTES.exceptions))).length > 0);
    return found[0]!;
  };

  it('lists the flags by garment, or by kind in the order of the verdicts', async () => {
    const { host, headings, arrive } = open();
    await arrive(FLAGS);
    expect(headings()).toEqual(['Pea coat, Ostrel Workwear 2', 'Watch coat, Ostrel Workwear 1']);
    expect(host.textContent).toContain('3 exceptions to decide.');
    host.querySelector('button')!.click();
    await arrive(FLAGS);
    expect(headings()).toEqual(['Between sizes 1', 'Split 1', 'Beyond the range 1']);
    const [first] = host.querySelectorAll('.flag');
    expect(first!.textContent).toContain('Watch coat');
    expect(first!.textContent).toContain('S | M');
  });

  it('is walked by arrows, and the first waits for Enter', async () => {
    const { host, arrive } = open();
    await arrive(FLAGS);
    const links = [...host.querySelectorAll('.flag')];
    const press = (key: string) =>
      document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    expect(document.activeElement).toBe(links[0]!);
    press('ArrowUp');
    expect(document.activeElement).toBe(links[0]!);
    press('ArrowDown');
    press('ArrowDown');
    press('ArrowDown');
    expect(document.activeElement).toBe(links[2]!);
    expect(links[2]!.getAttribute('href')).toMatch(/^\/bench\/[0-9a-f-]+\?decide=/);
  });

  it('shows the beginning of a long list, with how many each group has in all, and more when asked', async () => {
    const { host, headings, arrive } = open();
    const part = (from: number, count: number) =>
      Array.from({ length: count }, (_, at) => ({
        ...FLAGS[0]!,
        docketId: `01990000-0000-7000-8000-${String(from + at).padStart(12, '0')}`,
      }));
    const whole = { total: 80, groups: [{ name: 'Watch coat, Ostrel Workwear', count: 80 }] };
    await arrive(part(0, 50), whole);
    const shown = () => host.querySelectorAll('.flag').length;
    expect([shown(), headings()[0]]).toEqual([50, 'Watch coat, Ostrel Workwear 80']);
    const last = () => [...host.querySelectorAll('button')].at(-1)!;
    expect(last().textContent).toContain('30 more exceptions');
    last().click();
    expect(await arrive(part(50, 30), whole)).toContain('from=50');
    expect(shown()).toBe(80);
    expect(last().textContent).not.toContain('more');
  });

  it('says how many dockets are being judged, and asks again until all are, taking nobody’s place away', async () => {
    const { host, arrive } = open();
    await arrive([], { pending: 3 });
    expect(host.textContent).not.toContain('No exceptions');
    await arrive([FLAGS[0]!], { pending: 2 });
    expect(host.textContent).toContain('2 dockets are being judged');
    const [link] = host.querySelectorAll<HTMLElement>('.flag');
    expect(document.activeElement).toBe(link!);
    host.querySelector('button')!.focus();
    await arrive(FLAGS);
    expect(host.textContent).not.toContain('being judged');
    expect(document.activeElement).toBe(host.querySelector('button'));
  });

  it('says when nothing is flagged, and when the server cannot be reached', async () => {
    const nothing = open();
    await nothing.arrive([]);
    expect(nothing.host.textContent).toContain('No exceptions');
    TestBed.resetTestingModule();
    const { http, host, fixture } = open();
    (await asked(http)).error(new ProgressEvent('error'));
    fixture.detectChanges();
    expect(host.querySelector('[role=alert]')!.textContent).toContain('Try again');
  });

  it('waits for what is on its way, and says what is missing where it cannot be sent', async () => {
    const { http, host, fixture, arrive } = open(true);
    let sent: TestRequest[] = [];
    await until(() => (sent = http.match(ROUTES.acts)).length > 0);
    // What was done goes first; the list is not asked for before it has been tried.
    http.expectNone(({ url }) => url.startsWith(ROUTES.exceptions));
    sent[0]!.error(new ProgressEvent('error'));
    fixture.detectChanges();
    await arrive([]);
    expect(host.textContent).toMatch(/has not reached the server yet/);
  });
});
