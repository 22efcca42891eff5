import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { writtenLength, writtenLengthSchema, type ChartSheet } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ControlName } from '../../../parts/forms/control-name';

/** What a chart leaves to be chosen on the docket, and what each way counts as. */
@Component({
  selector: 'nm-choices-editor',
  imports: [ControlName, FormsModule, NzButtonModule, NzInputModule, NzSelectModule],
  template: `
    <h3>Chosen on the docket</h3>
    <p class="soft">A length of the arithmetic, such as the overlap of a vest. One way a line: 1 in = 3 in</p>
    <ul class="rows">
      @for (choice of sheet().choices; track choice.code; let at = $index) {
        <li class="line">
          <input
            nz-input
            class="what"
            maxlength="60"
            [attr.aria-label]="'Name of choice ' + (at + 1)"
            [value]="choice.name"
            (change)="changeChoice(at, { name: $any($event.target).value.trim() })"
          />
          <textarea
            nz-input
            rows="2"
            class="what"
            [attr.aria-label]="'Ways of ' + choice.name + ', one a line'"
            [value]="waysOf(at)"
            (change)="ways(at, $any($event.target).value)"
          ></textarea>
          <nz-select
            [nmName]="'Usual way of ' + choice.name"
            [nzOptions]="labelsOf(at)"
            [ngModel]="choice.usual"
            (ngModelChange)="changeChoice(at, { usual: $event })"
          />
          <button nz-button nzType="text" type="button" (click)="dropChoice(at)">Remove</button>
          @if (faults()['choice-' + at]; as fault) {
            <span class="fault" role="alert">{{ fault }}</span>
          }
        </li>
      }
    </ul>
    <div class="acts"><button nz-button type="button" (click)="addChoice()">Add choice</button></div>
  `,
  styles: `
    h3 {
      margin-top: 18px;
    }
    nz-select {
      min-width: 150px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoicesEditor {
  readonly sheet = input.required<ChartSheet>();
  readonly changed = output<Partial<ChartSheet>>();

  protected readonly faults = signal<Readonly<Record<string, string>>>({});

  protected waysOf(at: number): string {
    return this.sheet()
      .choices[at]!.ways.map(({ label, length }) => `${label} = ${writtenLength(length)}`)
      .join('\n');
  }

  protected labelsOf(at: number): { label: string; value: string }[] {
    return this.sheet().choices[at]!.ways.map(({ label }) => ({ label, value: label }));
  }

  protected ways(at: number, text: string): void {
    const made = text
      .split('\n')
      .filter((line) => line.trim() !== '')
      .map((line) => {
        const [label = '', length = ''] = line.split('=').map((one) => one.trim());
        return { label, length: writtenLengthSchema.safeParse(length) };
      });
    const sound = made.length >= 2 && made.every(({ label, length }) => label !== '' && length.success);
    this.tell(`choice-${at}`, sound ? '' : 'Write at least two lines such as 1 in = 3 in.');
    if (!sound) return;
    const ways = made.map(({ label, length }) => ({ label, length: length.data! }));
    const { usual } = this.sheet().choices[at]!;
    const kept = ways.some(({ label }) => label === usual);
    this.changeChoice(at, { ways, usual: kept ? usual : ways[0]!.label });
  }

  protected changeChoice(at: number, change: Partial<ChartSheet['choices'][number]>): void {
    this.changed.emit({
      choices: this.sheet().choices.map((one, index) => (index === at ? { ...one, ...change } : one)),
    });
  }

  protected addChoice(): void {
    const taken = this.sheet().choices.map(({ code }) => code);
    const code = ['overlap', ...Array.from({ length: 9 }, (_, at) => `choice-${at + 2}`)].find(
      (one) => !taken.includes(one),
    );
    if (code === undefined) return;
    const ways = ['1 in', '2 in'].map((label, at) => ({
      label,
      length: writtenLengthSchema.parse(at === 0 ? '3 in' : '5 in'),
    }));
    const name = code === 'overlap' ? 'Overlap' : 'Choice';
    this.changed.emit({ choices: [...this.sheet().choices, { code, name, ways, usual: '1 in' }] });
  }

  protected dropChoice(at: number): void {
    this.changed.emit({ choices: this.sheet().choices.filter((_, index) => index !== at) });
  }

  private tell(at: string, fault: string): void {
    this.faults.update((faults) => ({ ...faults, [at]: fault }));
  }
}
