import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { Met } from '@neat-measure/contract';
import { catchError, merge, of, switchMap } from 'rxjs';
import { Returned } from '../../data/away/returned';
import { Contact } from '../../data/contact';

/** What others did on this docket without the server, and could not stand beside what was done meanwhile. */
@Component({
  selector: 'nm-met-here',
  template: `
    @for (one of met(); track one.id) {
      <p class="note" role="status">{{ one.words }}</p>
    }
  `,
  // Where there is nothing to tell it takes no room, not even a gap.
  styles: ':host { display: contents; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MetHere {
  readonly docketId = input.required<string>();
  private readonly returned = inject(Returned);
  protected readonly met = signal<readonly Met[]>([]);

  constructor() {
    const contact = inject(Contact);
    const opened = toObservable(this.docketId);
    merge(opened, contact.back)
      .pipe(
        switchMap(() => this.returned.onDocket(this.docketId()).pipe(catchError(() => of([])))),
        takeUntilDestroyed(),
      )
      .subscribe((met) => this.met.set(met));
  }
}
