import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { styleOf } from '@neat-measure/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { DocketStore } from '../../docket-store';

/** How each garment is to look, in words: style, colour, cloth. No size follows from it. */
@Component({
  selector: 'nm-style-notes',
  imports: [NzInputModule],
  template: `
    <h2>Style and colour</h2>
    @for (one of rows(); track one.chartId) {
      <label class="field"
        ><span>{{ one.name }}</span>
        <input
          #field
          nz-input
          type="text"
          autocomplete="off"
          maxlength="200"
          [value]="one.style"
          (keydown.enter)="field.blur()"
          (change)="note(one.chartId, field.value)"
        />
      </label>
    }
  `,
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StyleNotes {
  private readonly store = inject(DocketStore);

  /** A line a garment, and one for what a protocol is taken for where no chart sizes it. */
  protected readonly rows = computed(() => {
    const docket = this.store.docket();
    if (docket === null) return [];
    const garments = this.store.garments().map(({ chart }) => ({
      chartId: chart.id as string | null,
      name: chart.sheet.garment,
      style: styleOf(docket, chart.id) ?? '',
    }));
    const other = { chartId: null, name: 'Garment to make', style: styleOf(docket, null) ?? '' };
    return docket.protocolIds.length > 0 || garments.length === 0 ? [...garments, other] : garments;
  });

  protected note(chartId: string | null, typed: string): void {
    const style = typed.trim() === '' ? null : typed.trim();
    if (style !== styleOf(this.store.docket()!, chartId))
      this.store.does({ kind: 'style-noted', chartId, style });
  }
}
