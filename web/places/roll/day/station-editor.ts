import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { PART_WORDS, PARTS, type Part, type Station } from '@neat-measure/core/muster';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { v7 as uuidv7 } from 'uuid';
import { MusterStore } from '../../../data/musters/muster-store';

/** A station as it is edited. */
interface Draft {
  readonly id: string;
  readonly name: string;
  readonly parts: readonly Part[];
}

/** The stations of a muster: what is done where, which are open. */
@Component({
  selector: 'nm-station-editor',
  imports: [FormsModule, NzButtonModule, NzCheckboxModule, NzInputModule],
  template: `
    <div class="split">
      <h2>Stations</h2>
      <button nz-button type="button" (click)="done.emit()">Close</button>
    </div>
    @if (lacking().length > 0) {
      <p class="note">No open station has: {{ lacking().join(', ') }}.</p>
    }
    <ul class="rows scrolls">
      @for (one of stations(); track one.id) {
        <li class="line">
          <span class="what" [class.soft]="!one.open"
            ><b>{{ one.name }}</b
            >{{ one.open ? '' : ', closed' }} <small class="soft">{{ say(one.parts) }}</small></span
          >
          <button nz-button type="button" (click)="begin(one)">Edit</button>
          @if (one.open) {
            <button nz-button type="button" (click)="shut(one)">Close station</button>
          } @else {
            <button nz-button type="button" (click)="keep(one, true)">Open station</button>
          }
        </li>
      }
    </ul>
    @if (draft(); as one) {
      <form class="panel" (submit)="save(); $event.preventDefault()">
        <label class="field"
          >Name
          <input
            nz-input
            class="ample"
            name="name"
            maxlength="40"
            autocomplete="off"
            [ngModel]="one.name"
            (ngModelChange)="draft.set({ id: one.id, name: $event, parts: one.parts })"
          />
        </label>
        <fieldset class="row under">
          <legend class="unseen">What is done at this station</legend>
          @for (part of PARTS; track part) {
            <label
              nz-checkbox
              [name]="part"
              [ngModel]="one.parts.includes(part)"
              (ngModelChange)="turn(part, $event)"
              >{{ PART_WORDS[part] }}</label
            >
          }
        </fieldset>
        @if (fault()) {
          <p class="fault" role="alert">{{ fault() }}</p>
        }
        <div class="acts">
          <button nz-button nzType="primary" type="submit">Save station</button>
          <button nz-button type="button" (click)="draft.set(null)">Cancel</button>
        </div>
      </form>
    } @else {
      <div class="acts"><button nz-button type="button" (click)="begin(null)">Add station</button></div>
    }
  `,
  styles: `
    form {
      margin-top: 10px;
      padding: 14px;
    }
    fieldset {
      border: 0;
    }
    small {
      display: block;
    }
  `,
  host: { class: 'stack scrolls' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StationEditor {
  private readonly store = inject(MusterStore);
  readonly done = output<void>();
  protected readonly PARTS = PARTS;
  protected readonly PART_WORDS = PART_WORDS;
  protected readonly stations = computed(() => this.store.muster()?.stations ?? []);
  /** The parts of the work that no open station has. */
  protected readonly lacking = computed(() =>
    PARTS.filter((part) => this.stations().every(({ open, parts }) => !open || !parts.includes(part))).map(
      (part) => PART_WORDS[part],
    ),
  );
  protected readonly draft = signal<Draft | null>(null);
  protected readonly fault = signal('');

  protected say(parts: readonly Part[]): string {
    return parts.map((part) => PART_WORDS[part]).join(', ');
  }

  protected begin(station: Station | null): void {
    this.fault.set('');
    this.draft.set(station ?? { id: uuidv7(), name: '', parts: [] });
  }

  protected turn(part: Part, has: boolean): void {
    this.draft.update(
      (one) =>
        one && { ...one, parts: PARTS.filter((each) => (each === part ? has : one.parts.includes(each))) },
    );
  }

  protected save(): void {
    const one = this.draft();
    if (one === null) return;
    const name = one.name.trim();
    if (name === '') return this.fault.set('Enter a name for the station.');
    if (one.parts.length === 0) return this.fault.set('Choose what is done at this station.');
    const there = this.stations().find(({ id }) => id === one.id);
    const fields = { stationId: one.id, name, parts: [...one.parts] };
    const saved =
      there === undefined
        ? this.store.does({ kind: 'station-opened', ...fields })
        : this.store.does({ kind: 'station-changed', ...fields, open: there.open });
    if (saved) this.draft.set(null);
  }

  protected keep({ id, name, parts }: Station, open: boolean): void {
    this.store.does({ kind: 'station-changed', stationId: id, name, parts: [...parts], open });
  }

  protected shut({ id }: Station): void {
    this.store.does({ kind: 'station-closed', stationId: id });
  }
}
