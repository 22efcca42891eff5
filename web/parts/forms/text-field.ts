import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl, type FormGroup } from '@angular/forms';
import { NzInputModule } from 'ng-zorro-antd/input';
import type { FieldFaults } from './schema-form';

/** What a text field is bound to: a form by a schema. */
interface Bound {
  readonly group: FormGroup;
  faults(): FieldFaults;
}

let made = 0;

/** One line of text of a form: its label above, what is wrong with it below. */
@Component({
  selector: 'nm-text-field',
  imports: [NzInputModule, ReactiveFormsModule],
  template: `
    <label [for]="id">{{ label() }}</label>
    <input
      nz-input
      [id]="id"
      [formControl]="control()"
      [class.num]="figures()"
      [type]="type()"
      [attr.name]="called() || null"
      [attr.maxlength]="most()"
      [attr.placeholder]="shows() || null"
      [attr.inputmode]="figures() && type() !== 'text' ? 'numeric' : null"
      [attr.autocomplete]="fills()"
      [attr.aria-invalid]="fault() ? true : null"
      [attr.aria-describedby]="fault() ? id + '-fault' : null"
    />
    @if (fault(); as fault) {
      <span class="fault" role="alert" [id]="id + '-fault'">{{ fault }}</span>
    }
  `,
  host: { class: 'field' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TextField {
  readonly form = input.required<Bound>();
  /** Its name in the form. */
  readonly field = input.required<string>();
  readonly label = input.required<string>();
  readonly type = input<'text' | 'password' | 'tel'>('text');
  /** What a browser may fill in by itself, as HTML names it. */
  readonly fills = input('off');
  /** The name by which a keeper of passphrases knows it. */
  readonly called = input('');
  readonly most = input(200);
  /** What is shown while it is empty. */
  readonly shows = input('');
  /** Whether it holds digits. */
  readonly figures = input(false);

  protected readonly id = `text-${++made}`;
  protected readonly control = computed(() => this.form().group.get(this.field()) as FormControl<string>);
  protected readonly fault = computed(() => this.form().faults()[this.field()]);
}
