import { Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { handleKey, keyOf, listedKeys, notOnButton, type KeyCommand } from './keys';
import { listKeys, ShortcutService } from './shortcut-service';

const press = (init: KeyboardEventInit) => new KeyboardEvent('keydown', init);

describe('the keys of a place', () => {
  it('tells a letter with Ctrl from the letter', () => {
    expect(keyOf(press({ key: 'A' }))).toBe('a');
    expect(keyOf(press({ key: 'a', ctrlKey: true }))).toBe('Ctrl+a');
    expect(keyOf(press({ key: 'z', metaKey: true }))).toBe('Ctrl+z');
    expect(keyOf(press({ key: 'Enter' }))).toBe('Enter');
  });

  it('leaves Enter to the button, the link or the fold that has the keys', () => {
    const host = document.createElement('div');
    host.innerHTML =
      '<button><b>B</b></button><a href="#"><i>L</i></a><details><summary>F</summary></details><input>';
    const goes = (selector: string) => {
      const event = press({ key: 'Enter', bubbles: true });
      host.querySelector(selector)!.dispatchEvent(event);
      return notOnButton('Enter', event);
    };
    expect(['button', 'b', 'a', 'i', 'summary', 'input'].map(goes)).toEqual([
      false,
      false,
      false,
      false,
      false,
      true,
    ]);
  });

  it('does the first thing that a key has to do now', () => {
    const done: string[] = [];
    const commands: KeyCommand[] = [
      { keys: ['a'], does: 'never', when: () => false, run: () => done.push('never') },
      { keys: ['a'], does: 'by the browser' },
      { keys: ['a', 'b'], does: 'this', run: (key) => done.push(key) },
      { keys: 'letters', does: 'any', run: (key) => done.push(`any ${key}`) },
    ];
    const handled = ['a', 'b', 'c', 'Enter', 'Ctrl+a'].map((key) => handleKey(commands, key, press({ key })));
    expect(handled).toEqual([true, true, true, false, false]);
    expect(done).toEqual(['a', 'b', 'any c']);
  });

  it('lists what can be done from anywhere so that it can be, and what belongs to a place in words', () => {
    let done = 0;
    const listed = listedKeys([
      { keys: ['ArrowUp', 'u'], does: 'up', run: () => done++ },
      { keys: ['Ctrl+z'], does: 'one back', within: 'in a table', run: () => done++ },
      { keys: 'letters', does: 'a name', run: () => done++ },
      { keys: ['Enter'], does: '', run: () => done++ },
    ]);
    expect(listed.map(({ keys, does }) => `${keys.join(' ')}: ${does}`)).toEqual([
      '↑ U: up',
      'Ctrl Z: in a table: one back',
      'a–z: a name',
    ]);
    for (const { run } of listed) run?.();
    expect(done).toBe(1);
  });

  it('lists the keys of what is open, each once, and none of what is gone', () => {
    @Component({ template: '' })
    class Table {
      constructor() {
        listKeys(() => [{ keys: ['Enter'], does: 'the cell below', within: 'in a table' }]);
      }
    }
    const service = TestBed.inject(ShortcutService);
    const both = [TestBed.createComponent(Table), TestBed.createComponent(Table)];
    expect(service.shortcuts().length).toBe(1);
    both[0]!.destroy();
    expect(service.shortcuts().length).toBe(1);
    both[1]!.destroy();
    expect(service.shortcuts()).toEqual([]);
  });
});
