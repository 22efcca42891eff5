import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { pathOf, PATHS, type ActAnswer, type Met } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Contact } from '../../data/contact';
import { Journal } from '../../data/journal/journal';
import { Vault } from '../../data/sealed/vault';
import { actOn, readingOf } from '../../testing/watch-coat';
import { forgetDevice, until, Wire } from '../../testing/wire';
import { CameBack } from './came-back';

describe('the list of what was done without the server', () => {
  let wire: Wire;
  let fixture: ComponentFixture<CameBack>;
  const docketId = uuidv7();
  const host = () => fixture.nativeElement as HTMLElement;
  const lines = () => {
    fixture.detectChanges();
    return [...host().querySelectorAll('.what')].map((one) => one.textContent!.replace(/\s+/g, ' ').trim());
  };
  const seen = (nth: number) => {
    fixture.detectChanges();
    host().querySelectorAll('button')[nth]!.click();
  };
  const start = async () => {
    wire = new Wire([provideRouter([])]);
    await TestBed.inject(Vault).whenOpen();
    fixture = TestBed.createComponent(CameBack);
    fixture.detectChanges();
  };
  /** What met something, as the server tells it once it is asked. */
  const tells = async (met: readonly Met[]) => {
    let asked = wire.http.match(PATHS.met);
    await until(() => (asked = [...asked, ...wire.http.match(PATHS.met)]).length > 0);
    for (const one of asked) one.flush(met);
  };
  beforeEach(async () => {
    await forgetDevice();
    await start();
  });
  afterEach(forgetDevice);

  it('is empty where everything was sent as it was done', async () => {
    TestBed.inject(Journal).write('pen', actOn(docketId, readingOf('chest-girth', '97')));
    await wire.keep();
    await until(() => TestBed.inject(Journal).unsent() === 0);
    expect(lines()).toEqual([]);
  });

  it('says what was sent once all of it was, on a page loaded anew too, until it was seen', async () => {
    const contact = TestBed.inject(Contact);
    contact.failed();
    for (const typed of ['97', '98'])
      TestBed.inject(Journal).write('pen', actOn(docketId, readingOf('chest-girth', typed)));
    TestBed.inject(Journal).write('pen', actOn(uuidv7(), readingOf('chest-girth', '99')));
    expect(lines()).toEqual([]);
    // Sent docket by docket; while something waits it is not said that all was sent.
    let left = 3;
    while (left > 0) {
      left -= (await wire.keep()).length;
      if (left > 0) expect(lines()).toEqual([]);
    }
    await until(() => lines().length === 1);
    const words = /^Sent: 3 changes on 2 dockets, made without the server since \d+ \w+ \d{4}, \d\d:\d\d\.$/;
    expect(lines()[0]).toMatch(words);
    const vault = TestBed.inject(Vault);
    while ((await vault.kept('sent since')) === undefined)
      await new Promise((resolve) => setTimeout(resolve, 5));
    await start();
    await until(() => lines().length === 1);
    expect(lines()[0]).toMatch(words);
    seen(0);
    await until(() => lines().length === 0);
  });

  it('says what was not saved, what the server has for a lead to accept, and what met something', async () => {
    const [first, second] = ['97', '98'].map((typed) => actOn(docketId, readingOf('chest-girth', typed)));
    const journal = TestBed.inject(Journal);
    for (const act of [first!, second!]) journal.write('pen', act);
    const answers: ActAnswer[] = [];
    while (answers.length < 2) {
      const { request, acts } = await wire.sent();
      const these = acts.map(
        (act): ActAnswer =>
          act.id === first!.id
            ? { outcome: 'refused', id: act.id, code: 'closed', detail: 'The docket is closed.' }
            : { outcome: 'late', id: act.id, detail: 'A lead fitter can accept it.' },
      );
      answers.push(...these);
      request.flush(these);
    }
    const met: Met = {
      ...{ id: uuidv7(), docketId, docket: 12, wearer: 'Oona Pelt', at: new Date().toISOString(), own: true },
      words: 'Watch coat S went out twice. Look at the shelf.',
    };
    await tells([met]);
    await until(() => lines().length === 3);
    expect(lines()[0]).toMatch(/^Not saved \(.*\): .*The docket is closed\.$/);
    expect(lines()[1]).toMatch(/^Not added yet \(.*\): .*A lead fitter can accept it\.$/);
    expect(lines()[2]).toBe('Oona Pelt, docket 12: Watch coat S went out twice. Look at the shelf.');
    expect(host().querySelector('a')!.getAttribute('href')).toBe(`/bench/${docketId}`);
    // It goes once the server knows that it was seen, and says why where it cannot.
    seen(2);
    wire.http.expectOne(pathOf(PATHS.met, met.id)).error(new ProgressEvent('error'));
    fixture.detectChanges();
    expect(host().querySelector('p.fault')!.textContent).toContain('The server cannot be reached');
    TestBed.inject(Contact).reached();
    seen(2);
    wire.http.expectOne(pathOf(PATHS.met, met.id)).flush(null);
    expect(lines().length).toBe(2);
    seen(0);
    await until(() => lines().length === 1);
  });

  it('tells once of what was done without the server and met something, and no more once that was seen', async () => {
    TestBed.inject(Contact).failed();
    const act = actOn(docketId, readingOf('chest-girth', '97'));
    const journal = TestBed.inject(Journal);
    journal.write('pen', act);
    const { request } = await wire.sent();
    request.flush([{ outcome: 'refused', id: act.id, code: 'x', detail: 'Another was faster.' }]);
    const met: Met = {
      ...{ id: uuidv7(), docketId, docket: 12, wearer: 'Oona Pelt', at: new Date().toISOString(), own: true },
      words: 'Done without the server, and not kept. Look at the docket.',
    };
    await until(() => journal.aside().length === 1);
    await tells([met]);
    await until(() => lines()[0]?.startsWith('Oona Pelt') === true);
    expect(lines().length).toBe(1);
    seen(0);
    wire.http.expectOne(pathOf(PATHS.met, met.id)).flush(null);
    await until(() => journal.aside().length === 0);
    expect(lines()).toEqual([]);
  });
});
