import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  Injector,
  input,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  bareUnit,
  CHAINS,
  CLOTHING_WORDS,
  formatLength,
  LOCALE,
  markWords,
  measurement,
  TENSION_WORDS,
  landmarksOf,
  OWN_WAIST_WORDS,
  type Stance,
  shownIn,
  nameAt,
  placeAt,
  wordsAt,
  wishOf,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { BodyFigure } from '../../parts/body-figure/body-figure';
import { SelfStore } from './self-store';

/** How somebody who measures themselves is to stand, in words to them. */
const STAND: Readonly<Record<Stance, string>> = {
  standing: 'Stand straight and relaxed, and look ahead.',
  tiptoe: 'Rise on tiptoe, as in heels, a hand on something firm.',
  kneeling: 'Kneel on the leg that is measured.',
  turned: 'Stand straight with your back to whoever helps, and look ahead.',
  seated: 'Sit on a hard chair without arms, as you always sit.',
  'on-paper': 'Stand on paper without shoes, weight on the foot that is drawn round.',
  shoe: 'Take the shoes that will be worn.',
};
const ROUND = [
  'First time',
  'Second time, without looking at the first',
  'Third time, as the first two differ',
];

/** The wearer's own page: what to prepare, then one placing of the tape a screen, as large as a phone allows. */
@Component({
  selector: 'nm-self-sheet',
  imports: [BodyFigure, NzButtonModule, NzInputModule, NzRadioModule, FormsModule],
  providers: [SelfStore],
  templateUrl: './self-sheet.html',
  styles: `
    .page {
      max-width: 560px;
      margin: 0 auto;
      padding: 12px 16px 32px;
      font-size: 19px;
      line-height: 1.4;
    }
    h1 {
      font-size: 30px;
      line-height: 1.15;
    }
    p,
    form,
    [role='group'] {
      margin-top: 12px;
    }
    .plain {
      margin-top: 6px;
      padding-left: 22px;
      list-style: disc;
    }
    nm-body-figure {
      height: 250px;
      margin-top: 8px;
    }
    .field {
      gap: 4px;
      margin-top: 12px;
      font-size: 20px;
    }
    .entry {
      display: flex;
      align-items: baseline;
      gap: 10px;
    }
    .field .soft {
      font-weight: 400;
    }
    input.num {
      width: 200px;
      height: 64px;
      border-bottom: 4px solid var(--tape);
      font-size: 34px;
    }
    .wide {
      width: 100%;
      height: 64px;
      margin-top: 18px;
      font-size: 22px;
    }
    .two {
      display: flex;
      gap: 12px;
      margin-top: 12px;
      button {
        flex: 1;
        height: 56px;
        font-size: 19px;
      }
    }
    .pick {
      display: flex;
      justify-content: space-between;
      width: 100%;
      font-size: 19px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SelfSheet {
  readonly token = input.required<string>();
  protected readonly store = inject(SelfStore);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  protected readonly cord = computed(() => {
    const sheet = this.store.sheet();
    return sheet === null || sheet.cord === null
      ? ''
      : `Tie a cord ${OWN_WAIST_WORDS[sheet.cord]}, level all round, and leave it there.`;
  });
  protected readonly count = computed(() => this.store.sheet()?.steps.length ?? 0);

  /** What the screen at hand says. */
  protected readonly screen = computed(() => {
    const { placing: at, round } = this.store.place();
    const placing = this.store.placing();
    const [first] = placing;
    if (first === undefined) return null;
    const { stance, spoils, instruments } = measurement(first.code);
    const chain = first.chain === null ? null : CHAINS[first.chain];
    const taped = instruments.includes('tape');
    return {
      number: at + 1,
      of: this.store.placings().length,
      title: chain?.name ?? nameAt(first.code, first.waist),
      how:
        chain === null
          ? placeAt(first.code, first.waist)
          : `Hold the end at ${wordsAt(chain.from, first.waist)} and run the tape ${chain.runs}. Read every mark in a row without letting go.`,
      stand: STAND[stance],
      tape: taped ? `${TENSION_WORDS[first.tension]}, ${CLOTHING_WORDS[first.clothing]}` : '',
      atCord:
        first.waist === null
          ? ''
          : this.store.sheet()?.cord === null
            ? `The waist is ${OWN_WAIST_WORDS[first.waist]}.`
            : first.waist === 'natural'
              ? 'Read at the cord.'
              : `Read at the cord, ${OWN_WAIST_WORDS[first.waist]}.`,
      string: taped && this.store.instrument() === 'string',
      round: ROUND[round] ?? ROUND[2]!,
      again: round > 0,
      spoils: spoils.join('; ').toLowerCase(),
      landmarks: landmarksOf(first.code, first.waist),
      helper: stance === 'turned',
      code: first.code,
      along: placing.length > 1 ? placing.map(({ code }) => code) : [],
      fields: this.store.asked().map(({ code }) => {
        const fault = this.store.faults()[code];
        return {
          code,
          words: placing.length > 1 ? wordsAt(markWords(code), first.waist) : nameAt(code, first.waist),
          tiptoe: placing.length > 1 && measurement(code).stance === 'tiptoe',
          unit: bareUnit(code, this.store.unit()),
          text: this.store.typed()[code]?.[round] ?? '',
          fault: fault?.words ?? '',
          asks: fault?.asks === true,
        };
      }),
    };
  });

  /** Everything at a glance before it is sent. */
  protected readonly summary = computed(() => {
    const values = this.store.values();
    return this.store.placings().flatMap((placing, at) =>
      placing.map(({ code, waist }) => {
        const value = values.get(code);
        return {
          at,
          code,
          name: nameAt(code, waist),
          value:
            value === undefined
              ? 'left out'
              : formatLength(value, shownIn(bareUnit(code, this.store.unit()), 8)),
        };
      }),
    );
  });
  protected readonly wishes = computed(() =>
    (this.store.sheet()?.wishes ?? []).map((code) => {
      const text = this.store.wished()[code] ?? '';
      const { name, place } = wishOf(code);
      const shown =
        text.trim() === '' ? 'none' : /\d$/.test(text.trim()) ? `${text} ${this.store.unit()}` : text;
      return { code, name, place, text, shown, fault: this.store.wishFaults()[code] ?? '' };
    }),
  );
  protected readonly sentAt = computed(() => {
    const at = this.store.sentAt();
    return at === null
      ? null
      : new Date(at).toLocaleString(LOCALE, { dateStyle: 'medium', timeStyle: 'short' });
  });
  protected readonly taken = computed(() => this.store.values().size);

  constructor() {
    effect(() => {
      const token = this.token();
      untracked(() => this.store.open(token));
    });
    // What cannot be is looked at, wherever it stands on a long screen.
    effect(() => {
      const wrong = Object.keys(this.store.wishFaults()).length + Object.keys(this.store.faults()).length;
      if (wrong > 0) afterNextRender(() => this.showFault(), { injector: this.injector });
    });
    // A new screen begins at its top.
    effect(() => {
      this.store.place();
      this.store.stage();
      queueMicrotask(() => this.host.nativeElement.scrollIntoView({ block: 'start' }));
    });
  }

  private showFault(): void {
    this.host.nativeElement.querySelector<HTMLInputElement>('input[aria-invalid="true"]')?.focus();
  }

  /** On from a field to the next one of the screen; from the last to the next screen. */
  protected enter(event: Event): void {
    event.preventDefault();
    const fields = [...this.host.nativeElement.querySelectorAll<HTMLInputElement>('input.num')];
    const next = fields[fields.indexOf(event.target as HTMLInputElement) + 1];
    if (next === undefined) this.store.next();
    else next.focus();
  }
}
