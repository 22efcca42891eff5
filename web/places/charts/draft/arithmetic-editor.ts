import { moveItemInArray, DragDropModule, type CdkDragDrop } from '@angular/cdk/drag-drop';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  bareUnit,
  CATALOGUE,
  compiled,
  expectedValue,
  formatLength,
  formatNumber,
  judge,
  measurement,
  readReading,
  sayDerivedLine,
  type ChartSheet,
  type Derivation,
  type DerivationStep,
  type MeasurementCode,
  type WorkingUnit,
} from '@neat-measure/core';
import { faultsOfSheet } from '@neat-measure/core/sheets';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import {
  asKind,
  chainsOf,
  codeFor,
  derivationsOf,
  nameFor,
  nextId,
  STEP_FORMS,
  type ChainText,
  type StepText,
} from './arithmetic-text';
import { ControlName } from '../../../parts/forms/control-name';
import { UnitService } from '../../../data/unit-service';

/** The maker's arithmetic on forms: chains of steps that one adds, moves and sees worked through with an example. */
@Component({
  selector: 'nm-arithmetic-editor',
  imports: [ControlName, DragDropModule, FormsModule, NzButtonModule, NzInputModule, NzSelectModule],
  templateUrl: './arithmetic-editor.html',
  styleUrl: './arithmetic-editor.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ArithmeticEditor {
  readonly sheet = input.required<ChartSheet>();
  readonly unit = input.required<WorkingUnit>();
  readonly changed = output<Pick<ChartSheet, 'derivations'>>();
  /** Whether all that is typed can be read; until it can, the chart keeps the arithmetic it had. */
  readonly readable = output<boolean>();

  private readonly units = inject(UnitService);
  protected readonly forms = STEP_FORMS;
  protected readonly kinds = (Object.keys(STEP_FORMS) as DerivationStep['do'][]).map((value) => ({
    value,
    label: STEP_FORMS[value].words,
  }));

  /** Follows the chart from outside, and is otherwise what is typed. */
  protected readonly chains = linkedSignal<readonly Derivation[], readonly ChainText[]>({
    source: () => this.sheet().derivations,
    computation: (derivations, before) => {
      const made = before === undefined ? null : derivationsOf(before.value);
      const same = made?.ok === true && JSON.stringify(made.value) === JSON.stringify(derivations);
      return same ? before!.value : chainsOf(derivations);
    },
  });
  private readonly made = computed(() => derivationsOf(this.chains()));

  constructor() {
    effect(() => this.readable.emit(this.made().ok));
  }

  /** What the example's values are typed as; an expected body where nothing is. */
  private readonly typed = signal<ReadonlyMap<MeasurementCode, string>>(new Map());
  /** The measurements the chains ask for. */
  private readonly asked = computed(() => {
    const made = this.made();
    const operands = (made.ok ? made.value : this.sheet().derivations).flatMap(({ steps }) =>
      chainsOf([{ code: 'derived:x', name: '', steps }]).flatMap((chain) =>
        chain.steps.flatMap((step) => Object.values(step.operands).flat()),
      ),
    );
    return CATALOGUE.filter(({ code }) => operands.includes(code)).map(({ code }) => code);
  });
  protected readonly examples = computed(() =>
    this.asked().map((code) => {
      const unit = bareUnit(code, this.unit());
      const expected = formatNumber(expectedValue(new Map(), code), this.units.written(unit));
      return { code, name: measurement(code).name, unit, text: this.typed().get(code) ?? expected };
    }),
  );

  /** The example worked through, as the maker's sheet tells it; nothing while the chart does not hold together. */
  private readonly outcome = computed(() => {
    const made = this.made();
    if (!made.ok) return [];
    const sheet = { ...this.sheet(), derivations: made.value };
    if (faultsOfSheet(sheet).length > 0) return [];
    const body = this.examples().flatMap(({ code, unit, text }) => {
      const read = readReading(text, code, unit);
      return read.ok ? [[code, { value: read.value.length }] as const] : [];
    });
    return judge(compiled(sheet), new Map(body)).derived;
  });
  protected readonly worked = computed(() => {
    const derived = this.outcome();
    const nameOf = (code: string) => derived.find((one) => one.code === code)?.name ?? code;
    const [maker, reader] = [this.sheet().unit, this.unit()].map((unit) => this.units.written(unit));
    const words = { maker: maker!, reader: reader!, nameOf };
    return new Map<string, string[]>(
      derived.map(({ code, lines }) => [code, lines.map((line) => sayDerivedLine(line, words))]),
    );
  });
  protected readonly results = computed(
    () =>
      new Map<string, string>(
        this.outcome().map(({ code, result }) => [
          code,
          result === null
            ? 'has no result here'
            : `= ${formatLength(result, this.units.written(this.unit()))}`,
        ]),
      ),
  );

  protected faultAt(chain: number, step: number): string {
    const made = this.made();
    return !made.ok && made.problem.chain === chain && made.problem.step === step ? made.problem.words : '';
  }

  /** What goes by a chain, so that it cannot be taken out; nothing where nothing does. */
  protected usedBy(code: string): string {
    const column = this.sheet().parts.some(({ columns }) => columns.some((one) => one.code === code));
    const chain = this.chains().some((one) =>
      one.steps.some((step) => Object.values(step.operands).flat().includes(code)),
    );
    return column ? 'The table uses this chain.' : chain ? 'Another chain uses this chain.' : '';
  }

  /** What a step may work on: what is measured, earlier steps, earlier chains, and sizes that measure something. */
  protected operandsFor(chain: number, step: number): { readonly label: string; readonly value: string }[] {
    const chains = this.chains();
    return [
      ...chains[chain]!.steps.slice(0, step).map(({ as }) => ({ label: `step “${as}”`, value: as })),
      ...chains.slice(0, chain).map(({ name, code }) => ({ label: name, value: code })),
      ...this.sheet()
        .parts.filter(({ values }) => values !== null)
        .map(({ name, code }) => ({
          label: `what the ${name.toLowerCase()} measures`,
          value: `size-of:${code}`,
        })),
      ...this.sheet().choices.map(({ name, code }) => ({
        label: `the ${name.toLowerCase()} chosen`,
        value: `choice:${code}`,
      })),
      ...MEASURED,
    ];
  }

  protected example(code: MeasurementCode, text: string): void {
    this.typed.update((typed) => new Map(typed).set(code, text));
  }

  protected rename(chain: number, name: string): void {
    this.set(this.chains().map((one, at) => (at === chain ? { ...one, name: name.trim() } : one)));
  }

  protected turn(chain: number, step: number, kind: DerivationStep['do']): void {
    this.setStep(chain, step, (one) => asKind(one, kind));
  }

  protected operand(chain: number, step: number, key: string, value: readonly string[]): void {
    const operands = value.map((one) => one.trim()).filter((one) => one !== '');
    this.setStep(chain, step, (one) => ({ ...one, operands: { ...one.operands, [key]: operands } }));
  }

  protected word(chain: number, step: number, key: string, value: string): void {
    this.setStep(chain, step, (one) => ({ ...one, words: { ...one.words, [key]: value } }));
  }

  protected move(chain: number, { previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.setSteps(chain, (steps) => {
      const moved = [...steps];
      moveItemInArray(moved, previousIndex, currentIndex);
      return moved;
    });
  }

  protected shift(chain: number, step: number, by: number): void {
    this.move(chain, { previousIndex: step, currentIndex: step + by } as CdkDragDrop<unknown>);
  }

  protected addStep(chain: number): void {
    this.setSteps(chain, (steps) => {
      const before = steps.at(-1);
      const as = nameFor(
        'step',
        steps.map((one) => one.as),
      );
      const blank: StepText = { id: nextId(), do: 'add', as, operands: {}, words: {} };
      const first = before === undefined ? [] : [before.as];
      return [...steps, { ...blank, operands: { of: first } }];
    });
  }

  protected dropStep(chain: number, step: number): void {
    this.setSteps(chain, (steps) => steps.filter((_, at) => at !== step));
  }

  protected addChain(): void {
    const chains = this.chains();
    const code = codeFor(
      `chain ${chains.length + 1}`,
      chains.map((one) => one.code),
    );
    const step: StepText = { id: nextId(), do: 'reading', as: 'step', operands: { of: [] }, words: {} };
    this.set([...chains, { id: nextId(), code, name: '', steps: [step] }]);
  }

  protected drop(chain: number): void {
    this.set(this.chains().filter((_, at) => at !== chain));
  }

  private setStep(chain: number, step: number, change: (one: StepText) => StepText): void {
    this.setSteps(chain, (steps) => steps.map((one, at) => (at === step ? change(one) : one)));
  }

  private setSteps(chain: number, change: (steps: readonly StepText[]) => readonly StepText[]): void {
    this.set(this.chains().map((one, at) => (at === chain ? { ...one, steps: change(one.steps) } : one)));
  }

  private set(chains: readonly ChainText[]): void {
    this.chains.set(chains);
    const made = derivationsOf(chains);
    if (made.ok) this.changed.emit({ derivations: made.value });
  }
}

const MEASURED = CATALOGUE.filter(({ kind }) => kind !== 'mass')
  .map(({ code, name }): { label: string; value: string } => ({ label: name, value: code }))
  .sort((a, b) => a.label.localeCompare(b.label));
