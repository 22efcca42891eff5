import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormsModule, ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { protocolSaveSchema, type Protocol, type ProtocolSave } from '@neat-measure/contract';
import {
  CATALOGUE,
  INSTRUMENT_WORDS,
  measurement,
  CHAINS,
  TENSION_WORDS,
  TENSIONS,
  tensionIn,
  WAIST_PLACES,
  WAIST_WORDS,
  WISHES,
  type ChainCode,
  type WaistPlace,
  type WishCode,
  type MeasurementCode,
  type Tension,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { finalize } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { ProtocolService } from '../../../data/protocol-service';
import { SessionService } from '../../../data/session-service';
import { ProtocolView } from './protocol-view';
import { ControlName } from '../../../parts/forms/control-name';
import { line, SchemaForm } from '../../../parts/forms/schema-form';
import { TextField } from '../../../parts/forms/text-field';
import { Fetching } from '../../../parts/fetching/fetching';
import { Fetched } from '../../../data/fetched';

/** What is being edited: a protocol of one's own, or a copy of a shipped one that is not saved yet. */
interface Draft extends ProtocolSave {
  readonly id: string;
}

/** The protocols: how each purpose is measured. A shipped one is copied to be changed; one's own are edited. */
@Component({
  selector: 'nm-protocol-desk',
  imports: [
    Fetching,
    ControlName,
    ProtocolView,
    FormsModule,
    NgTemplateOutlet,
    ReactiveFormsModule,
    TextField,
    NzInputModule,
    NzSelectModule,
    RouterLink,
    NzButtonModule,
  ],
  templateUrl: './protocol-desk.html',
  styles: `
    form {
      gap: 14px;
      max-width: 800px;
    }
  `,
  host: { class: 'beside' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProtocolDesk {
  private readonly protocols = inject(ProtocolService);
  protected readonly session = inject(SessionService);

  protected readonly all = new Fetched<readonly Protocol[]>(() => this.protocols.list());
  private readonly openId = signal<string | null>(null);
  protected readonly open = computed(
    () => this.all.value()?.find(({ id }) => id === this.openId()) ?? this.all.value()?.[0] ?? null,
  );
  protected readonly draft = signal<Draft | null>(null);
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);
  protected readonly tensions = TENSIONS.map((value) => ({ value, label: TENSION_WORDS[value] }));
  protected readonly form = new SchemaForm(
    protocolSaveSchema,
    {
      name: line(),
      school: line(),
      prepare: line(),
      cautions: line(),
      steps: new FormControl<ProtocolSave['steps']>([], { nonNullable: true }),
      waist: new FormControl<WaistPlace | null>(null),
      girths: new FormControl<Tension | null>(null),
      wishes: new FormControl<readonly WishCode[]>([], { nonNullable: true }),
    },
    (value) => ({
      ...value,
      prepare: linesOf(value.prepare),
      cautions: linesOf(value.cautions),
      waist: value.waist ?? undefined,
      girths: value.girths ?? undefined,
      wishes: value.wishes.length === 0 ? undefined : value.wishes,
      version: this.draft()?.version ?? 0,
    }),
  );
  protected readonly steps = toSignal(this.form.group.controls.steps.valueChanges, {
    initialValue: [] as ProtocolSave['steps'],
  });
  private readonly girths = toSignal(this.form.group.controls.girths.valueChanges, { initialValue: null });
  protected readonly waists = WAIST_PLACES.map((value) => ({ value, label: WAIST_WORDS[value] }));
  protected readonly wishes = WISHES.map(({ code, name }) => ({ value: code, label: name }));
  protected readonly chains = Object.values(CHAINS).map(({ code, name, from }) => ({
    value: code,
    label: `${name}, from ${from}`,
  }));
  /** What may still be added to the draft. */
  protected readonly addable = computed(() =>
    CATALOGUE.filter(({ code }) => !this.steps().some((step) => step.code === code)),
  );

  protected name(code: MeasurementCode): string {
    return measurement(code).name;
  }

  protected tensionOf(step: Protocol['steps'][number]): Tension {
    return tensionIn({ girths: this.girths() ?? undefined }, step);
  }

  /** How the tape lies; of what is taken without one, what it is taken with. */
  protected tensionWords(step: Protocol['steps'][number]): string {
    if (this.isTaped(step.code)) return TENSION_WORDS[this.tensionOf(step)];
    return measurement(step.code)
      .instruments.map((one) => INSTRUMENT_WORDS[one])
      .join(' or ');
  }

  protected isTaped(code: MeasurementCode): boolean {
    return measurement(code).instruments.includes('tape');
  }

  protected show(protocol: Protocol): void {
    this.openId.set(protocol.id);
    this.draft.set(null);
    this.trouble.set('');
  }

  /** Edits one's own protocol, or starts a copy of a shipped one. */
  protected edit({ shipped, ...protocol }: Protocol): void {
    const draft = shipped
      ? { ...protocol, id: uuidv7(), version: 0, name: `${protocol.name}, house version` }
      : protocol;
    this.draft.set(draft);
    this.form.group.reset({
      name: draft.name,
      school: draft.school,
      prepare: draft.prepare.join('\n'),
      cautions: draft.cautions.join('\n'),
      steps: draft.steps,
      waist: draft.waist ?? null,
      girths: draft.girths ?? null,
      wishes: draft.wishes ?? [],
    });
  }

  /** What is wrong with a field, and in which of its lines. */
  protected faultOf(field: string): string {
    const found = Object.entries(this.form.faults()).find(([path]) => path.split('.')[0] === field);
    if (found === undefined) return '';
    const [path, words] = found;
    const at = path.split('.')[1];
    return at === undefined || field === 'steps' ? words : `Line ${Number(at) + 1}: ${words}`;
  }

  protected add(code: MeasurementCode): void {
    this.setSteps([...this.steps(), { code }]);
  }

  /** All marks of a chain, those that stand there already among them: its tape is laid once. */
  protected addChain(chain: ChainCode): void {
    const missing = CHAINS[chain].marks.filter(({ code }) =>
      this.steps().every((step) => step.code !== code),
    );
    this.setSteps([...this.steps(), ...missing.map(({ code }) => ({ code }))]);
  }

  protected remove(code: MeasurementCode): void {
    this.setSteps(this.steps().filter((step) => step.code !== code));
  }

  protected setTension(code: MeasurementCode, tension: Tension): void {
    this.setSteps(this.steps().map((step) => (step.code === code ? { ...step, tension } : step)));
  }

  private setSteps(steps: ProtocolSave['steps']): void {
    this.form.group.controls.steps.setValue(steps);
  }

  protected save(): void {
    const draft = this.draft();
    if (draft === null || this.busy()) return;
    const read = this.form.read();
    if (read === null) return;
    this.busy.set(true);
    this.trouble.set('');
    this.protocols
      .save(draft.id, read)
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (saved) => {
          this.all.value.update((all) => [...(all ?? []).filter(({ id }) => id !== saved.id), saved]);
          this.show(saved);
        },
        error: (problem: Error) => this.trouble.set(problem.message),
      });
  }
}

/** One line each, as they are typed; empty ones are none. */
function linesOf(text: string): string[] {
  return text.split('\n').filter((one) => one.trim() !== '');
}
