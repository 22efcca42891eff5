import { TestBed } from '@angular/core/testing';
import { textGrid } from '@neat-measure/core/imported';
import { until, Wire } from '../../../testing/wire';
import { ImportDesk } from './import-desk';
import { ImportStore } from './import-store';

describe('ImportDesk', () => {
  function open(text: string) {
    const wire = new Wire([ImportStore]);
    const grid = textGrid(text);
    if (!grid.ok) throw new Error('no grid');
    const fixture = TestBed.createComponent(ImportDesk);
    fixture.componentRef.setInput('imported', {
      kind: 'tables',
      source: 'coat.csv',
      tables: [{ name: '', grid: grid.value }],
      remarks: [],
    });
    fixture.detectChanges();
    wire.http.match(() => true).forEach((one) => one.flush({ items: [], total: 0 }));
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const button = (name: string) =>
      [...host.querySelectorAll('button')].find((one) => one.textContent.trim().includes(name));
    const press = (name: string) => {
      button(name)!.click();
      TestBed.tick();
      fixture.detectChanges();
    };
    const text_ = () => host.textContent.replace(/\s+/g, ' ');
    return { store: TestBed.inject(ImportStore), button, press, text: text_ };
  }

  it('counts what is left out beside what goes on, and shows it', () => {
    const { press, text, button } = open(
      'Size,Chest (cm),Chest (in),Colour\nS,86-94,34-37,red\nM,94-102,37-40,red\nL,102-110,40-43,blue\n',
    );
    expect(button('2 columns left out: show')).toBeDefined();
    press('2 columns left out');
    expect(text()).toContain('“Chest (in)”, the same in another unit: 34-37, 37-40, 40-43');
    expect(text()).toContain('“Colour”: red, red, blue');
    press('hide');
    expect(text()).not.toContain('the same in another unit');
  });

  it('says nothing of what is left out where all of it is taken', () => {
    const { button } = open('Size,Chest (cm)\nS,86-94\nM,94-102\n');
    expect(button('left out')).toBeUndefined();
  });

  it('sizes three people by what was read, and says where none of them gets a size', () => {
    const right = open('Size,Chest (cm)\nS,70-86\nM,86-98\nL,98-110\nXL,110-122\n');
    expect(right.text()).toMatch(/A wearer of chest \d+(\.5)? cm gets [SMLX]+\./);
    const wrong = open('Size,Neck (cm)\nS,26-28\nM,28-29\n');
    expect(wrong.text()).toContain('None of the three gets a size.');
  });

  it('asks whether a number goes as far to either side as its heading says', () => {
    const { store, press, text } = open('Size,Chest ±2 cm\nS,90\nM,98\n');
    expect(text()).toContain('gives a tolerance of ±2');
    press('Widen every size');
    const ends = () => store.sheet()!.parts[0]!.columns[0]!.cells[0]!;
    expect(ends()).toEqual(
      jasmine.objectContaining({ kind: 'interval', lower: jasmine.objectContaining({ at: 880_000 }) }),
    );
    press('Undo last answer');
    press('Ignore tolerance');
    expect(ends()).toEqual({ kind: 'nominal', at: 900_000 as never });
  });

  it('takes back what was said, line by line and one answer after the other', () => {
    const { store, press, button, text } = open('Size,Chest (cm)\nS,86-94\nM,94-102\nAverage,94\n');
    expect(text()).toContain('These lines are left out but hold a size or a number');
    press('Not part of the table');
    expect(button('1 line left out: show')).toBeDefined();
    expect(store.sheet()).not.toBeNull();
    press('Review lines');
    expect(store.sheet()).toBeNull();
    press('Undo last answer');
    expect(store.sheet()).not.toBeNull();
    press('Undo last answer');
    expect([store.sheet(), store.mayTakeBack()]).toEqual([null, false]);
  });

  it('keeps what was said of columns when the table is turned round and back', () => {
    const { store, press } = open('Size,Waist (cm)\nS,70-78\nM,78-86\n');
    store.say({ ...store.saidOfShown(), columns: { 1: { means: 'trouser-waist-girth' } } });
    TestBed.tick();
    expect(store.sheet()?.parts[0]!.columns[0]!.code).toBe('trouser-waist-girth');
    press('Sizes run across');
    expect(store.saidOfShown().columns).toEqual({});
    press('Sizes run down');
    expect(store.sheet()?.parts[0]!.columns[0]!.code).toBe('trouser-waist-girth');
  });

  it('leaves nothing of a cup table unanswerable once one thing was said of it', () => {
    const { store } = open(
      'Band,Underbust (cm),Bust,,\n,,A,B,C\n70,68-72,82-84,84-86,86-88\n75,73-77,87-89,89-91,91-93\n',
    );
    const first = store.state()!.plan.columns.find((one) => one.follows === null && one.class !== null)!;
    const followers = store.state()!.plan.columns.filter((one) => one.follows === first.key);
    expect(followers.length).toBeGreaterThan(0);
    // A unit is said of all that could be in no other; what the first means holds of those, too.
    store.say({
      ...store.saidOfShown(),
      columns: Object.fromEntries([first, ...followers].map(({ key }) => [key, { unit: 'cm' as const }])),
    });
    store.say({
      ...store.saidOfShown(),
      columns: { ...store.saidOfShown().columns, [first.key]: { unit: 'cm', means: 'bust-girth' } },
    });
    TestBed.tick();
    const asked = store.state()!.plan.columns.filter(({ asks }) => asks !== null);
    expect(asked.map(({ key, asks }) => `${asks!} ${key}`)).toEqual([]);
  });

  it('works out a large table in a worker, anew with each answer, and can be stopped', async () => {
    const rows = Array.from({ length: 400 }, (_, at) => `N${at},${60 + at}-${61 + at},x,y,z`);
    const { store, text, press, button } = open(`Size,Waist (mm),A,B,C\n${rows.join('\n')}\n`);
    expect([store.planning(), store.states().length]).toEqual([true, 0]);
    expect(text()).toContain('Reading the table.');
    await until(() => !store.planning());
    TestBed.tick();
    expect([store.states().length, [...store.taken()]]).toEqual([1, [0]]);
    const before = store.saidOfShown();
    store.say({ ...before, columns: { 1: { means: 'trouser-waist-girth' } } });
    TestBed.tick();
    expect([store.planning(), store.sheet()]).toEqual([true, null]);
    press('Stop');
    expect([store.planning(), store.saidOfShown()]).toEqual([false, before]);
    store.say({ ...before, columns: { 1: { means: 'trouser-waist-girth' } } });
    TestBed.tick();
    await until(() => !store.planning());
    TestBed.tick();
    expect(store.state()!.plan.columns[1]!.means).toBe('trouser-waist-girth');
    expect(button('Stop')).toBeUndefined();
  });
});
