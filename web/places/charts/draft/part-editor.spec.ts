import { TestBed } from '@angular/core/testing';
import { formatLength } from '@neat-measure/core';
import { chartSheetSchema, withPart } from '@neat-measure/core/sheets';
import { watchCoat } from '../../../testing/watch-coat';
import { PartEditor, type PartChange } from './part-editor';

describe('PartEditor', () => {
  const sheet = watchCoat();

  function open(whole = sheet) {
    const fixture = TestBed.createComponent(PartEditor);
    fixture.componentRef.setInput('sheet', whole);
    fixture.componentRef.setInput('part', whole.parts[0]!);
    document.body.append(fixture.nativeElement as Node);
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const changes: (PartChange | null)[] = [];
    // As the draft does: what has changed comes back as the part.
    let held = whole;
    fixture.componentInstance.changed.subscribe((change) => {
      changes.push(change);
      if (change === null) return;
      held = withPart(held, change.part, change.was);
      fixture.componentRef.setInput('sheet', held);
      fixture.componentRef.setInput('part', held.parts[0]!);
    });
    const cell = (at: string) => host.querySelector<HTMLInputElement>(`[data-at="${at}"]`)!;
    const write = (at: string, text: string) => {
      cell(at).value = text;
      cell(at).dispatchEvent(new Event('change'));
      fixture.detectChanges();
    };
    const press = async (at: string, key: string, more: KeyboardEventInit = {}) => {
      cell(at).dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }));
      fixture.detectChanges();
      await new Promise((done) => setTimeout(done));
    };
    const paste = (at: string, text: string) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData('text/plain', text);
      const event = new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true });
      cell(at).dispatchEvent(event);
      fixture.detectChanges();
      return event.defaultPrevented;
    };
    const focused = () => (document.activeElement as HTMLElement | null)?.dataset['at'];
    /** A cell of the last change, as it is read. */
    const chest = (size: number) => {
      const read = changes.at(-1)!.part.columns[0]!.cells[size]!;
      return read.kind === 'interval'
        ? `${formatLength(read.lower!.at, 'cm')} to ${formatLength(read.upper!.at, 'cm')}`
        : '';
    };
    return { host, fixture, changes, sheet: () => held, cell, write, press, paste, focused, chest };
  }

  it('moves by arrows and Enter, as in a sheet', async () => {
    const { cell, press, focused } = open();
    cell('0:1').focus();
    await press('0:1', 'Enter');
    expect(focused()).toBe('1:1');
    await press('1:1', 'ArrowDown');
    expect(focused()).toBe('2:1');
    await press('2:1', 'Enter', { shiftKey: true });
    expect(focused()).toBe('1:1');
    await press('1:1', 'ArrowUp');
    expect(focused()).toBe('0:1');
  });

  it('takes a cell at once, and keeps what cannot be read as it was typed', () => {
    const { host, cell, changes, write, chest } = open();
    write('1:1', '94-103');
    expect(chest(1)).toBe('94 cm to 103 cm');
    write('1:1', '103-94');
    expect(changes.at(-1)).toBeNull();
    expect(cell('1:1').value).toBe('103-94');
    expect(cell('1:1').getAttribute('aria-invalid')).toBe('true');
    expect(host.querySelector('[role=alert]')!.textContent).toContain('M, Chest');
    write('1:1', '94-102');
    expect(host.querySelector('[role=alert]')).toBeNull();
    expect(chest(1)).toBe('94 cm to 102 cm');
  });

  it('lays a copied block over the cells from where it is pasted, and leaves a single text to the cell', () => {
    const { cell, paste, changes, chest } = open();
    expect(paste('0:1', '80-90\t70-80\r\n90-100\t80-90\r\n')).toBeTrue();
    expect([cell('0:1').value, cell('0:2').value, cell('1:1').value, cell('2:1').value]).toEqual([
      '80-90',
      '70-80',
      '90-100',
      '102-110',
    ]);
    expect([chest(0), chest(1), chest(2)]).toEqual(['80 cm to 90 cm', '90 cm to 100 cm', '102 cm to 110 cm']);
    expect(changes.length).toBe(1);
    expect(paste('0:1', '80-90')).toBeFalse();
  });

  it('takes changes back one by one', async () => {
    const { cell, write, press, chest } = open();
    write('0:1', '80-94');
    write('1:1', '94-103');
    await press('1:1', 'z', { ctrlKey: true });
    expect([cell('0:1').value, cell('1:1').value]).toEqual(['80-94', '94-102']);
    await press('1:1', 'z', { ctrlKey: true });
    expect(cell('0:1').value).toBe('86-94');
    expect(chest(0)).toBe('86 cm to 94 cm');
  });

  it('adds a size below another, empty until it is filled, and takes one out but never the last', async () => {
    const { host, fixture, cell, changes, write, focused } = open();
    const click = (name: string) => {
      host.querySelector<HTMLButtonElement>(`[aria-label="${name}"]`)!.click();
      fixture.detectChanges();
    };
    click('A size after M');
    await new Promise((done) => setTimeout(done));
    expect(focused()).toBe('2:0');
    expect(changes.at(-1)).toBeNull();
    write('2:0', 'M long');
    write('2:1', '94-102');
    write('2:2', '82-90');
    expect(cell('3:0').value).toBe('L');
    click('Remove M long');
    expect(changes.at(-1)?.part.sizes).toEqual(['S', 'M', 'L']);
    for (const size of ['S', 'M', 'L']) click(`Remove ${size}`);
    expect(changes.at(-1)?.part.sizes).toEqual(['L']);
  });

  it('keeps every interval with its size when a row is taken out, and what a size measures when it is renamed', () => {
    const odd = chartSheetSchema.parse({
      ...sheet,
      parts: [
        {
          ...sheet.parts[0]!,
          sizes: ['S', 'M', 'L'],
          values: ['17 in', '18 in', '19 in'],
          otherNames: [{ system: 'Metric', labels: ['44', '46', '48'] }],
          columns: [
            { code: 'chest-girth', unit: 'cm', cells: ['86-<94', '>=94-102', '>102-110'] },
            { code: 'waist-girth', unit: 'cm', cells: ['74-*', '82-90', '*-98'] },
          ],
        },
        {
          code: 'length',
          name: 'Length',
          sizes: ['R'],
          columns: [{ code: 'height', unit: 'cm', cells: ['160-190'] }],
          offered: { by: sheet.parts[0]!.code, sizes: { S: ['R'], M: ['R'], L: ['R'] } },
        },
      ],
      combinations: [],
      label: null,
    });
    const { host, fixture, cell, changes, write, sheet: held } = open(odd);
    host.querySelector<HTMLButtonElement>('[aria-label="Remove S"]')!.click();
    fixture.detectChanges();
    const [part] = held().parts;
    expect(part!.columns.map(({ cells }) => cells)).toEqual(
      odd.parts[0]!.columns.map(({ cells }) => cells.slice(1)),
    );
    expect([part!.values, part!.otherNames[0]!.labels]).toEqual([
      odd.parts[0]!.values!.slice(1),
      ['46', '48'],
    ]);
    expect(held().parts[1]!.offered!.sizes).toEqual({ M: ['R'], L: ['R'] });

    write('0:0', 'Medium');
    expect(held().parts[0]!.values).toEqual(odd.parts[0]!.values!.slice(1));
    expect(held().parts[1]!.offered!.sizes).toEqual({ Medium: ['R'], L: ['R'] });
    // A new size asks for what it measures instead of losing what the others do.
    host.querySelector<HTMLButtonElement>('[aria-label="A size after L"]')!.click();
    fixture.detectChanges();
    expect(changes.at(-1)).toBeNull();
    for (const [at, text] of ['XL', '20 in', '110-118', '98-106', '50'].entries()) write(`2:${at}`, text);
    expect(changes.at(-1)!.was).toEqual([0, 1, -1]);
    expect(held().parts[0]!.values!.length).toBe(3);
    expect(cell('2:1').value).toBe('20 in');
  });

  it('shows the columns the part has after one was taken out, though the other holds the same cells', () => {
    const [part] = sheet.parts;
    const [first] = part!.columns;
    const twin = { ...first!, code: 'hip-girth' as const };
    const {
      fixture,
      host,
      write,
      sheet: held,
    } = open({
      ...sheet,
      parts: [{ ...part!, columns: [first!, twin] }],
    });
    write('0:1', '80-88');
    write('0:1', '86-94');
    const left = { ...held().parts[0]!, columns: [held().parts[0]!.columns[1]!] };
    fixture.componentRef.setInput('sheet', { ...held(), parts: [left] });
    fixture.componentRef.setInput('part', left);
    fixture.detectChanges();
    expect(host.querySelectorAll('[data-at^="0:"]').length).toBe(2);
    expect(host.querySelector('th:nth-child(2)')?.textContent).toContain('Hip');
  });
});
