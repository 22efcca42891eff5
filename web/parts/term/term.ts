import { ChangeDetectionStrategy, Component, input, signal } from '@angular/core';
import type { TermCode } from '@neat-measure/core/terms';
import { TermPopover } from './term-popover';

/** A word with a dotted line beneath: what it means opens where it stands, by hand and by key. */
@Component({
  selector: 'nm-term',
  imports: [TermPopover],
  template: `
    <button
      type="button"
      [attr.aria-expanded]="open()"
      (click)="turn()"
      (keydown.enter)="$event.stopPropagation()"
      (keydown.escape)="shut($event)"
      (blur)="open.set(false)"
    >
      <span><ng-content /></span>
    </button>
    @defer (when asked()) {
      <nm-term-popover [of]="of()" [open]="open()" />
    }
  `,
  styles: `
    :host {
      position: relative;
    }
    // As large as a finger, in a line that stays as low as its words.
    button {
      display: inline-flex;
      align-items: center;
      min-height: var(--target);
      margin-block: calc((1.5em - var(--target)) / 2);
      padding: 0;
      border: 0;
      background: none;
      color: inherit;
      font: inherit;
      text-align: left;
      cursor: help;
    }
    span {
      border-bottom: 2px dotted var(--line-strong);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Term {
  readonly of = input.required<TermCode>();
  protected readonly open = signal(false);
  /** Whether it was ever opened: what draws it is fetched for the first time then. */
  protected readonly asked = signal(false);

  protected turn(): void {
    this.asked.set(true);
    this.open.update((open) => !open);
  }

  /** Escape shuts what is open, and nothing beyond. */
  protected shut(event: Event): void {
    if (!this.open()) return;
    event.stopPropagation();
    this.open.set(false);
  }
}
