import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Kit, Wearer } from '@neat-measure/contract';
import type { Group, MusterWearer } from '@neat-measure/contract/musters';
import { counted } from '@neat-measure/core';
import { personOn } from '@neat-measure/core/muster';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { Fetched } from '../../../data/fetched';
import { KitService } from '../../../data/kit-service';
import { MusterService } from '../../../data/musters/muster-service';
import { MusterStore } from '../../../data/musters/muster-store';
import { Paged } from '../../../data/paged';
import { SessionService } from '../../../data/session-service';
import { WearerService } from '../../../data/wearer-service';
import { Fetching } from '../../../parts/fetching/fetching';
import { DayDesk } from './day-desk';

/** Who is put on the list of a muster: known wearers by name or role, or somebody new in one line. */
@Component({
  selector: 'nm-add-wearers',
  imports: [Fetching, FormsModule, NzButtonModule, NzInputModule, NzSelectModule],
  template: `
    <div class="split">
      <h2>Add wearers</h2>
      <button nz-button type="button" (click)="done.emit()">Close</button>
    </div>
    <div class="fields">
      <label class="field"
        >Name or role
        <input
          #search
          nz-input
          autocomplete="off"
          maxlength="80"
          [value]="sought()"
          (input)="seek(search.value)"
          (keydown.enter)="enter(); $event.preventDefault()"
          (keydown.escape)="done.emit()"
        />
      </label>
      <div class="field">
        <label for="muster-kit">Kit</label>
        <nz-select
          nzId="muster-kit"
          [ngModel]="kitId()"
          (ngModelChange)="kitId.set($event)"
          [nzOptions]="kits()"
        />
      </div>
      @if (groups().length > 0) {
        <div class="field">
          <label for="muster-group">A whole group</label>
          <nz-select
            nzId="muster-group"
            nzPlaceHolder="choose a group"
            [ngModel]="null"
            (ngModelChange)="addGroup($event)"
            [nzOptions]="groups()"
          />
        </div>
      }
    </div>
    @if (failed()) {
      <p class="fault" role="alert">{{ failed() }}</p>
    }
    @if (told()) {
      <p class="done" role="status">{{ told() }}</p>
    }
    <nm-fetching [of]="wearers" words="Loading wearers" />
    <ul class="rows scrolls">
      @for (one of wearers.items(); track one.id) {
        <li class="line">
          <span class="what"
            ><b>{{ one.name }}</b> {{ one.role }}</span
          >
          @if (isOn(one.id)) {
            <span class="soft">on the list</span>
          } @else {
            <button nz-button type="button" (click)="add([one])">Add</button>
          }
        </li>
      }
      @if (mayAddNew()) {
        <li class="line">
          <span class="what"
            ><b>{{ sought().trim() }}</b> <span class="soft">new wearer</span></span
          >
          <button nz-button type="button" [disabled]="busy()" (click)="addNew()">
            Add {{ sought().trim() }}
          </button>
        </li>
      }
    </ul>
    @if (missing().length > 1) {
      <div class="acts">
        <button
          nz-button
          nzType="primary"
          type="button"
          [disabled]="!wearers.current()"
          (click)="add(missing())"
        >
          Add all {{ missing().length }} shown
        </button>
        @if (wearers.left() > 0) {
          <button nz-button nzType="link" type="button" (click)="wearers.more()">
            {{ wearers.left() }} more
          </button>
        }
      </div>
    }
  `,
  host: { class: 'stack scrolls' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AddWearers {
  private readonly service = inject(WearerService);
  private readonly kitService = inject(KitService);
  private readonly musters = inject(MusterService);
  private readonly store = inject(MusterStore);
  private readonly session = inject(SessionService);
  private readonly desk = inject(DayDesk);
  readonly done = output<void>();
  private readonly search = viewChild.required<ElementRef<HTMLInputElement>>('search');

  protected readonly sought = signal('');
  protected readonly failed = signal('');
  protected readonly told = signal('');
  protected readonly busy = signal(false);
  /** The kit their dockets are opened with; empty for the one of their role. */
  protected readonly kitId = signal('');
  protected readonly wearers = new Paged<Wearer>((query) => this.service.list(query));
  private readonly allKits = new Fetched<readonly Kit[]>(() => this.kitService.list());
  protected readonly kits = computed(() => [
    { value: '', label: 'By the wearer’s role' },
    ...(this.allKits.value() ?? []).map(({ id, name }) => ({ value: id, label: name })),
  ]);
  private readonly allGroups = new Fetched<readonly Group[]>(() => this.musters.groups());
  protected readonly groups = computed(() =>
    (this.allGroups.value() ?? []).map(({ id, name, count }) => ({ value: id, label: `${name}, ${count}` })),
  );
  protected readonly missing = computed(() => this.wearers.items().filter(({ id }) => !this.isOn(id)));
  protected readonly mayAddNew = computed(() => {
    const name = this.sought().trim().toLowerCase();
    return (
      name !== '' &&
      this.session.may('keep-wearers') &&
      this.wearers.current() &&
      this.wearers.items().every((one) => one.name.toLowerCase() !== name)
    );
  });

  constructor() {
    // Whoever was looked for on the list and is not there is looked for among all.
    this.seek(this.desk.sought());
    afterNextRender(() => this.search().nativeElement.focus());
  }

  protected isOn(wearerId: string): boolean {
    const muster = this.store.muster();
    return muster !== null && personOn(muster, wearerId) !== undefined;
  }

  protected seek(words: string): void {
    this.sought.set(words);
    this.wearers.seek(words);
  }

  /** Adds who was found where that can only be one, or whoever is new. */
  protected enter(): void {
    if (!this.wearers.current() || this.sought().trim() === '') return;
    const [only, ...others] = this.missing();
    if (only !== undefined && others.length === 0) this.add([only]);
    else if (only === undefined && this.mayAddNew()) this.addNew();
  }

  /** Everybody of a group who is not on the list yet. */
  protected addGroup(groupId: string | null): void {
    if (groupId === null || this.busy()) return;
    this.busy.set(true);
    this.musters
      .wearersIn(groupId)
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (wearers) => {
          const missing = wearers.filter(({ id }) => !this.isOn(id));
          if (missing.length > 0) this.add(missing, groupId);
          else this.told.set('Everybody of this group is on the list.');
        },
        error: (problem: Error) => this.failed.set(problem.message),
      });
  }

  protected add(wearers: readonly MusterWearer[], groupId: string | null = null): void {
    const kitId = this.kitId() === '' ? null : this.kitId();
    for (const { id, name, role, number } of wearers) this.store.knows({ id, name, role, number });
    const people = wearers.map(({ id }) => ({ wearerId: id, docketId: uuidv7(), groupId, kitId }));
    if (!this.store.does({ kind: 'people-added', people })) {
      this.failed.set(this.store.trouble());
      return;
    }
    this.failed.set('');
    this.told.set(
      wearers.length === 1 ? `${wearers[0]!.name} added.` : `${counted(wearers.length, 'wearer')} added.`,
    );
    this.seek('');
    this.search().nativeElement.focus();
  }

  protected addNew(): void {
    if (this.busy()) return;
    this.busy.set(true);
    this.service
      .add(this.sought().trim(), '')
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (wearer) => this.add([wearer]),
        error: (problem: Error) => this.failed.set(problem.message),
      });
  }
}
