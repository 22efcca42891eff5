import { FormControl, FormGroup } from '@angular/forms';
import * as z from 'zod';
import { TestBed } from '@angular/core/testing';
import { bySchema, faultsOf, line, sayIssue, SchemaForm, type FieldFaults } from './schema-form';

describe('SchemaForm', () => {
  const schema = z.object({ name: z.string().trim().min(1), code: z.string().min(4).optional() });
  const make = (wanted: () => boolean) =>
    TestBed.runInInjectionContext(
      () =>
        new SchemaForm(schema, { name: line(), code: line() }, ({ name, code }) =>
          wanted() ? { name, code } : { name },
        ),
    );

  it('says what is to be mended only once it was tried, and then as it is mended', () => {
    const form = make(() => false);
    form.group.controls.name.markAsTouched();
    expect(form.faults()).toEqual({});
    expect(form.read()).toBeNull();
    expect(form.faults()).toEqual({ name: 'This field is required.' });
    form.group.controls.name.setValue(' Ada ');
    expect(form.faults()).toEqual({});
    expect(form.read()).toEqual({ name: 'Ada' });
    form.group.reset();
    expect(form.faults()).withContext('emptied for the next').toEqual({});
  });

  it('reads by what is wanted now, not by what was wanted when it was typed', () => {
    let wanted = false;
    const form = make(() => wanted);
    form.group.controls.name.setValue('Ada');
    expect(form.read()).toEqual({ name: 'Ada' });
    wanted = true;
    expect(form.read()).toBeNull();
    expect(form.faults()).toEqual({ code: 'At least 4 letters.' });
  });
});

describe('bySchema', () => {
  const schema = z.object({
    name: z.string().trim().min(1).max(5),
    days: z.int().min(5).max(72),
    kept: z.object({ tapes: z.int().min(1).nullable() }),
  });
  const form = () =>
    new FormGroup(
      {
        name: new FormControl('Ada', { nonNullable: true }),
        days: new FormControl<number | null>(7),
        kept: new FormGroup({ tapes: new FormControl<number | null>(null) }),
      },
      { validators: bySchema(schema) },
    );

  it('is as valid as the schema says', () => {
    const one = form();
    expect(one.valid).toBeTrue();
    one.controls.days.setValue(4);
    expect(one.valid).toBeFalse();
    one.controls.days.setValue(5);
    expect(one.valid).toBeTrue();
  });

  it('says what is wrong field by field, and only of fields somebody has been at', () => {
    const one = form();
    let said: FieldFaults = {};
    faultsOf(one).subscribe((faults) => (said = faults));
    one.setValue({ name: ' ', days: 80, kept: { tapes: 0 } });
    expect(said).toEqual({});
    one.controls.days.markAsTouched();
    expect(said).toEqual({ days: 'At most 72.' });
    one.controls.name.markAsTouched();
    one.controls.kept.controls.tapes.markAsTouched();
    expect(said).toEqual({
      name: 'This field is required.',
      days: 'At most 72.',
      'kept.tapes': 'At least 1.',
    });
  });

  it('takes what is sent for what is looked at, where they differ', () => {
    const one = new FormGroup(
      { name: new FormControl('Ada', { nonNullable: true }) },
      {
        validators: bySchema<{ name: string }>(schema, ({ name }) => ({ name, days: 5, kept: { tapes: 1 } })),
      },
    );
    expect(one.valid).toBeTrue();
    one.controls.name.setValue('Adamant');
    expect(one.errors?.['schema']).toEqual({ name: 'At most 5 letters.' });
  });

  it('says every kind of fault in words that tell what to do', () => {
    const issue = (value: unknown, of: z.ZodType) => sayIssue(of.safeParse(value).error!.issues[0]!);
    expect(issue(null, z.int())).toBe('This field is required.');
    expect(issue(1.5, z.int())).toBe('Enter a whole number.');
    expect(issue('ab', z.string().min(12))).toBe('At least 12 letters.');
    expect(issue('ab', z.string().regex(/c/, { error: 'Write a c.' }))).toBe('Write a c.');
  });
});
