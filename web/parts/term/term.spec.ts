import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { termOf } from '@neat-measure/core/terms';
import { Term } from './term';

@Component({
  imports: [Term],
  template: `<nm-term of="between">between sizes</nm-term>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Sentence {}

describe('Term', () => {
  async function open() {
    const fixture = TestBed.createComponent(Sentence);
    fixture.detectChanges();
    const button = (fixture.nativeElement as HTMLElement).querySelector('button')!;
    const settle = async () => {
      fixture.detectChanges();
      await fixture.whenStable();
      await new Promise((done) => setTimeout(done, 300));
      fixture.detectChanges();
    };
    button.click();
    await settle();
    return { button, settle, card: () => document.querySelector('nm-term-card') };
  }

  it('opens what its word means, with a drawing, where it stands', async () => {
    const { button, card } = await open();
    const { means, does } = termOf('between');
    expect(card()?.textContent).toContain(means);
    expect(card()?.textContent).toContain(does);
    expect(card()?.querySelectorAll('svg rect').length).toBe(3);
    expect(button.getAttribute('aria-expanded')).toBe('true');
  });

  it('is shut by Escape, which goes no further, and by leaving it', async () => {
    const { button, settle } = await open();
    const heard = jasmine.createSpy('heard');
    document.addEventListener('keydown', heard);
    button.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    await settle();
    expect(button.getAttribute('aria-expanded')).toBe('false');
    expect(heard).not.toHaveBeenCalled();
    button.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    expect(heard).withContext('shut already').toHaveBeenCalledTimes(1);
    document.removeEventListener('keydown', heard);
    button.click();
    await settle();
    button.dispatchEvent(new FocusEvent('blur'));
    await settle();
    expect(button.getAttribute('aria-expanded')).toBe('false');
  });
});
