import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { TOLD_ITEM_WORDS, TOLD_ITEMS, toldEstimate, type ToldItem } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ControlName } from '../../../parts/forms/control-name';
import { DocketStore } from '../docket-store';

/** Sizes the wearer tells of what they have and that fits: estimates for what is not measured. */
@Component({
  selector: 'nm-told-sizes',
  imports: [FormsModule, NzButtonModule, NzInputModule, NzSelectModule, ControlName],
  template: `
    <div class="row under" role="group" aria-label="Sizes that fit">
      <b>Sizes that fit:</b>
      <nz-select nmName="Garment of the told size" [(ngModel)]="item">
        @for (one of items; track one.value) {
          <nz-option [nzValue]="one.value" [nzLabel]="one.label" />
        }
      </nz-select>
      <input
        #field
        nz-input
        class="short"
        type="text"
        aria-label="Size as told"
        placeholder="as told"
        maxlength="40"
        (keydown.enter)="$event.preventDefault(); $event.stopPropagation(); note(field)"
      />
      <button nz-button type="button" (click)="note(field)">Add size</button>
    </div>
    @for (one of told(); track one.item) {
      <p class="row under">
        {{ one.words }}
        <button nz-button nzType="link" type="button" (click)="remove(one.item)">Remove</button>
      </p>
    }
  `,
  styles: `
    nz-select {
      width: 240px;
    }
    .short {
      width: 110px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ToldSizes {
  private readonly store = inject(DocketStore);
  protected readonly items = TOLD_ITEMS.map((value) => ({ value, label: TOLD_ITEM_WORDS[value] }));
  protected readonly item = signal<ToldItem>('jacket-inches');
  protected readonly told = computed(() =>
    (Object.entries(this.store.docket()?.told ?? {}) as [ToldItem, string][]).map(([item, text]) => ({
      item,
      words: `${TOLD_ITEM_WORDS[item]}: ${text}${toldEstimate(item, text) === null ? ' (no estimate possible)' : ''}`,
    })),
  );

  protected note(field: HTMLInputElement): void {
    const told = field.value.trim();
    if (told !== '' && this.store.does({ kind: 'size-told', item: this.item(), told })) field.value = '';
  }

  protected remove(item: ToldItem): void {
    this.store.does({ kind: 'size-told', item, told: null });
  }
}
