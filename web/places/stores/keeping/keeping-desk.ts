import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { keepingSaveSchema, type KeptGarment, type Room } from '@neat-measure/contract/stores';
import { counted } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzInputModule } from 'ng-zorro-antd/input';
import { v7 as uuidv7 } from 'uuid';
import { Fetched } from '../../../data/fetched';
import { SessionService } from '../../../data/session-service';
import { StoresService } from '../../../data/stores-service';
import { Fetching } from '../../../parts/fetching/fetching';
import { StoresAccount } from '../stores-account';

/** What is typed of how a garment is kept. */
interface Draft {
  readonly numbered: boolean;
  readonly lifeMonths: string;
  readonly inspectMonths: string;
  readonly dryingDays: string;
  readonly sparePercent: string;
  readonly spareLeast: string;
}

const NUMBERS = [
  { key: 'lifeMonths', name: 'Months of use from the date made', none: 'no end', long: true },
  { key: 'inspectMonths', name: 'Months between inspections', none: 'none', long: true },
  { key: 'dryingDays', name: 'Days to clean and dry', none: '0', long: false },
  { key: 'sparePercent', name: 'Spares in percent', none: '0', long: false },
  { key: 'spareLeast', name: 'Spares, minimum', none: '0', long: false },
] as const;

/** The store rooms, and how each garment is kept: numbered or counted, how long, how it dries, what is spare. */
@Component({
  selector: 'nm-keeping-desk',
  imports: [Fetching, FormsModule, NzButtonModule, NzCheckboxModule, NzInputModule],
  template: `
    <h2 class="title">Rooms</h2>
    @if (trouble()) {
      <p class="fault" role="alert">{{ trouble() }}</p>
    }
    <nm-fetching [of]="account.fetchedRooms" words="Loading rooms" />
    <ul class="rows">
      @for (room of account.rooms(); track room.id) {
        <li class="line">
          @if (renaming() === room.id) {
            <input
              #name
              nz-input
              class="ample"
              aria-label="Room name"
              maxlength="60"
              [value]="room.name"
              (keydown.enter)="saveRoom(room, name.value)"
            />
            <button nz-button nzType="primary" type="button" (click)="saveRoom(room, name.value)">
              Save
            </button>
          } @else {
            <b class="what">{{ room.name }}</b>
            @if (lead) {
              <button nz-button nzType="link" type="button" (click)="renaming.set(room.id)">Rename</button>
            }
          }
        </li>
      }
    </ul>
    @if (lead) {
      <div class="row under">
        <input
          #fresh
          nz-input
          class="ample"
          aria-label="New room"
          placeholder="such as Boathouse"
          maxlength="60"
          autocomplete="off"
          (keydown.enter)="addRoom(fresh.value); fresh.value = ''"
        />
        <button nz-button type="button" (click)="addRoom(fresh.value); fresh.value = ''">Add room</button>
      </div>
    }
    <h2 class="title under">Storage rules</h2>
    <p class="soft">
      Garments with a last day, an inspection or a hire calendar need a number on every piece. The maker
      states how long a garment may be used.
    </p>
    <nm-fetching [of]="garments" words="Loading garments" />
    <ul class="rows">
      @for (one of garments.value() ?? []; track one.seriesId) {
        <li>
          <button
            type="button"
            class="pick"
            [attr.aria-expanded]="open() === one.seriesId"
            (click)="begin(one)"
          >
            <b
              >{{ one.garment }} <small class="soft">{{ one.maker }}</small></b
            >
            <span>{{ say(one) }}</span>
          </button>
          @if (open() === one.seriesId) {
            <div class="fields">
              <label nz-checkbox [ngModel]="draft().numbered" (ngModelChange)="put({ numbered: $event })"
                >Numbered pieces</label
              >
              @for (number of numbers; track number.key) {
                @if (!number.long || draft().numbered) {
                  <label class="field" [for]="number.key"
                    >{{ number.name }}
                    <input
                      #field
                      nz-input
                      class="short"
                      inputmode="numeric"
                      maxlength="4"
                      autocomplete="off"
                      [id]="number.key"
                      [placeholder]="number.none"
                      [value]="draft()[number.key]"
                      (input)="write(number.key, field.value)"
                  /></label>
                }
              }
              @if (lead) {
                <button nz-button nzType="primary" type="button" (click)="save(one)">Save</button>
              }
            </div>
          }
        </li>
      }
    </ul>
  `,
  styles: `
    .fields {
      padding: 4px 10px 16px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeepingDesk {
  private readonly service = inject(StoresService);
  protected readonly account = inject(StoresAccount);
  protected readonly lead = inject(SessionService).may('correct-stock');
  protected readonly garments = new Fetched<readonly KeptGarment[]>(() => this.service.kept());
  protected readonly trouble = signal('');
  protected readonly renaming = signal<string | null>(null);
  protected readonly open = signal<string | null>(null);
  protected readonly numbers = NUMBERS;
  protected readonly draft = signal<Draft>({
    numbered: false,
    lifeMonths: '',
    inspectMonths: '',
    dryingDays: '',
    sparePercent: '',
    spareLeast: '',
  });

  protected say({ keeping }: KeptGarment): string {
    const { numbered, lifeMonths, inspectMonths, dryingDays, sparePercent, spareLeast } = keeping;
    return [
      numbered ? 'numbered' : 'counted',
      lifeMonths === null ? '' : counted(lifeMonths, 'month'),
      inspectMonths === null ? '' : `inspected every ${counted(inspectMonths, 'month')}`,
      dryingDays === 0 ? '' : `${counted(dryingDays, 'day')} to dry`,
      sparePercent + spareLeast === 0 ? '' : `spares ${sparePercent} %, at least ${spareLeast}`,
    ]
      .filter((one) => one !== '')
      .join(', ');
  }

  protected begin({ seriesId, keeping }: KeptGarment): void {
    this.trouble.set('');
    this.open.update((open) => (open === seriesId ? null : seriesId));
    const text = (value: number | null) => (value === null || value === 0 ? '' : String(value));
    this.draft.set({
      numbered: keeping.numbered,
      lifeMonths: text(keeping.lifeMonths),
      inspectMonths: text(keeping.inspectMonths),
      dryingDays: text(keeping.dryingDays),
      sparePercent: text(keeping.sparePercent),
      spareLeast: text(keeping.spareLeast),
    });
  }

  protected write(key: (typeof NUMBERS)[number]['key'], value: string): void {
    this.put({ [key]: value });
  }

  protected put(change: Partial<Draft>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
  }

  protected save({ seriesId, version }: KeptGarment): void {
    const draft = this.draft();
    const number = (text: string) => (text.trim() === '' ? 0 : Number(text));
    const orNone = (text: string) => (text.trim() === '' || !draft.numbered ? null : Number(text));
    const read = keepingSaveSchema.safeParse({
      keeping: {
        numbered: draft.numbered,
        lifeMonths: orNone(draft.lifeMonths),
        inspectMonths: orNone(draft.inspectMonths),
        dryingDays: number(draft.dryingDays),
        sparePercent: number(draft.sparePercent),
        spareLeast: number(draft.spareLeast),
      },
      version,
    });
    if (!read.success)
      return this.trouble.set('Enter whole numbers of 0 or more for months, days and pieces.');
    this.trouble.set('');
    this.service.keep(seriesId, read.data).subscribe({
      next: () => {
        this.open.set(null);
        this.garments.again();
        this.account.changed();
      },
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }

  protected addRoom(name: string): void {
    if (name.trim() !== '') this.keepRoom(uuidv7(), name.trim(), 0);
  }

  protected saveRoom({ id, version }: Room, name: string): void {
    this.keepRoom(id, name.trim(), version);
  }

  private keepRoom(id: string, name: string, version: number): void {
    this.trouble.set('');
    this.service.saveRoom(id, name, version).subscribe({
      next: () => {
        this.renaming.set(null);
        this.account.fetchedRooms.again();
      },
      error: (problem: Error) => this.trouble.set(problem.message),
    });
  }
}
