import { provideHttpClient } from '@angular/common/http';
import {
  HttpTestingController,
  provideHttpClientTesting,
  type TestRequest,
} from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { ROUTES, type Exception } from '@neat-measure/contract';
import { cm, compileChart, judge } from '@neat-measure/core';
import { v7 as uuidv7 } from 'uuid';
import { Journal } from '../../../data/journal/journal';
import { actOn, readingOf, watchCoat } from '../../../testing/watch-coat';
import { forgetDevice, until } from '../../../testing/wire';
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
    if (waiting) TestBed.inject(Journal).write('pen', actOn(uuidv7(), readingOf('chest-girth', '98')));
    const fixture = TestBed.createComponent(ExceptionList);
    const host = fixture.nativeElement as HTMLElement;
    document.body.append(host);
    fixture.detectChanges();
    const headings = () => [...host.querySelectorAll('h2')].map((one) => one.textContent.trim());
    const arrive = async (flags: readonly Exception[]) => {
      (await asked(http)).flush(flags);
      fixture.detectChanges();
      await fixture.whenStable();
    };
    return { fixture, http, host, headings, arrive };
  }
  beforeEach(forgetDevice);
  afterEach(forgetDevice);
  /** The list is asked for once nothing is on its way any more. */
  const asked = async (http: HttpTestingController): Promise<TestRequest> => {
    let found: TestRequest[] = [];
    await until(() => (found = http.match(ROUTES.exceptions)).length > 0);
    return found[0]!;
  };

  it('lists the flags by garment, or by kind in the order of the verdicts', async () => {
    const { fixture, host, headings, arrive } = open();
    await arrive(FLAGS);
    expect(headings()).toEqual(['Pea coat, Ostrel Workwear 2', 'Watch coat, Ostrel Workwear 1']);
    expect(host.textContent).toContain('3 exceptions to decide.');
    host.querySelector('button')!.click();
    fixture.detectChanges();
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
    const { fixture, host, headings, arrive } = open();
    const many = Array.from({ length: 130 }, (_, at) => ({
      ...FLAGS[0]!,
      docketId: `01990000-0000-7000-8000-${String(at).padStart(12, '0')}`,
    }));
    await arrive(many);
    const shown = () => host.querySelectorAll('.flag').length;
    expect(shown()).toBe(60);
    expect(headings()[0]).toMatch(/ 130$/);
    for (const next of [120, 130]) {
      [...host.querySelectorAll('button')].at(-1)!.click();
      fixture.detectChanges();
      expect(shown()).toBe(next);
    }
    expect([...host.querySelectorAll('button')].at(-1)!.textContent).not.toContain('more');
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
    http.expectNone(ROUTES.exceptions);
    sent[0]!.error(new ProgressEvent('error'));
    fixture.detectChanges();
    await arrive([]);
    expect(host.textContent).toMatch(/has not reached the server yet/);
  });
});
