import { TestBed } from '@angular/core/testing';
import { formatLength, type ChartPart } from '@neat-measure/core';
import { watchCoat } from '../../testing/watch-coat';
import { PartEditor } from './part-editor';

describe('PartEditor', () => {
  const sheet = watchCoat();

  function open() {
    const fixture = TestBed.createComponent(PartEditor);
    fixture.componentRef.setInput('sheet', sheet);
    fixture.componentRef.setInput('part', sheet.parts[0]!);
    document.body.append(fixture.nativeElement as Node);
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const changes: (ChartPart | null)[] = [];
    fixture.componentInstance.changed.subscribe((part) => changes.push(part));
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
      const read = changes.at(-1)!.columns[0]!.cells[size]!;
      return read.kind === 'interval'
        ? `${formatLength(read.lower!.at, 'cm')} to ${formatLength(read.upper!.at, 'cm')}`
        : '';
    };
    return { host, fixture, changes, cell, write, press, paste, focused, chest };
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
    click('Take out M long');
    expect(changes.at(-1)?.sizes).toEqual(['S', 'M', 'L']);
    for (const size of ['S', 'M', 'L']) click(`Take out ${size}`);
    expect(changes.at(-1)?.sizes).toEqual(['L']);
  });
});
