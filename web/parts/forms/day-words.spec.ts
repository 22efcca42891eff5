import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { DayWords } from './day-words';

@Component({
  imports: [DayWords],
  template: `<label>Last day <input type="date" [value]="day()" /></label>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Field {
  readonly day = signal('2026-12-04');
}

describe('DayWords', () => {
  it('says a day in words, as it changes by itself and by hand, and nothing of none', () => {
    const fixture = TestBed.createComponent(Field);
    TestBed.tick();
    const label = (fixture.nativeElement as HTMLElement).querySelector('label')!;
    const field = label.querySelector('input')!;
    expect(label.dataset['day']).toBe('Fri, 4 Dec 2026');
    expect(label.textContent.trim()).withContext('its name stays').toBe('Last day');
    fixture.componentInstance.day.set('2026-04-12');
    TestBed.tick();
    expect(label.dataset['day']).toBe('Sun, 12 Apr 2026');
    field.value = '2027-01-01';
    field.dispatchEvent(new Event('change'));
    expect(label.dataset['day']).toBe('Fri, 1 Jan 2027');
    field.value = '';
    field.dispatchEvent(new Event('input'));
    expect(label.dataset['day']).toBeUndefined();
  });
});
