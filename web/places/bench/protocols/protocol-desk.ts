import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { protocolSaveSchema, type Protocol, type ProtocolSave } from '@neat-measure/contract';
import {
  CATALOGUE,
  INSTRUMENT_WORDS,
  measurement,
  TENSION_WORDS,
  TENSIONS,
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

/** What is being edited: a protocol of one's own, or a copy of a shipped one that is not saved yet. */
interface Draft extends ProtocolSave {
  readonly id: string;
}

/** The protocols: how each purpose is measured. A shipped one is copied to be changed; one's own are edited. */
@Component({
  selector: 'nm-protocol-desk',
  imports: [
    ControlName,
    ProtocolView,
    FormsModule,
    NzInputModule,
    NzSelectModule,
    RouterLink,
    NzButtonModule,
  ],
  templateUrl: './protocol-desk.html',
  styles: `
    form {
      display: flex;
      flex-direction: column;
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

  protected readonly all = signal<readonly Protocol[]>([]);
  private readonly openId = signal<string | null>(null);
  protected readonly open = computed(
    () => this.all().find(({ id }) => id === this.openId()) ?? this.all()[0] ?? null,
  );
  protected readonly draft = signal<Draft | null>(null);
  protected readonly faults = signal<readonly string[]>([]);
  protected readonly busy = signal(false);
  protected readonly tensions = TENSIONS.map((value) => ({ value, label: TENSION_WORDS[value] }));
  /** What may still be added to the draft. */
  protected readonly addable = computed(() =>
    CATALOGUE.filter(({ code }) => !this.draft()?.steps.some((step) => step.code === code)),
  );

  constructor() {
    this.protocols.list().subscribe({
      next: (all) => this.all.set(all),
      error: (problem: Error) => this.faults.set([problem.message]),
    });
  }

  protected name(code: MeasurementCode): string {
    return measurement(code).name;
  }

  protected tensionOf(step: Protocol['steps'][number]): Tension {
    return step.tension ?? measurement(step.code).tension;
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
    this.faults.set([]);
  }

  /** Edits one's own protocol, or starts a copy of a shipped one. */
  protected edit({ shipped, ...protocol }: Protocol): void {
    this.draft.set(
      shipped ? { ...protocol, id: uuidv7(), version: 0, name: `${protocol.name}, our way` } : protocol,
    );
  }

  protected change(changes: Partial<ProtocolSave>): void {
    this.draft.update((draft) => draft && { ...draft, ...changes });
  }

  /** One line each, as they are typed. */
  protected lines(text: string): string[] {
    return text.split('\n').filter((line) => line.trim() !== '');
  }

  protected add(code: MeasurementCode): void {
    this.change({ steps: [...(this.draft()?.steps ?? []), { code }] });
  }

  protected remove(code: MeasurementCode): void {
    this.change({ steps: (this.draft()?.steps ?? []).filter((step) => step.code !== code) });
  }

  protected setTension(code: MeasurementCode, tension: Tension): void {
    this.change({
      steps: (this.draft()?.steps ?? []).map((step) => (step.code === code ? { ...step, tension } : step)),
    });
  }

  protected save(): void {
    const draft = this.draft();
    if (draft === null || this.busy()) return;
    const read = protocolSaveSchema.safeParse(draft);
    if (!read.success)
      return this.faults.set(
        read.error.issues.map((issue) => FAULTS[String(issue.path[0])] ?? issue.message),
      );
    this.busy.set(true);
    this.faults.set([]);
    this.protocols
      .save(draft.id, read.data)
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (saved) => {
          this.all.update((all) => [...all.filter(({ id }) => id !== saved.id), saved]);
          this.show(saved);
        },
        error: (problem: Error) => this.faults.set([problem.message]),
      });
  }
}

const FAULTS: Readonly<Record<string, string>> = {
  name: 'Give the protocol a name of at most 80 letters.',
  school: 'Say which way it follows in at most 300 letters.',
  prepare: 'At most twelve lines of preparation, each of at most 200 letters.',
  cautions: 'At most six cautions, each of at most 300 letters.',
  steps: 'Put at least one measurement into it.',
};
