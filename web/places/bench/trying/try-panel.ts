import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  effect,
  inject,
  Injector,
  output,
  linkedSignal,
  viewChild,
} from '@angular/core';
import { garmentKind, labelOf, RIGHT, sayWay, type Way } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { UnitService } from '../../../data/unit-service';
import { FitPicture } from '../../../parts/fit-picture/fit-picture';
import { notOnButton, type KeyCommand } from '../../../parts/shortcuts/keys';
import { SizeChoice, type ChosenSizes } from '../deciding/size-choice';
import { DocketStore } from '../docket-store';
import { AlterationRows } from './alteration-rows';
import { TryingAccount } from './trying-account';
import { OnShelfLine } from '../shelves/on-shelf-line';
import { NotThere } from './not-there';
import { TryingStore } from './trying-store';

/** What is asked in words before something is done. */
type Asking = 'leave-out' | 'keep' | 'made-to-measure';

/** Trying a garment on: a size is put on, looked at check by check, and kept, altered, or changed for another. */
@Component({
  selector: 'nm-try-panel',
  imports: [NzButtonModule, NzInputModule, FitPicture, NotThere, OnShelfLine, SizeChoice, AlterationRows],
  templateUrl: './try-panel.html',
  // The same head, account and foot as deciding has: what is on is the largest thing here.
  styleUrl: '../deciding/decide-panel.less',
  styles: `
    .answers {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(108px, 1fr));
      gap: 10px;
      margin-top: 10px;
    }
    .answer {
      display: flex;
      flex-direction: column;
      gap: 10px;
      min-height: var(--target);
      padding: 10px;
      color: inherit;
      font: inherit;
      text-align: left;
      cursor: pointer;
      &[aria-pressed='true'] {
        border-color: var(--green);
        background: var(--green-wash);
      }
      &:hover {
        border-color: var(--ink);
      }
      kbd {
        margin-right: 6px;
      }
      small {
        display: block;
        margin-top: 2px;
      }
    }
    .right {
      border-width: 2px;
      border-color: var(--green);
    }
    nm-fit-picture {
      height: 210px;
    }
    .sign {
      width: 22px;
      color: var(--ink);
      font: 700 18px/1 var(--figures);
      &[data-state='open'] {
        color: var(--soft);
      }
    }
    .seen .pick {
      flex-wrap: wrap;
    }
  `,
  providers: [TryingAccount],
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TryPanel {
  protected readonly store = inject(DocketStore);
  protected readonly trying = inject(TryingStore);
  protected readonly account = inject(TryingAccount);
  protected readonly units = inject(UnitService);
  /** Nothing is left to be tried on: what was kept is handed over. */
  readonly hands = output<void>();

  protected readonly sheet = computed(() => this.trying.sheet()!);
  protected readonly count = computed(() => this.store.garments().length);
  protected readonly protective = computed(() => garmentKind(this.sheet().kind).protects);
  protected readonly caution = computed(() => garmentKind(this.sheet().kind).caution ?? '');

  /** What the middle shows: nothing to try, a size to put on, a check to look at, or what follows. */
  protected readonly mode = computed<'none' | 'put-on' | 'look' | 'next'>(() => {
    const stage = this.trying.stage();
    if (this.trying.on() === null) return stage === 'to-try' || this.proposed() !== null ? 'put-on' : 'none';
    return this.trying.check() === null ? 'next' : 'look';
  });
  /** The label to put on first; `null` where no size was decided or proposed. */
  protected readonly proposed = computed(() => labelOf(this.sheet(), this.trying.first()));
  protected readonly size = computed(() => this.trying.on()?.size ?? this.proposed() ?? '–');

  protected readonly standing = computed(() => {
    const fitting = this.trying.fitting();
    if (fitting === null) return null;
    const words = fitting.outcome === 'kept' ? `Kept: ${fitting.size}.` : 'Made to measure.';
    return { words, reason: fitting.reason, by: fitting.by.name };
  });
  /** Whether nothing of the docket is left to be tried on. */
  protected readonly allTried = computed(() => this.trying.allTried());

  /** Where the work stands: whatever was begun of one garment, size or check ends with it. */
  private readonly where = computed(
    () => `${this.trying.at()} ${this.trying.on()?.id ?? ''} ${this.trying.check()?.code ?? ''}`,
  );
  /** What is being asked in words, and what was typed of it. */
  protected readonly asking = linkedSignal<string, Asking | null>({
    source: this.where,
    computation: () => null,
  });
  protected readonly words = linkedSignal({ source: this.where, computation: () => '' });
  protected readonly fault = linkedSignal({ source: this.where, computation: () => '' });
  /** Whether another size is being chosen. */
  protected readonly choosing = linkedSignal({ source: this.where, computation: () => false });
  protected readonly carrier = linkedSignal({ source: () => this.trying.at(), computation: () => '' });
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('field');
  private readonly rows = viewChild(AlterationRows);

  constructor() {
    effect(() => this.field()?.nativeElement.focus());
  }

  private rest(): void {
    this.asking.set(null);
    this.choosing.set(false);
    this.words.set('');
    this.fault.set('');
  }

  /** The keys of trying on; while something is asked in words, or another size is chosen, there are none but Escape. */
  private readonly injector = inject(Injector);

  /** Goes to what is altered; where it is asked for before it is drawn, once it is. */
  protected alter(): void {
    const rows = this.rows();
    if (rows !== undefined) rows.focus();
    else afterNextRender(() => this.rows()?.focus(), { injector: this.injector });
  }

  readonly commands: readonly KeyCommand[] = (
    [
      {
        keys: ['Enter'],
        does: 'put it on; it is right; what is proposed next',
        when: notOnButton,
        run: () => this.enter(),
      },
      {
        keys: ['1', '2', '3', '4', '5', '6'],
        shown: ['1–6'],
        does: 'what is wrong',
        when: (key) => this.mode() === 'look' && this.account.look()!.answers[Number(key) - 1] !== undefined,
        run: (key) => this.answer(this.account.look()!.answers[Number(key) - 1]!.code),
      },
      {
        keys: ['x'],
        does: 'skip this check',
        when: () => this.mode() === 'look',
        run: () => this.leaveOut(),
      },
      {
        keys: ['a'],
        does: 'all other checks are right',
        when: () => this.mode() === 'look',
        run: () => this.trying.restIsRight(),
      },
      {
        keys: ['ArrowUp', 'ArrowDown'],
        does: 'the check before or after',
        when: () => this.mode() === 'look' || (this.mode() === 'next' && this.trying.fitting() === null),
        run: (key) => this.trying.go(key === 'ArrowDown' ? 1 : -1),
      },
      {
        keys: ['o'],
        does: 'another size',
        when: () => this.mode() !== 'none',
        run: () => this.choosing.set(true),
      },
      {
        keys: ['y'],
        does: 'use a size that is not in stock',
        when: () => this.trying.missing() !== null,
        run: () => this.trying.isHere(),
      },
      {
        keys: ['k'],
        does: 'keep the size that is on',
        when: () => this.mode() === 'next' && this.trying.fitting() === null,
        run: () => this.keep(),
      },
      {
        keys: ['w'],
        does: 'what is altered',
        when: () => this.mode() === 'next' && this.trying.fitting() === null,
        run: () => this.alter(),
      },
      {
        keys: ['m'],
        does: 'made to measure',
        when: () => this.mode() === 'next' && this.trying.fitting() === null,
        run: () => this.ask('made-to-measure'),
      },
      {
        keys: ['e'],
        does: 'reopen the fitting',
        when: () => this.trying.fitting() !== null,
        run: () => this.trying.reopen(),
      },
      {
        keys: ['ArrowLeft', 'ArrowRight'],
        does: 'the garment before or after',
        run: (key) => this.trying.move(key === 'ArrowRight' ? 1 : -1),
      },
    ] satisfies KeyCommand[]
  )
    .map(
      (command: KeyCommand): KeyCommand => ({
        ...command,
        when: (key, event) =>
          this.asking() === null && !this.choosing() && (command.when?.(key, event) ?? true),
      }),
    )
    .concat({
      keys: ['Escape'],
      does: 'choosing or writing: back',
      when: () => this.asking() !== null || this.choosing(),
      run: () => this.rest(),
    });

  protected enter(): void {
    switch (this.mode()) {
      case 'none':
        return this.onward();
      case 'put-on':
        return this.putOn();
      case 'look':
        return this.answer(RIGHT);
      case 'next': {
        if (this.trying.fitting() !== null) return this.onward();
        const next = this.account.advice()?.next ?? null;
        if (next !== null) this.trying.wear(next.sizes, this.trying.on()!.carrier);
        else if (this.mends()) this.alter();
        // A size that is not right is kept by nobody's Enter: what is done is chosen.
        else if (!this.trying.needsReason()) this.keep();
        else
          this.store.trouble.set(
            `${this.size()} is not right. Choose: K keeps it with a reason, O is another size, M made to measure.`,
          );
      }
    }
  }

  /** Whether what is not right is mended by what is altered first, which is not noted yet. */
  protected readonly mends = computed(() => {
    const advice = this.trying.advice();
    return advice?.next === null && advice.ways[0]?.does === 'alter' && this.trying.needsReason();
  });

  protected putOn(): void {
    this.trying.wear(this.trying.first(), this.wornIn());
  }

  /** The carrier that was written for this garment; only panels are worn in one. */
  private wornIn(): string | null {
    return this.protective() ? this.carrier().trim() || null : null;
  }

  protected answer(code: string): void {
    this.trying.answer(code);
  }

  /** What must be looked at is left out with a reason alone. */
  protected leaveOut(): void {
    if (this.account.look()!.check.must) this.ask('leave-out');
    else this.trying.answer(null);
  }

  /** Keeps it; where something is not right and nothing mends it, asks why. */
  protected keep(): void {
    if (this.trying.needsReason()) this.ask('keep');
    else if (this.trying.keep(null)) this.kept();
  }

  protected ask(asking: Asking): void {
    this.asking.set(asking);
  }

  protected readonly asks = computed(() => {
    switch (this.asking()) {
      case 'leave-out':
        return 'Why is this check skipped? The reason is saved with your name and printed.';
      case 'keep':
        return 'Why is this size kept? The reason is saved with your name and printed.';
      default:
        return 'Why is it made to measure?';
    }
  });

  /** Does what was asked about, with the words. */
  protected say(): void {
    const words = this.words().trim();
    if (words === '') return this.fault.set('Enter a reason.');
    const asking = this.asking();
    if (asking === 'leave-out') this.trying.answer(null, words);
    else if (asking === 'keep' ? this.trying.keep(words) : this.trying.makeToMeasure(words)) this.kept();
    this.rest();
  }

  protected onWords(event: KeyboardEvent): void {
    if (event.key === 'Enter') this.say();
    else if (event.key === 'Escape') this.rest();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  protected wearOther({ sizes }: ChosenSizes): void {
    this.choosing.set(false);
    this.trying.wear(sizes, this.trying.on()?.carrier ?? this.wornIn());
  }

  protected wear(way: Way): void {
    if (way.does === 'try') this.trying.wear(way.sizes, this.trying.on()?.carrier ?? null);
  }

  /** What other sizes start from: what is on, else what would be put on. */
  protected readonly start = computed(() => this.trying.on()?.sizes ?? this.trying.first());

  private kept(): void {
    this.trying.toNextOpen();
  }

  protected onward(): void {
    if (!this.trying.toNextOpen()) this.hands.emit();
  }

  protected readonly sayWay = sayWay;
  protected readonly RIGHT = RIGHT;
}
