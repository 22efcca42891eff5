import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { selfPath, type SelfSheet, type SelfSubmission } from '@neat-measure/contract';
import { allowedDifference, micrometres, type ChainCode, type MeasurementCode } from '@neat-measure/core';
import { SelfStore } from './self-store';

const step = (code: MeasurementCode, chain: ChainCode | null = null) => ({
  code,
  chain,
  tension: 'skin' as const,
  clothing: 'close-fitting' as const,
  waist: null,
  allowed: micrometres(allowedDifference(code) * 2),
});
const SHEET: SelfSheet = {
  name: 'Maren Okonjo',
  unit: 'cm',
  prepare: ['Pockets empty'],
  cautions: [],
  cord: null,
  steps: [step('chest-girth'), step('shoulder-to-elbow', 'arm'), step('arm-length', 'arm')],
  wishes: [],
};

describe('measuring oneself', () => {
  let http: HttpTestingController;
  let store: SelfStore;
  const path = selfPath('token');

  const open = (answer: 'sheet' | 'away' = 'sheet', token = 'token', sheet = SHEET) => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), SelfStore],
    });
    http = TestBed.inject(HttpTestingController);
    store = TestBed.inject(SelfStore);
    store.open(token);
    const request = http.expectOne({ method: 'GET', url: selfPath(token) });
    if (answer === 'sheet') request.flush(sheet);
    else request.error(new ProgressEvent('error'));
  };
  /** Closed and opened again; nothing of what it asks is answered. */
  const again = () => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), SelfStore],
    });
    http = TestBed.inject(HttpTestingController);
    store = TestBed.inject(SelfStore);
    store.open('token');
  };
  const atobOf = (text: string) => text + atob(text);
  const write = (...typed: readonly string[]) => {
    store.asked().forEach(({ code }, at) => store.write(code, typed[at]!));
    store.next();
  };
  const sent = () => http.expectOne({ method: 'PUT', url: path });
  const away = () => sent().error(new ProgressEvent('error'));

  beforeEach(() => {
    localStorage.clear();
    jasmine.clock().install();
  });
  afterEach(() => {
    jasmine.clock().uninstall();
    localStorage.clear();
  });

  it('goes through every placing twice, a chain’s marks together, and a third time for what is apart', () => {
    open();
    store.begin();
    write('98');
    expect(store.place()).toEqual({ placing: 0, round: 1 });
    write('98.5');
    expect([store.place(), store.asked().map(({ code }) => code)]).toEqual([
      { placing: 1, round: 0 },
      ['shoulder-to-elbow', 'arm-length'],
    ]);
    write('34', '58');
    write('34', '64');
    expect([store.place().round, store.asked().map(({ code }) => code)]).toEqual([2, ['arm-length']]);
    write('58.5');
    expect(store.stage()).toBe('check');
    expect([...store.values().values()].map(Number)).toEqual([982_500, 340_000, 585_000]);
  });

  it('asks about a mark out of its place, and takes it when it stays; what cannot be read it never takes', () => {
    open();
    store.begin();
    store.leaveOut();
    write('48', '47');
    expect([store.place().round, store.faults()['arm-length']?.asks]).toEqual([0, true]);
    store.next();
    expect([store.place().round, store.faults()]).toEqual([1, {}]);
    write('48', 'long');
    store.next();
    store.next();
    expect([store.place().round, store.faults()['arm-length']?.asks]).toEqual([1, false]);
  });

  it('keeps everything on the device, whoever loads the page anew, with the server gone too', () => {
    open();
    store.choose({ unit: 'in', instrument: 'string' });
    store.begin();
    write('38');
    store.write('chest-girth', '38.5');
    open('away');
    expect([store.stage(), store.place(), store.unit(), store.instrument()]).toEqual([
      'measure',
      { placing: 0, round: 1 },
      'in',
      'string',
    ]);
    expect([store.typed()['chest-girth'], store.trouble()]).toEqual([['38', '38.5'], '']);
  });

  it('asks for the wishes before all is looked over, keeps them, and sends those that were written', () => {
    const sheet: SelfSheet = { ...SHEET, wishes: ['hem', 'skirt-length', 'top-length'] };
    open('sheet', 'token', sheet);
    store.begin();
    write('98');
    write('98');
    store.leaveOut();
    expect(store.stage()).toBe('wishes');
    store.wish('hem', '900');
    store.wish('skirt-length', '62');
    store.wishesDone();
    expect([store.stage(), store.wishFaults().hem]).toEqual([
      'wishes',
      jasmine.stringContaining('900 cm is no hem'),
    ]);
    store.wish('hem', '30');
    // The page is loaded anew.
    open('sheet', 'token', sheet);
    store.choose({ unit: 'in' });
    store.wishesDone();
    expect([store.stage(), store.wished()]).toEqual(['check', { hem: '30 cm', 'skirt-length': '62 cm' }]);
    store.back();
    expect(store.stage()).toBe('wishes');
    store.wishesDone();
    store.send();
    expect((sent().request.body as SelfSubmission).wishes).toEqual([
      { wish: 'hem', typed: '30 cm' },
      { wish: 'skirt-length', typed: '62 cm' },
    ]);
  });

  it('re-interprets nothing when the unit is changed', () => {
    open();
    store.begin();
    write('98');
    store.write('chest-girth', 'nearly 98');
    store.choose({ unit: 'in' });
    expect(store.typed()['chest-girth']).toEqual(['98 cm', 'nearly 98']);
    store.choose({ unit: 'cm' });
    expect(store.typed()['chest-girth']).toEqual(['98 cm', 'nearly 98']);
    expect(Number(store.values().get('chest-girth'))).toBe(980_000);
  });

  it('takes up what a page of an earlier version kept', () => {
    localStorage.setItem(
      'neat-measure.self',
      JSON.stringify({ token: 'token', typed: { 'chest-girth': '97' } }),
    );
    open();
    expect(store.typed()).toEqual({ 'chest-girth': ['97'] });
    localStorage.clear();
    localStorage.setItem(
      'neat-measure.self',
      JSON.stringify({ token: 'other', typed: { 'chest-girth': '97' } }),
    );
    open();
    expect(store.typed()).toEqual({});
  });

  it('keeps what was typed of each link by itself', () => {
    open();
    store.begin();
    write('98');
    open('sheet', 'another');
    store.begin();
    write('104');
    open();
    expect(store.typed()['chest-girth']).toEqual(['98']);
  });

  it('sends by itself once the server is back, the same submission each time, and forgets it then', () => {
    open();
    store.begin();
    write('98');
    write('98');
    store.leaveOut();
    store.send();
    away();
    expect([store.waiting(), store.stage(), store.trouble()]).toEqual([true, 'check', '']);
    const ids = new Set<string>();
    for (const last of [false, true]) {
      jasmine.clock().tick(5_000);
      const request = sent();
      const body = request.request.body as SelfSubmission;
      ids.add(body.id);
      expect(body.readings).toEqual([
        { code: 'chest-girth', typed: '98' },
        { code: 'chest-girth', typed: '98' },
      ]);
      if (last) request.flush({ taken: 1 });
      else request.flush('busy', { status: 503, statusText: 'Not available' });
      if (!last) store.send();
      if (!last) away();
    }
    expect([ids.size, store.stage(), store.waiting()]).toEqual([1, 'sent', false]);
    // Of what was typed nothing is left, only when it was sent: opened again, the page says so.
    const left = [...Array(localStorage.length).keys()].map(
      (at) => localStorage.getItem(localStorage.key(at)!)!,
    );
    expect(left.map((text) => text.length < 200)).toEqual([true]);
    const at = store.sentAt();
    again();
    expect([store.stage(), store.sentAt()]).toEqual(['sent', at]);
  });

  it('was to be sent when it was closed, and is sent when it is opened again, with or without a network', () => {
    open();
    store.begin();
    write('98');
    write('98');
    store.leaveOut();
    store.send();
    const { id } = sent().request.body as SelfSubmission;
    again();
    expect(store.typed()['chest-girth']).toEqual(['98', '98']);
    away();
    http.expectOne({ method: 'GET', url: path }).error(new ProgressEvent('error'));
    expect([store.waiting(), store.trouble()]).toEqual([true, '']);
    jasmine.clock().tick(5_000);
    const request = sent();
    expect((request.request.body as SelfSubmission).id).toBe(id);
    request.flush({ taken: 1 });
    expect(store.stage()).toBe('sent');
  });

  it('opens without a network once it was opened, also where nothing was typed yet', () => {
    open();
    open('away');
    expect([store.sheet()?.name, store.stage(), store.trouble()]).toEqual(['Maren Okonjo', 'start', '']);
  });

  it('keeps nothing that could be read without the link', () => {
    open();
    store.begin();
    write('98.35');
    for (let at = 0; at < localStorage.length; at += 1) {
      const [name, text] = [localStorage.key(at)!, localStorage.getItem(localStorage.key(at)!)!];
      for (const word of ['Maren', '98.35', 'token', 'chest'])
        expect(name + atobOf(text)).not.toContain(word);
    }
    // Tampered with, it is not taken for what it is not.
    const name = localStorage.key(0)!;
    localStorage.setItem(name, `${localStorage.getItem(name)!.slice(0, -8)}AAAAAAA=`);
    open();
    expect(store.typed()).toEqual({});
  });

  it('begins its way anew where the docket asks for something else since, and loses nothing typed', () => {
    open();
    store.begin();
    write('98');
    const other = { ...SHEET, steps: [step('waist-girth'), ...SHEET.steps] };
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), SelfStore],
    });
    http = TestBed.inject(HttpTestingController);
    store = TestBed.inject(SelfStore);
    store.open('token');
    http.expectOne({ method: 'GET', url: path }).flush(other);
    expect([store.place(), store.typed()['chest-girth']]).toEqual([{ placing: 0, round: 0 }, ['98']]);
  });

  it('says why a link is of no use any more', () => {
    open();
    store.begin();
    write('98');
    TestBed.inject(SelfStore).open('token');
    http
      .expectOne({ method: 'GET', url: path })
      .flush(
        { type: '/problems/link-ended', title: 'Gone', status: 410, detail: 'This link has expired.' },
        { status: 410, statusText: 'Gone' },
      );
    expect(store.trouble()).toBe('This link has expired.');
  });
});
