import { TestBed } from '@angular/core/testing';
import type { ChartSheet } from '@neat-measure/core';
import { watchCoat } from '../../../testing/watch-coat';
import { ChartText } from './chart-text';

describe('ChartText', () => {
  const sheet = watchCoat();

  function open() {
    const fixture = TestBed.createComponent(ChartText);
    fixture.componentRef.setInput('sheet', sheet);
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const taken: ChartSheet[] = [];
    fixture.componentInstance.taken.subscribe((one) => taken.push(one));
    const area = host.querySelector('textarea')!;
    const write = (change: (text: string) => string) => {
      area.value = change(area.value);
      area.dispatchEvent(new Event('input'));
      fixture.detectChanges();
    };
    const [take, back] = [...host.querySelectorAll('button')] as [HTMLButtonElement, HTMLButtonElement];
    return { host, area, write, take, back, taken, fixture };
  }

  it('takes over what the tables do not show', () => {
    const { write, take, taken } = open();
    expect(take.disabled).toBeTrue();
    write((text) =>
      text.replace(
        '"options": []',
        '"options": [{"name": "Long", "when": [{"of": "height", "is": "above", "length": "188 cm"}], "adds": "+2 in"}]',
      ),
    );
    expect(take.disabled).toBeFalse();
    take.click();
    expect(taken[0]?.options.map(({ name }) => name)).toEqual(['Long']);
  });

  it('says what is wrong and where, takes nothing over, and loses nothing typed', () => {
    const { host, area, write, take, back, taken, fixture } = open();
    write((text) => text.replace('"chest-girth"', '"chest"'));
    expect(host.querySelector('li.fault')!.textContent).toContain('parts.0.columns.0.code');
    expect(take.disabled).toBeTrue();
    write((text) => text.replace('{', ''));
    expect(host.querySelectorAll('li.fault').length).toBe(1);
    expect(taken).toEqual([]);
    expect(area.value).toContain('"chest"');
    // The table is changed meanwhile: what was typed stays.
    fixture.componentRef.setInput('sheet', { ...sheet, garment: 'Pea coat' });
    fixture.detectChanges();
    expect(area.value).toContain('"chest"');
    back.click();
    fixture.detectChanges();
    expect(area.value).toContain('"chest-girth"');
    expect(area.value).toContain('Pea coat');
  });
});
