import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  signal,
  viewChildren,
} from '@angular/core';
import {
  ALTERATION_WORDS,
  areaFacts,
  formatLength,
  type AlteredHow,
  type FitArea,
  garmentKind,
} from '@neat-measure/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { UnitService } from '../../../data/unit-service';
import { TryingStore } from './trying-store';

/** What is altered on the garment that is on, and by how much: one line an alteration, typed where it was measured. */
@Component({
  selector: 'nm-alteration-rows',
  imports: [NzInputModule],
  template: `
    @for (row of rows(); track row.key) {
      <p class="row">
        <label [for]="row.key">{{ row.words }}</label>
        <input
          #field
          nz-input
          class="num short"
          type="text"
          inputmode="decimal"
          autocomplete="off"
          maxlength="40"
          [id]="row.key"
          [value]="row.value"
          [attr.aria-invalid]="faults()[row.key] ? true : null"
          (change)="note(row, field.value)"
          (keydown)="onKey($event, row, field.value)"
        />
        <span class="soft">{{ units.entered() }}</span>
        @if (faults()[row.key]; as fault) {
          <span class="fault" role="alert">{{ fault }}</span>
        }
      </p>
    }
  `,
  styles: `
    label {
      min-width: 200px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AlterationRows {
  private readonly trying = inject(TryingStore);
  protected readonly units = inject(UnitService);
  private readonly fields = viewChildren<ElementRef<HTMLInputElement>>('field');
  protected readonly faults = signal<Readonly<Record<string, string>>>({});

  /** What a tailor can do about what was seen, the hem of what is hemmed, and whatever was noted. */
  protected readonly rows = computed(() => {
    const ways = (this.trying.advice()?.ways ?? []).flatMap((way) =>
      way.does === 'alter' ? [{ area: way.area, how: way.how as AlteredHow }] : [],
    );
    const hem = garmentKind(this.trying.sheet()?.kind ?? 'other').hemmed;
    const hemmed = hem === null ? [] : [{ area: hem, how: 'hem-at' as AlteredHow }];
    const noted = this.trying.alterations();
    const all = [...ways, ...hemmed, ...noted.map(({ area, how }) => ({ area, how }))];
    const keyOf = ({ area, how }: { area: FitArea; how: AlteredHow }) => `alter-${area}-${how}`;
    return [...new Map(all.map((one) => [keyOf(one), one]))].map(([key, { area, how }]) => {
      const standing = noted.find((one) => one.area === area && one.how === how);
      const { name } = areaFacts(area);
      return {
        key,
        area,
        how,
        words: how === 'hem-at' ? `Hem the ${name} at` : `${capital(ALTERATION_WORDS[how])} the ${name} by`,
        value:
          standing === undefined
            ? ''
            : formatLength(standing.length, this.units.written(this.units.entered())),
      };
    });
  });

  focus(): void {
    this.fields()[0]?.nativeElement.focus();
  }

  protected note({ key, area, how }: { key: string; area: FitArea; how: AlteredHow }, text: string): boolean {
    const fault = this.trying.alter(area, how, text);
    this.faults.update((faults) => ({ ...faults, [key]: fault }));
    return fault === '';
  }

  /** Enter notes and goes on to the next; after the last back to the garment. */
  protected onKey(
    event: KeyboardEvent,
    row: { key: string; area: FitArea; how: AlteredHow },
    text: string,
  ): void {
    if (event.key !== 'Enter' && event.key !== 'Escape') return;
    event.preventDefault();
    event.stopPropagation();
    if (event.key === 'Enter' && !this.note(row, text)) return;
    const fields = this.fields();
    const at = fields.findIndex(({ nativeElement }) => nativeElement === event.target);
    const next = event.key === 'Enter' ? fields[at + 1] : undefined;
    if (next !== undefined) next.nativeElement.focus();
    else (event.target as HTMLInputElement).blur();
  }
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
