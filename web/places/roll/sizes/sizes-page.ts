import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { MusterStore } from '../../../data/musters/muster-store';
import { SizesView } from './sizes-view';

/** The sizes of a muster. */
@Component({
  selector: 'nm-sizes-page',
  imports: [NzButtonModule, SizesView],
  template: `
    @if (musters.muster(); as one) {
      <nm-sizes-view of="muster" [subjectId]="one.id" [name]="one.name" [people]="one.people.length" />
    }
    @if (musters.trouble(); as trouble) {
      <p class="fault" role="alert">
        {{ trouble }}
        <button nz-button nzType="link" type="button" (click)="musters.again(musterId())">Try again</button>
      </p>
    } @else if (musters.muster() === null) {
      <p class="soft" role="status">Loading the muster …</p>
    }
  `,
  styles: `
    // A table has as many columns as there are garments.
    :host {
      max-width: none;
    }
  `,
  host: { class: 'page' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SizesPage {
  readonly musterId = input.required<string>();
  protected readonly musters = inject(MusterStore);

  constructor() {
    const destroyed = inject(DestroyRef);
    effect(() => {
      const id = this.musterId();
      untracked(() => this.musters.open(id, destroyed));
    });
  }
}
