import { type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import {
  FormControl,
  FormGroup,
  FormResetEvent,
  type AbstractControl,
  type ValidatorFn,
} from '@angular/forms';
import { merge, map, startWith, type Observable } from 'rxjs';
import type { z } from 'zod';

/** What a schema says against the value of a form, by the path of the field: `retention.tapesDays`. */
export type FieldFaults = Readonly<Record<string, string>>;

/**
 * Lets a form be as valid as the schema of the contract says, so that a rule stands in one place for
 * server and screen.
 *
 * @param schema what the form's value is to be, or becomes by `shape`
 * @param shape makes of the form's value what is sent, where they differ
 */
export function bySchema<Value>(
  schema: z.ZodType,
  shape: (value: Value) => unknown = (value) => value,
): ValidatorFn {
  return (control: AbstractControl) => {
    const read = schema.safeParse(shape(control.getRawValue() as Value));
    if (read.success) return null;
    const faults: Record<string, string> = {};
    for (const issue of read.error.issues) faults[issue.path.join('.')] ??= sayIssue(issue);
    return { schema: faults };
  };
}

/** What is to be mended now, field by field; nothing of a field nobody has been at yet. */
export function faultsOf(form: FormGroup): Observable<FieldFaults> {
  return merge(...eventsOf(form)).pipe(
    startWith(null),
    map(() => {
      const all = faultsIn(form);
      return Object.fromEntries(Object.entries(all).filter(([path]) => form.get(path)?.touched === true));
    }),
  );
}

/**
 * A form as a schema of the contract has it: its controls, what is to be mended field by field, and
 * what is sent once nothing is. What is to be mended is told from the first try to send on: told as a
 * field is left, it would move the button away from under the hand. Made where a component is made.
 */
export class SchemaForm<Schema extends z.ZodType, Controls extends Record<string, AbstractControl>> {
  readonly group: FormGroup<Controls>;
  readonly faults: Signal<FieldFaults>;
  private tried = false;

  /** @param shape makes of the form's value what the schema reads, where they differ */
  constructor(
    private readonly schema: Schema,
    controls: Controls,
    private readonly shape: (value: ReturnType<FormGroup<Controls>['getRawValue']>) => unknown = (value) =>
      value,
  ) {
    this.group = new FormGroup(controls, { validators: bySchema(schema, shape) });
    const told = this.group.events.pipe(
      map((event) => {
        if (event instanceof FormResetEvent) this.tried = false;
        return this.tried ? faultsIn(this.group) : {};
      }),
    );
    this.faults = toSignal(told, { initialValue: {} });
  }

  /** What is sent; `null` where something is to be mended first, which is shown from then on. */
  read(): z.output<Schema> | null {
    this.tried = true;
    // What the shape makes of it may hang on more than the form.
    this.group.updateValueAndValidity();
    const read = this.schema.safeParse(this.shape(this.group.getRawValue()));
    return read.success ? read.data : null;
  }
}

/** The control of a line of text that is empty as long as nobody writes in it. */
export function line(): FormControl<string> {
  return new FormControl('', { nonNullable: true });
}

function faultsIn(form: FormGroup): FieldFaults {
  return (form.errors?.['schema'] ?? {}) as FieldFaults;
}

/** What happens to a form and to each of its fields: that a field was left is not told by the form. */
function eventsOf(control: AbstractControl): Observable<unknown>[] {
  const own = [control.events];
  if (!(control instanceof FormGroup)) return own;
  return [...own, ...Object.values(control.controls).flatMap((one) => eventsOf(one as AbstractControl))];
}

/** What is wrong with one field, and what it may be. */
export function sayIssue(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'too_small':
      return issue.origin === 'string'
        ? issue.minimum === 1
          ? 'This field is required.'
          : `At least ${issue.minimum} letters.`
        : issue.origin === 'array' && issue.minimum === 1
          ? 'Enter at least one.'
          : `At least ${issue.minimum}.`;
    case 'too_big':
      return issue.origin === 'string' ? `At most ${issue.maximum} letters.` : `At most ${issue.maximum}.`;
    case 'invalid_type':
      return issue.expected === 'int' ? 'Enter a whole number.' : 'This field is required.';
    default:
      return issue.message;
  }
}
