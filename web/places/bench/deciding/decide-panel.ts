import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  model,
  output,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Chart } from '@neat-measure/contract';
import {
  acceptable,
  codesBehind,
  decidingPart,
  garmentKind,
  sayVestRemark,
  vestRemarks,
  FIT_PREFERENCES,
  garmentOn,
  HOUSE_RULES,
  houseRuleFor,
  isClosing,
  madeToMeasureNeeds,
  PREFERENCE_WORDS,
  RULE_WORDS,
  sayNeeds,
  sayOtherwiseSized,
  saySuspicion,
  sizedAsItRuns,
  VERDICT_WORDS,
  type FitPreference,
  type HouseRule,
  type JudgedGarment,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Term } from '../../../parts/term/term';
import { VerdictAccount } from '../../../parts/verdict-account/verdict-account';
import { VerdictGlyph } from '../../../parts/verdict-glyph/verdict-glyph';
import { UnitService } from '../../../data/unit-service';
import { DocketStore } from '../docket-store';
import { notOnButton, type KeyCommand } from '../../../parts/shortcuts/keys';
import { OnShelfLine } from '../shelves/on-shelf-line';
import { CursorStore } from '../measuring/cursor-store';
import { DecidingStore, type DecisionChoice } from './deciding-store';
import { SizeChoice, type ChosenSizes } from './size-choice';

const OUTCOME_WORDS = {
  accepted: 'Accepted',
  overridden: 'Another size chosen',
  'made-to-measure': 'Made to measure',
  later: 'Postponed until the wearer returns',
} as const;

