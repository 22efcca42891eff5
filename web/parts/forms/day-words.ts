import { afterEveryRender, Directive, ElementRef, inject } from '@angular/core';
import { sayWeekday } from '@neat-measure/core';

/**
 * Says beneath a field of a day which day it is, as it is written everywhere else: the browser shows it as its own settings
 * want, and 04/12 is April to one and December to another.
 */
@Directive({
  selector: 'input[type=date]',
  host: { '(input)': 'say()', '(change)': 'say()' },
})
export class DayWords {
  private readonly field = inject<ElementRef<HTMLInputElement>>(ElementRef).nativeElement;

  constructor() {
    afterEveryRender(() => this.say());
  }

  /** The words belong to no name and no value: they are drawn, and a screen reader has the day from the field itself. */
  protected say(): void {
    const { value, parentElement } = this.field;
    const words = value === '' ? '' : sayWeekday(value);
    if (parentElement === null || (parentElement.dataset['day'] ?? '') === words) return;
    if (words === '') delete parentElement.dataset['day'];
    else parentElement.dataset['day'] = words;
  }
}
