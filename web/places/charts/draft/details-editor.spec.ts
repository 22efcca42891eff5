import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import type { ChartSheet } from '@neat-measure/core';
import { chartSheetSchema } from '@neat-measure/core/sheets';
import { watchCoat } from '../../../testing/watch-coat';
import { DetailsEditor } from './details-editor';
import { TakingEditor } from './taking-editor';

describe('DetailsEditor', () => {
  function open() {
    const fixture = TestBed.createComponent(DetailsEditor);
    let held: ChartSheet = watchCoat();
    const show = () => {
      fixture.componentRef.setInput('sheet', held);
      fixture.detectChanges();
    };
    fixture.componentInstance.changed.subscribe((change) => {
      held = { ...held, ...change };
      show();
    });
    show();
    const host = fixture.nativeElement as HTMLElement;
    const field = (label: string) => host.querySelector<HTMLInputElement>(`[aria-label="${label}"]`)!;
    const write = (label: string, text: string) => {
      field(label).value = text;
      field(label).dispatchEvent(new Event('change'));
      fixture.detectChanges();
    };
    const press = (text: string) =>
      [...host.querySelectorAll('button')].find((one) => one.textContent?.trim() === text)!.click();
    return {
      host,
      sheet: () => held,
      write,
      press,
      editor: fixture.debugElement.query(By.directive(TakingEditor)).componentInstance as never as Editor,
    };
  }
  /** What the lists of the library call, which open over the page. */
  interface Editor {
    round(code: 'chest-girth', mode: string | null, step: string): void;
    expect(code: 'chest-girth', change: object): void;
  }

  it('renames a part, and keeps its notes', () => {
    const { sheet, write } = open();
    const [part] = sheet().parts;
    write(`Name of part ${part!.code}`, 'Body');
    write('Notes', 'Cut wide in the back.');
    expect([sheet().parts[0]!.name, sheet().notes]).toEqual(['Body', 'Cut wide in the back.']);
    write(`Name of part ${part!.code}`, ' ');
    expect(sheet().parts[0]!.name).toBe('Body');
  });

  it('says how a measurement is taken and recorded, and leaves nothing behind when it is unsaid', () => {
    const { host, sheet, write, editor } = open();
    editor.round('chest-girth', 'down', '1 in');
    editor.expect('chest-girth', { recorded: true });
    expect(sheet().expects).toContain(
      jasmine.objectContaining({ code: 'chest-girth', recorded: true }) as never,
    );
    expect(chartSheetSchema.safeParse(sheet()).success).toBeTrue();
    write('Step of rounding, Chest', 'wide');
    expect(host.querySelector('[role=alert]')!.textContent).toContain('such as 1 in');
    editor.round('chest-girth', null, '');
    expect(sheet().expects.some(({ code }) => code === 'chest-girth')).toBeFalse();
  });

  it('takes what each size measures, one a size, and never makes one up', () => {
    const { host, sheet, write } = open();
    const [part] = sheet().parts;
    const label = `What each size measures, ${part!.name}`;
    const all = part!.sizes.map((_, at) => `${12 + at} in`);
    write(label, '12 in');
    expect(host.querySelector('[role=alert]')!.textContent).toContain(
      `${part!.sizes.length} sizes, 1 measure.`,
    );
    write(label, all.join('; ').replace('12 in', 'wide'));
    expect(host.querySelector('[role=alert]')!.textContent).toContain('“wide” is not a length');
    expect(sheet().parts[0]!.values).toBe(part!.values);
    write(label, all.join('; '));
    expect(sheet().parts[0]!.values!.map(Number)).toEqual(all.map((_, at) => (12 + at) * 25_400));
    expect(chartSheetSchema.safeParse(sheet()).success).toBeTrue();
    write(label, ' ');
    expect(sheet().parts[0]!.values).toBeNull();
  });

  it('says how far a single value reaches, and asks it of no others', () => {
    const { host, sheet } = open();
    const single = sheet().parts.flatMap(({ columns }) =>
      columns.filter(({ cells }) => cells.some(({ kind }) => kind === 'nominal')),
    );
    expect(host.querySelectorAll('nz-select[nmname^="Reach"], nz-select').length).toBeGreaterThan(0);
    expect((host.textContent!.match(/reaches half-way/g) ?? []).length).toBe(single.length);
  });

  it('adds what is chosen on a docket, with its ways', () => {
    const { host, sheet, write, press } = open();
    press('Add choice');
    write('Ways of Overlap, one a line', '1 in = 3 in\n2 in = 5 in\n3 in = 7 in');
    expect(sheet().choices[0]!.ways.map(({ label }) => label)).toEqual(['1 in', '2 in', '3 in']);
    write('Ways of Overlap, one a line', '1 in');
    expect(host.querySelector('[role=alert]')!.textContent).toContain('at least two lines');
    expect(sheet().choices[0]!.ways.length).toBe(3);
    expect(chartSheetSchema.safeParse(sheet()).success).toBeTrue();
  });

  it('adds and removes fit checks', () => {
    const { sheet, write, press } = open();
    const before = sheet().fitChecks.length;
    press('Add fit check');
    write(`Check ${before + 1}, what to check`, 'The hood clears the eyes');
    expect(sheet().fitChecks.at(-1)!.look).toBe('The hood clears the eyes');
    expect(chartSheetSchema.safeParse(sheet()).success).toBeTrue();
  });
});