/** Deciding one garment: the verdict at its largest, the proposal to accept, or what is done instead. */
@Component({
  selector: 'nm-decide-panel',
  imports: [
    Term,
    FormsModule,
    NzButtonModule,
    NzSelectModule,
    OnShelfLine,
    SizeChoice,
    VerdictAccount,
    VerdictGlyph,
  ],
  templateUrl: './decide-panel.html',
  styleUrl: './decide-panel.less',
  // Hidden from the first moment it is made, before anything is bound.
  host: { class: 'stack', hidden: '', '[hidden]': '!shown()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DecidePanel {
  protected readonly store = inject(DocketStore);
  protected readonly desk = inject(DecidingStore);
  protected readonly cursor = inject(CursorStore);
  protected readonly units = inject(UnitService);
  /** Whether it can be seen: it is drawn before it is, and takes no key until it has heard so. */
  readonly shown = input(false);
  readonly garment = input.required<JudgedGarment<Chart>>();
  readonly count = input.required<number>();
  readonly at = model.required<number>();
  readonly decided = output<void>();
  /** What was decided is tried on. */
  readonly tries = output<void>();
  readonly leave = output<void>();

  /** What the choice of another size starts from, while one is being chosen. */
  protected readonly choosing = signal<Readonly<Record<string, string>> | null>(null);

  /** Whether the rule and the fit of this garment are being chosen. */
  protected readonly ruling = signal(false);

  /** A label of more letters stands above and is not said again on the act that takes it. */
  protected readonly LONG = 8;
  protected readonly sheet = computed(() => this.garment().chart.sheet);
  protected readonly verdict = computed(() => this.garment().verdict);
  protected readonly word = computed(() => VERDICT_WORDS[this.verdict().verdict]);
  /** What one key accepts. */
  protected readonly acceptable = computed(() => acceptable(this.verdict()));
  protected readonly flagged = computed(() => ['beyond', 'not-made'].includes(this.verdict().verdict));
  /** The decision that stands, in words; one put off leaves the garment open. */
  protected readonly standing = computed(() => {
    const { decision } = this.garment();
    if (decision === null) return null;
    const size = decision.size === null ? '' : `: ${decision.size}`;
    return {
      words: `${OUTCOME_WORDS[decision.outcome]}${size}.`,
      reason: decision.reason,
      by: decision.by.name,
    };
  });
  /** The size that was decided, or else is proposed. */
  protected readonly label = computed(() => this.garment().decision?.size ?? this.acceptable());
  /** What is to be told of a vest besides its verdict. */
  protected readonly remarks = computed(() =>
    vestRemarks(this.sheet(), this.verdict(), this.store.values()).map((one) =>
      sayVestRemark(one, this.units.shown()),
    ),
  );
  /** What the maker has to be told where no size goes. */
  protected readonly needs = computed(() =>
    sayNeeds(madeToMeasureNeeds(this.sheet(), this.store.values()), this.units.shown()),
  );
  /** Why a garment is suspect: the checks that its measurements failed. */
  protected readonly doubts = computed(() => {
    if (this.verdict().verdict !== 'suspect') return [];
    const codes = codesBehind(this.sheet());
    return this.store
      .suspicions()
      .filter(
        ({ weight, measurements }) => weight === 'ask' && measurements.some((one) => codes.includes(one)),
      )
      .map((suspicion) => saySuspicion(suspicion, this.units.shown()));
  });
  /** What the garment would be by how its chart runs; said, and never more than that. */
  protected readonly otherwise = computed(() => {
    const docket = this.store.docket();
    const { chart } = this.garment();
    const own = this.store.runs().find(({ chartId }) => chartId === chart.id);
    if (docket === null || own === undefined || !this.shown()) return '';
    const sized = sizedAsItRuns(docket, chart, this.store.library().habits, own.runs);
    return sized === null ? '' : sayOtherwiseSized(sized);
  });
  protected readonly closed = computed(() => isClosing(this.garment().decision));
  protected readonly allClosed = computed(() =>
    this.store.garments().every(({ decision }) => isClosing(decision)),
  );
  /** What is different now from what the decision rests on. */
  protected readonly difference = computed(() => {
    const { decision, verdict } = this.garment();
    if (decision === null || !isClosing(decision) || decision.verdict.proposed === verdict.proposed)
      return '';
    const was = decision.verdict.proposed ?? 'no size';
    return `Decided when the proposal was ${was}, which is now ${verdict.proposed ?? 'no size'}.`;
  });

  protected readonly rules = computed(() => [
    { value: '', label: this.usualRule() },
    ...HOUSE_RULES.map((value) => ({ value, label: RULE_WORDS[value] })),
  ]);
  protected readonly preferences = computed(() => [
    { value: '', label: `${this.docketPreference()} (docket)` },
    ...FIT_PREFERENCES.map((value) => ({ value, label: PREFERENCE_WORDS[value] })),
  ]);

  /** What holds unless another rule is chosen for this garment. */
  private readonly usualRule = computed(() => {
    const house = houseRuleFor(this.store.library().habits, this.sheet());
    return house === undefined ? `${RULE_WORDS[this.sheet().rule]} (chart)` : `${RULE_WORDS[house]} (house)`;
  });
  private readonly docketPreference = computed(
    () => PREFERENCE_WORDS[this.store.docket()?.preference ?? 'regular'],
  );

  /** By what the garment is decided, in few words. */
  protected readonly ruledBy = computed(() => {
    const rule = this.own()?.rule ?? '';
    const preference = this.own()?.preference ?? this.store.docket()?.preference ?? 'regular';
    return `${rule === '' ? this.usualRule() : RULE_WORDS[rule]}, ${PREFERENCE_WORDS[preference]}`;
  });

  constructor() {
    // Another garment, not another reading of the same one, ends the choosing; so does
    // going back to the tape.
    const chartId = computed(() => this.garment().chart.id);
    effect(() => {
      chartId();
      this.shown();
      untracked(() => {
        this.choosing.set(null);
        this.ruling.set(false);
      });
    });
  }

  /** What stands in the place of the chart's rule and the docket's fit for this garment. */
  protected readonly own = computed(() => {
    const docket = this.store.docket();
    return docket === null ? undefined : garmentOn(docket, this.garment().chart.id);
  });

  /** The keys of deciding; while another size is chosen, that choice has its own. */
  readonly commands: readonly KeyCommand[] = (
    [
      {
        keys: ['Enter'],
        does: 'accept the proposal; with all decided, the next wearer',
        when: notOnButton,
        run: () => this.enter(),
      },
      {
        keys: ['a'],
        does: 'accept every garment that is settled',
        when: () => this.desk.settled().length > 0,
        run: () => this.acceptSettled(),
      },
      {
        keys: ['u'],
        does: 'undo accepting together',
        when: () => this.desk.undoable().length > 0,
        run: () => this.desk.undo(),
      },
      {
        keys: ['h'],
        does: 'another rule or fit for this garment',
        run: () => this.ruling.update((shown) => !shown),
      },
      { keys: ['o'], does: 'another size', run: () => this.choose(this.instead()) },
      {
        keys: ['ArrowUp', 'ArrowDown'],
        does: 'the size above or below',
        run: (key) => this.choose(this.neighbour(key === 'ArrowUp' ? 1 : -1)),
      },
      { keys: ['m'], does: 'made to measure', run: () => this.makeToMeasure() },
      { keys: ['l'], does: 'later', run: () => this.putOff() },
      {
        keys: ['ArrowLeft', 'ArrowRight'],
        does: 'the garment before or after',
        run: (key) => this.move(key === 'ArrowRight' ? 1 : -1),
      },
    ] satisfies KeyCommand[]
  )
    .map(
      (command: KeyCommand): KeyCommand => ({
        ...command,
        when: (key, event) => this.choosing() === null && (command.when?.(key, event) ?? true),
      }),
    )
    .concat({
      keys: ['Escape'],
      does: 'choosing another size: back to the proposal',
      when: () => this.choosing() !== null,
      run: () => this.choosing.set(null),
    });

  private enter(): void {
    if (this.allClosed()) this.leave.emit();
    else this.accept();
  }

  protected accept(): void {
    if (this.acceptable() !== null) this.decide({ outcome: 'accepted', sizes: this.verdict().sizes });
  }

  private decide(choice: DecisionChoice): void {
    if (this.desk.decide(this.garment(), choice)) this.decided.emit();
  }

  /** Accepts everything that is settled, and goes to the next garment that is not. */
  protected acceptSettled(): void {
    this.desk.acceptSettled();
    this.decided.emit();
  }

  protected choose(start: Readonly<Record<string, string>>): void {
    this.choosing.set(start);
  }

  protected override({ sizes, reason }: ChosenSizes): void {
    this.choosing.set(null);
    this.decide({ outcome: 'overridden', sizes, reason });
  }

  protected makeToMeasure(): void {
    this.decide({ outcome: 'made-to-measure' });
  }

  protected putOff(): void {
    this.decide({ outcome: 'later' });
  }

  /** Chooses what the chart leaves to be chosen; the verdict follows. */
  protected chooseWay(choice: string, label: string): void {
    this.store.does({ kind: 'choice-made', chartId: this.garment().chart.id, choice, label });
  }

  protected setRule(rule: string): void {
    this.overrule({ rule: rule === '' ? null : (rule as HouseRule) });
  }

  protected setPreference(preference: string): void {
    this.overrule({ preference: preference === '' ? null : (preference as FitPreference) });
  }

  /** Puts a rule or preference in the place of the chart's and the docket's, for this garment. */
  private overrule(by: {
    readonly rule?: HouseRule | null;
    readonly preference?: FitPreference | null;
  }): void {
    const { rule = null, preference = null } = this.own() ?? {};
    const chartId = this.garment().chart.id;
    this.store.does({ kind: 'rule-overruled', chartId, rule, preference, ...by });
  }

  /**
   * The proposal with the deciding part changed to its first alternate; of what protects, to the next that
   * covers more. Where the proposal itself is not to be accepted it is the likeliest.
   */
  protected instead(): Readonly<Record<string, string>> {
    if (this.acceptable() === null && this.verdict().proposed !== null) return this.verdict().sizes;
    const { part, alternates } = decidingPart(this.verdict());
    const { sizes } = this.sheet().parts.find(({ code }) => code === part)!;
    const proposed = sizes.indexOf(this.verdict().sizes[part] ?? '');
    // Of what protects the size that covers comes first, whatever is likelier.
    const covering = garmentKind(this.sheet().kind).protects
      ? alternates.find((size) => sizes.indexOf(size) > proposed)
      : undefined;
    const other = covering ?? alternates[0];
    return other === undefined ? this.verdict().sizes : { ...this.verdict().sizes, [part]: other };
  }

  /** The proposal one size up or down in the part that decides. */
  protected neighbour(by: 1 | -1): Readonly<Record<string, string>> {
    const { part, alternates } = decidingPart(this.verdict());
    const { sizes } = this.sheet().parts.find(({ code }) => code === part)!;
    const from = this.verdict().sizes[part] ?? alternates[0];
    const next = from === undefined ? undefined : sizes[sizes.indexOf(from) + by];
    return next === undefined ? this.verdict().sizes : { ...this.verdict().sizes, [part]: next };
  }

  protected move(by: number): void {
    this.at.set((this.at() + by + this.count()) % this.count());
  }
}
