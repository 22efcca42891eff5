import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { ChartPart, ChartSheet, Combination } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ControlName } from '../../../parts/forms/control-name';

/** What a grid of two parts ticks: what is made together, or what of the second is offered for the first. */
interface Grid {
  readonly title: string;
  readonly says: string;
  readonly first: ChartPart;
  readonly second: ChartPart;
  readonly ticked: (one: string, other: string) => boolean;
  readonly set: (made: Record<string, string[]>) => Partial<ChartSheet>;
  readonly drop: Partial<ChartSheet>;
}

/** Which sizes of two parts are made together, and which of one are offered for a size of another, on grids one ticks. */
@Component({
  selector: 'nm-combinations-editor',
  imports: [ControlName, FormsModule, NzButtonModule, NzCheckboxModule, NzSelectModule],
  template: `
    @if (sheet().parts.length < 2) {
      <p class="soft">The chart has one part, so there are no combinations.</p>
    } @else {
      @for (grid of grids(); track $index) {
        <h3>{{ grid.title }}</h3>
        <p class="soft">{{ grid.says }}</p>
        <div class="wide" tabindex="0" role="region" [attr.aria-label]="grid.title">
          <table class="cells">
            <thead>
              <tr>
                <th scope="col">{{ grid.first.name }}</th>
                @for (size of grid.second.sizes; track size) {
                  <th scope="col">{{ size }}</th>
                }
                <th scope="col"><span class="unseen">The whole row</span></th>
              </tr>
            </thead>
            <tbody>
              @for (one of grid.first.sizes; track one) {
                <tr>
                  <th scope="row">{{ one }}</th>
                  @for (other of grid.second.sizes; track other) {
                    <td>
                      <label
                        nz-checkbox
                        [ngModel]="grid.ticked(one, other)"
                        (ngModelChange)="turn(grid, one, [other], $event)"
                        ><span class="unseen">{{ one }} with {{ other }}</span></label
                      >
                    </td>
                  }
                  <td>
                    <button
                      nz-button
                      nzType="text"
                      type="button"
                      [attr.aria-label]="'All of ' + one"
                      (click)="turn(grid, one, grid.second.sizes, !all(grid, one))"
                    >
                      {{ all(grid, one) ? 'None' : 'All' }}
                    </button>
                  </td>
                </tr>
              }
            </tbody>
          </table>
        </div>
        <div class="acts">
          <button nz-button nzType="text" type="button" (click)="changed.emit(grid.drop)">
            Remove grid: all combinations are made
          </button>
        </div>
      } @empty {
        <p class="soft">All combinations are made.</p>
      }
      <div class="acts">
        <nz-select
          nzId="pair-first"
          nmName="First part"
          [nzOptions]="parts()"
          [(ngModel)]="first"
          nzPlaceHolder="a part"
        />
        <nz-select
          nzId="pair-second"
          nmName="Second part"
          [nzOptions]="parts()"
          [(ngModel)]="second"
          nzPlaceHolder="another"
        />
        <button nz-button type="button" [disabled]="!mayAdd()" (click)="add()">Choose what is made</button>
        <button nz-button type="button" [disabled]="!mayOffer()" (click)="offer()">
          Choose what is offered
        </button>
      </div>
    }
  `,
  styles: `
    nz-select {
      min-width: 160px;
    }
    .cells :is(td, th) {
      padding: 0 6px;
      text-align: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CombinationsEditor {
  readonly sheet = input.required<ChartSheet>();
  readonly changed = output<Partial<ChartSheet>>();
  protected readonly first = signal<string | null>(null);
  protected readonly second = signal<string | null>(null);
  protected readonly parts = computed(() =>
    this.sheet().parts.map(({ code, name }) => ({ label: name, value: code })),
  );

  protected readonly grids = computed((): Grid[] => {
    const sheet = this.sheet();
    const partOf = (code: string) => sheet.parts.find((part) => part.code === code);
    const made = sheet.combinations.flatMap((combination, at): Grid[] => {
      const [first, second] = combination.parts.map(partOf);
      if (first === undefined || second === undefined) return [];
      const others = sheet.combinations.filter((_, index) => index !== at);
      return [
        {
          title: `${first.name} with ${second.name}`,
          says: 'Ticked combinations are made. Any other is “not made”, and the nearest made is proposed.',
          first,
          second,
          ticked: (one, other) => combination.made[one]?.includes(other) === true,
          set: (next) => ({
            combinations: sheet.combinations.map((one, index) =>
              index === at ? { ...one, made: next } : one,
            ),
          }),
          drop: { combinations: others },
        },
      ];
    });
    const offered = sheet.parts.flatMap((second): Grid[] => {
      const by = second.offered === null ? undefined : partOf(second.offered.by);
      if (second.offered === null || by === undefined) return [];
      const { sizes } = second.offered;
      const withOffered = (next: ChartPart['offered']) => ({
        parts: sheet.parts.map((part) => (part.code === second.code ? { ...part, offered: next } : part)),
      });
      return [
        {
          title: `${second.name} offered by ${by.name}`,
          says: `Ticked is what of the ${second.name.toLowerCase()} is looked at once the ${by.name.toLowerCase()} is known.`,
          first: by,
          second,
          ticked: (one, other) => sizes[one]?.includes(other) === true,
          set: (next) => withOffered({ by: by.code, sizes: next }),
          drop: withOffered(null),
        },
      ];
    });
    return [...made, ...offered];
  });

  protected readonly mayAdd = computed(() => {
    const pair = [this.first(), this.second()];
    const there = this.sheet().combinations.some(({ parts }) => parts.every((code) => pair.includes(code)));
    return this.areTwo() && !there;
  });
  /** A part is offered by one that is sized before it. */
  protected readonly mayOffer = computed(() => {
    const { parts } = this.sheet();
    const [first, second] = [this.first(), this.second()].map((code) =>
      parts.findIndex((part) => part.code === code),
    );
    return this.areTwo() && first! < second! && parts[second!]?.offered === null;
  });

  protected all(grid: Grid, one: string): boolean {
    return grid.second.sizes.every((other) => grid.ticked(one, other));
  }

  protected turn(grid: Grid, one: string, others: readonly string[], on: boolean): void {
    const made: Record<string, string[]> = {};
    for (const row of grid.first.sizes)
      made[row] = grid.second.sizes.filter((other) =>
        row === one && others.includes(other) ? on : grid.ticked(row, other),
      );
    this.changed.emit(grid.set(made));
  }

  protected add(): void {
    const [first, second] = this.pair();
    const combination: Combination = { parts: [first.code, second.code], made: everything(first, second) };
    this.changed.emit({ combinations: [...this.sheet().combinations, combination] });
  }

  protected offer(): void {
    const [first, second] = this.pair();
    const offered = { by: first.code, sizes: everything(first, second) };
    this.changed.emit({
      parts: this.sheet().parts.map((part) => (part.code === second.code ? { ...part, offered } : part)),
    });
  }

  private areTwo(): boolean {
    return this.first() !== null && this.second() !== null && this.first() !== this.second();
  }

  private pair(): [ChartPart, ChartPart] {
    const part = (code: string | null) => this.sheet().parts.find((one) => one.code === code)!;
    return [part(this.first()), part(this.second())];
  }
}

function everything(first: ChartPart, second: ChartPart): Record<string, string[]> {
  return Object.fromEntries(first.sizes.map((size) => [size, [...second.sizes]]));
}
