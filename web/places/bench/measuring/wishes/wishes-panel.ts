import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  linkedSignal,
  signal,
  viewChild,
  viewChildren,
} from '@angular/core';
import type { Wished } from '@neat-measure/contract';
import {
  formatLength,
  kneeFromHip,
  micrometres,
  pointedAt,
  readWish,
  sayWishProblem,
  sceneOf,
  SKIRT_CUT_WORDS,
  SKIRT_CUTS,
  WISH_CODES,
  wishOf,
  type SkirtCut,
  type WishCode,
} from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { UnitService } from '../../../../data/unit-service';
import { DocketStore } from '../../docket-store';
import { CursorStore } from '../cursor-store';
import { StyleNotes } from './style-notes';

/** What is wanted of the garment: its lengths, typed and pointed at. Nothing of it is a body's. */
@Component({
  selector: 'nm-wishes-panel',
  imports: [NzButtonModule, NzInputModule, StyleNotes],
  templateUrl: './wishes-panel.html',
  styles: `
    .split {
      align-items: flex-start;
      gap: 24px;
    }
    ul {
      flex: 1 1 260px;
    }
    .figure {
      width: 200px;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 104px 24px;
      align-items: center;
      gap: 4px 12px;
      padding: 3px 8px;
      &.now {
        background: var(--green-wash);
      }
      > :is(p, .cuts) {
        grid-column: 1 / -1;
      }
    }
    input.num {
      font-size: 20px;
    }
    svg {
      width: 200px;
      height: 420px;
      cursor: crosshair;
    }
    .body {
      fill: #eae6da;
      stroke: var(--line-strong);
      stroke-width: 1.6;
    }
    .wish {
      fill: none;
      stroke: var(--green);
      stroke-width: 5;
      stroke-dasharray: 9 6;
    }
    input[type='range'] {
      accent-color: var(--green);
    }
    circle {
      fill: var(--green);
    }
  `,
  host: { class: 'stack' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WishesPanel {
  protected readonly store = inject(DocketStore);
  protected readonly cursor = inject(CursorStore);
  private readonly units = inject(UnitService);
  private readonly fields = viewChildren<ElementRef<HTMLInputElement>>('field');
  private readonly figure = viewChild<ElementRef<SVGSVGElement>>('figure');

  protected readonly unit = computed(() => this.units.entered());
  /** Those that are asked about come first; any other can be noted too. */
  private readonly more = signal(false);
  private readonly shown = computed<readonly WishCode[]>(
    () => {
      const asked = this.store.wishesAsked();
      const noted = this.store.wishes().map(({ wish }) => wish);
      // Where no protocol asks about any, all are there to choose from, and stay there.
      if (this.more() || asked.length === 0) return WISH_CODES;
      return WISH_CODES.filter((code) => {
        const { elsewhere } = wishOf(code);
        const other = elsewhere !== null && (noted.includes(elsewhere) || this.instead().has(elsewhere));
        return noted.includes(code) || this.instead().has(code) || (asked.includes(code) && !other);
      });
    },
    { equal: (one, other) => one.join() === other.join() },
  );
  protected readonly hidden = computed(() => WISH_CODES.length - this.shown().length);
  protected readonly now = linkedSignal<WishCode>(() => this.shown()[0]!);
  /** What is typed and not noted yet, by wish: nothing typed is lost by going to another. */
  private readonly typed = signal<Partial<Record<WishCode, string>>>({});
  private readonly pointed = signal<Partial<Record<WishCode, number>>>({});
  /** Those that are measured from elsewhere than their protocol has it. */
  private readonly instead = signal<ReadonlySet<WishCode>>(new Set());
  private readonly cut = signal<SkirtCut | null>(null);
  protected readonly faults = signal<Partial<Record<WishCode, string>>>({});

  protected readonly rows = computed(() =>
    this.shown().map((code) => {
      const noted = this.store.wishes().find(({ wish }) => wish === code);
      const value = noted === undefined ? '' : formatLength(noted.length, this.units.written(this.unit()));
      const { name, place, elsewhere } = wishOf(code);
      return {
        code,
        name,
        place,
        sent: noted === undefined ? (this.store.wished().find((one) => one.wish === code) ?? null) : null,
        elsewhere: elsewhere === null || this.shown().includes(elsewhere) ? null : elsewhere,
        text: this.typed()[code] ?? value,
        noted:
          noted === undefined
            ? ''
            : `noted: ${value}${noted.estimatedFor === null ? '' : ', an estimate from the hip'}${noted.pointed === null ? '' : ', pointed at'}`,
        fault: this.faults()[code] ?? '',
      };
    }),
  );

  /** What the knee of a narrow skirt would be by the hip: an estimate, cut by cut. */
  protected readonly cuts = computed(() => {
    const values = this.store.values();
    const hips = [values.get('hip-girth'), values.get('high-hip-girth')].flatMap((one) => one ?? []);
    if (hips.length === 0) return [];
    // Of two fullnesses the larger decides.
    const hip = micrometres(Math.max(...hips));
    return SKIRT_CUTS.map((cut) => {
      const { least, most } = kneeFromHip(hip, cut);
      const range =
        least === most
          ? formatLength(least, this.units.written(this.unit()))
          : `${formatLength(least, this.units.written(this.unit()))} to ${formatLength(most, this.units.written(this.unit()))}`;
      return {
        cut,
        words: `${SKIRT_CUT_WORDS[cut]}: ${range}`,
        typed: formatLength(least, this.units.written(this.unit())),
      };
    });
  });

  protected readonly scene = computed(() => {
    const code = this.now();
    const noted = this.store.wishes().find(({ wish }) => wish === code)?.pointed ?? null;
    return sceneOf({
      code: null,
      build: this.store.build(),
      wish: { code, pointed: this.pointed()[code] ?? noted },
    });
  });
  protected readonly along = computed(
    () =>
      this.pointed()[this.now()] ?? this.store.wishes().find(({ wish }) => wish === this.now())?.pointed ?? 0,
  );
  protected readonly nowName = computed(() => wishOf(this.now()).name);

  constructor() {
    afterNextRender(() => this.fields()[0]?.nativeElement.focus());
  }

  protected write(code: WishCode, text: string): void {
    this.typed.update((typed) => ({ ...typed, [code]: text }));
    this.faults.update((faults) => ({ ...faults, [code]: '' }));
    if (code === 'knee-width') this.cut.set(null);
  }

  protected estimate(cut: SkirtCut, text: string): void {
    this.write('knee-width', text);
    this.cut.set(cut);
    this.note('knee-width');
  }

  /** The same end, measured from its other start: what is noted or typed of the one is not of the other. */
  protected startElsewhere(code: WishCode, elsewhere: WishCode): void {
    if (this.store.wishes().some(({ wish }) => wish === code))
      this.store.does({ kind: 'wish-dropped', wish: code });
    this.instead.update((instead) => new Set([...instead, elsewhere].filter((one) => one !== code)));
    this.now.set(elsewhere);
  }

  /** From where a wish is measured. */
  protected startOf(code: WishCode): string {
    return /^From (the .+?)(?: straight)?(?: down)?(?:,| to )/.exec(wishOf(code).place)?.[1] ?? '';
  }

  /** Whether a length says no unit of its own. */
  protected bare(typed: string): boolean {
    return /\d$/.test(typed);
  }

  /** Notes what the wearer wished for on their own page, as they wrote it. */
  protected take({ wish, typed, unit }: Wished): void {
    const read = readWish(typed, wish, unit);
    if (!read.ok) return;
    const none = { pointed: this.pointed()[wish] ?? null, estimatedFor: null };
    this.store.does({ kind: 'wish-noted', wish, typed, unit, length: read.value, ...none });
  }

  protected point(code: WishCode, along: number): void {
    this.pointed.update((pointed) => ({ ...pointed, [code]: along }));
    // What was noted already is noted with where it was pointed at.
    if (this.store.wishes().some(({ wish }) => wish === code)) this.note(code);
  }

  protected pointAt(event: MouseEvent): void {
    const figure = this.figure()!.nativeElement;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(
      figure.getScreenCTM()!.inverse(),
    );
    this.point(this.now(), pointedAt(this.now(), [x, y], this.store.build()));
  }

  /** Notes what is typed of a wish; nothing typed takes it back. Whether it stands now as it is shown. */
  protected note(code: WishCode): boolean {
    const standing = this.store.wishes().find(({ wish }) => wish === code);
    const text = (this.typed()[code] ?? standing?.typed ?? '').trim();
    if (text === '') {
      if (standing !== undefined) this.store.does({ kind: 'wish-dropped', wish: code });
      return true;
    }
    const unit = this.typed()[code] === undefined && standing !== undefined ? standing.unit : this.unit();
    const read = readWish(text, code, unit);
    if (!read.ok) {
      this.faults.update((faults) => ({
        ...faults,
        [code]: sayWishProblem(read.problem, this.units.written(unit)),
      }));
      return false;
    }
    const pointed = this.pointed()[code] ?? standing?.pointed ?? null;
    const same = standing?.length === read.value && standing.pointed === pointed;
    const estimatedFor = code === 'knee-width' ? (this.cut() ?? (same ? standing.estimatedFor : null)) : null;
    if (same && standing.estimatedFor === estimatedFor) return true;
    const done = this.store.does({
      kind: 'wish-noted',
      wish: code,
      typed: text,
      unit,
      length: read.value,
      pointed,
      estimatedFor,
    });
    if (done) this.typed.update(({ [code]: _gone, ...rest }) => rest);
    return done;
  }

  /** Enter notes a wish and goes on to the next; after the last, to the garments. */
  protected enter(code: WishCode, event: Event): void {
    event.preventDefault();
    event.stopPropagation();
    if (!this.note(code)) return;
    const at = this.shown().indexOf(code);
    const next = this.fields()[at + 1]?.nativeElement;
    if (next === undefined) this.leave();
    else next.focus();
  }

  protected showAll(): void {
    this.more.set(true);
  }

  /** On to the garments, once everything typed is noted. */
  protected leave(): void {
    const open = this.shown().filter((code) => !this.note(code));
    if (open.length === 0) this.cursor.toDeciding();
    else this.fields()[this.shown().indexOf(open[0]!)]?.nativeElement.focus();
  }
}
