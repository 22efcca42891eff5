import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { VerdictGlyph } from '../verdict-glyph/verdict-glyph';

/** Where nothing stands yet: what would stand there, and how the first of it comes. */
@Component({
  selector: 'nm-empty-state',
  imports: [VerdictGlyph],
  template: `
    <nm-verdict-glyph verdict="incomplete" aria-hidden="true" />
    <b>{{ title() }}</b>
    <p class="soft"><ng-content /></p>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      align-items: center;
      gap: 6px;
      max-width: 46ch;
      margin: 12vh auto 0;
      text-align: center;
    }
    nm-verdict-glyph {
      margin-bottom: 16px;
      transform: scale(2);
    }
    b {
      font-size: 17px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EmptyState {
  readonly title = input.required<string>();
}
