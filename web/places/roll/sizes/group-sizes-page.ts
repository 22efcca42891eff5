import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Fetched } from '../../../data/fetched';
import { MusterService } from '../../../data/musters/muster-service';
import { Fetching } from '../../../parts/fetching/fetching';
import { SizesView } from './sizes-view';

/** The sizes of a group, by the kits of its wearers' roles: whether it is on a muster or not. */
@Component({
  selector: 'nm-group-sizes-page',
  imports: [Fetching, RouterLink, SizesView],
  template: `
    <nm-fetching [of]="groups" words="Loading groups" />
    @if (group(); as one) {
      <nm-sizes-view of="group" [subjectId]="one.id" [name]="one.name" [people]="one.count" />
    } @else if (groups.value() !== null) {
      <p class="note">This group is no longer there. <a routerLink="/roll">Back to Roll</a></p>
    }
  `,
  styles: `
    :host {
      max-width: none;
    }
  `,
  host: { class: 'page' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GroupSizesPage {
  readonly groupId = input.required<string>();
  private readonly service = inject(MusterService);
  protected readonly groups = new Fetched(() => this.service.groups());
  protected readonly group = computed(() => this.groups.value()?.find(({ id }) => id === this.groupId()));
}
