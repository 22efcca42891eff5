import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import {
  finalSize,
  handingIn,
  garmentKind,
  isAtTailor,
  lastHanding,
  mayGo,
  owedBeforeGoing,
  stageOf,
  standingDecision,
  type FitArea,
  type HandingWay,
  type ReturnReason,
  type ReturnWay,
  type Signature,
} from '@neat-measure/core';
import type { Scanned } from '@neat-measure/contract/stores';
import { DocketStore } from '../docket-store';
import { sameSource, takenFrom, type Source, type SourceChoice } from './stock/source';
import type { StockHere } from './stock/stock-here';

/** What was chosen of one garment before it is handed over. */
interface Chosen {
  readonly taken?: boolean;
  readonly way?: HandingWay;
  readonly until?: string;
  readonly untried?: string;
  /** Where in the stores it is taken from. */
  readonly from?: Source;
  /** What is said where it is not there any more. */
  readonly gone?: string;
}

/** Where a garment in one size is taken from unless somebody says otherwise. */
interface Proposed {
  readonly label: string;
  readonly first: SourceChoice;
}

const NO_CHOICE: Chosen = {};
/** A hire lasts so many days unless another day is given. */
const HIRE_DAYS = 3;

/** Handing over what was decided and proved, several garments with one act; and taking back. */
@Injectable()
export class HandingStore {
  private readonly store = inject(DocketStore);
  /** What the stores have, once the panel asks them; until then they have nothing to do with it. */
  readonly stock = signal<Pick<StockHere, 'of' | 'choicesOf' | 'known'> | null>(null);
  private readonly chosen = signal<Readonly<Record<string, Chosen>>>({});

  /**
   * The first source that was told of each garment. It stays, whatever is told first later on: somebody may have fetched
   * by now what stood there, and another piece would be written down than is in the hand.
   */
  private readonly proposed = linkedSignal<
    { id: string; label: string; choices: readonly SourceChoice[] }[],
    Readonly<Record<string, Proposed>>
  >({
    source: () => {
      const docket = this.store.docket();
      return this.store.garments().flatMap(({ chart: { id } }) => {
        if (docket === null || !mayGo(stageOf(docket, id))) return [];
        const stock = this.stock()?.of(id) ?? null;
        return stock === null
          ? []
          : [{ id, label: stock.calledNow ?? stock.label, choices: this.stock()!.choicesOf(id) }];
      });
    },
    computation: (garments, before) =>
      Object.fromEntries(
        garments.flatMap(({ id, label, choices: [first] }) => {
          const was = before?.value[id];
          if (was?.label === label) return [[id, was]];
          return first === undefined || takenFrom(first.value) === undefined ? [] : [[id, { label, first }]];
        }),
      ),
  });

  /** Every garment with how it stands, and how it would be handed over. */
  readonly garments = computed(() => {
    const docket = this.store.docket();
    const { habits } = this.store.library();
    return this.store.garments().map(({ chart }) => {
      const { id, sheet } = chart;
      const choice = this.chosen()[id] ?? NO_CHOICE;
      const stage = docket === null ? 'not-decided' : stageOf(docket, id);
      const final = docket === null ? null : finalSize(docket, id);
      const ready = mayGo(stage);
      const stock = this.stock()?.of(id) ?? null;
      const choices = this.stock()?.choicesOf(id) ?? [];
      const atTailor = docket !== null && ready && isAtTailor(docket, id);
      // What the stores keep and have not got is not handed over by itself.
      const lacking = stock !== null && stock.there.length === 0;
      const first = lacking ? undefined : this.proposed()[id]?.first;
      const meant = choice.from ?? first?.value;
      const isThere = choices.some(({ value }) => sameSource(value, meant));
      const from = isThere ? meant! : null;
      // What was chosen or proposed and is gone by now is not exchanged for another piece in silence.
      const gone = from === null && stock !== null ? (choice.gone ?? first?.gone ?? '') : '';
      // A piece was booked for them: it is hired, for as long as was said.
      const booked = stock?.booked ?? null;
      const way = choice.way ?? (booked === null ? handingIn(habits, sheet.kind) : 'hired');
      return {
        id,
        name: sheet.garment,
        size: final?.size ?? (stage === 'made-to-measure' ? 'made to measure' : null),
        kind: sheet.kind,
        stage,
        ready,
        handing: docket === null ? null : lastHanding(docket, id),
        taken:
          ready && (choice.taken ?? (stage !== 'made-to-measure' && !lacking && !atTailor && this.looked())),
        /** It is to be altered first. */
        atTailor,
        way,
        until: choice.until ?? booked?.until ?? daysFromNow(HIRE_DAYS),
        /** It must be looked at on the wearer, and was not kept after a trial. */
        owed: ready && owedBeforeGoing(sheet, stage) !== null,
        untried: choice.untried ?? '',
        stock,
        choices,
        /** Where it is taken from; `null` where the stores have none, and nobody has said otherwise. */
        from,
        /** What was chosen or proposed and is not there any more, in words; else empty. */
        gone,
        reason: docket === null ? null : (standingDecision(docket, id)?.reason ?? null),
      };
    });
  });
  /** Whether it is known what the stores have; where nobody asks them, they stand in nobody's way. */
  readonly looked = computed(() => this.stock()?.known() ?? true);
  readonly taken = computed(() => this.garments().filter(({ taken }) => taken));
  readonly out = computed(() => this.garments().filter(({ stage }) => stage === 'handed-over'));
  /** What the wearer is told of what they take, each once. */
  readonly cautions = computed(() => [
    ...new Set(this.taken().flatMap(({ kind }) => garmentKind(kind).caution ?? [])),
  ]);

  choose(id: string, choice: Omit<Chosen, 'gone'>): void {
    const { choices = [] } = this.garments().find((one) => one.id === id) ?? {};
    const source = choices.find(({ value }) => choice.from !== undefined && sameSource(value, choice.from));
    const chosen = source === undefined ? choice : { ...choice, gone: source.gone };
    this.chosen.update((all) => ({ ...all, [id]: { ...(all[id] ?? {}), ...chosen } }));
  }

  /**
   * Ticks what was scanned, a numbered piece as the one that is in the hand.
   *
   * @returns what is said of it; nothing where it is ticked
   */
  scanned({ article, piece }: Scanned): string {
    const charts = this.store.garments().map(({ chart }) => chart);
    const own = charts.filter(({ seriesId }) => seriesId === article.seriesId).map(({ id }) => id);
    const garment = this.garments().find(({ id }) => own.includes(id));
    const what = `${article.garment} ${piece?.serial ?? article.label}`;
    if (garment === undefined) return `${article.garment} is not on this docket.`;
    if (garment.stage === 'handed-over') return `${article.garment} is already with the wearer.`;
    if (!garment.ready) return `${article.garment} has no size on this docket yet. Decide it first.`;
    const label = garment.stock?.calledNow ?? garment.size;
    if (label !== article.label)
      return `This is ${article.label}. The wearer’s size is ${label ?? 'no size'}.`;
    if (article.numbered && piece === null)
      return `${article.garment} is numbered. Scan the piece number itself.`;
    const from = garment.choices.find(
      ({ value }) => takenFrom(value)?.pieceId === (piece?.id ?? null),
    )?.value;
    if (piece !== null && from === undefined)
      return `${what} cannot be handed over: ${piece.says === '' ? 'the piece is not in stock, or is reserved for another wearer.' : piece.says}`;
    this.choose(garment.id, { taken: true, ...(from === undefined ? {} : { from }) });
    return '';
  }

  /** Hands over everything that is ticked; whether it was let in. */
  handOver(signature: Signature): boolean {
    const garments = this.taken().map(({ id, way, until, untried, from }) => ({
      chartId: id,
      way,
      until: way === 'hired' ? until : null,
      untried: untried.trim() === '' ? null : untried.trim(),
      found: null,
      ...(takenFrom(from) === undefined ? {} : { from: takenFrom(from)! }),
    }));
    if (garments.length === 0) return false;
    const done = this.store.does({ kind: 'garments-handed-over', garments, signature });
    if (done) this.chosen.set({});
    return done;
  }

  /** A garment that was altered is ready. */
  ready(chartId: string): void {
    this.store.does({ kind: 'alterations-done', chartId, done: true });
  }

  /** What is hired comes back on another day; whether it was let in. */
  extend(chartId: string, until: string): boolean {
    return this.store.does({ kind: 'hire-extended', chartId, until });
  }

  /** Takes a garment back; whether it was let in. */
  takeBack(chartId: string, why: ReturnReason, area: FitArea | null, note: string, goes: ReturnWay): boolean {
    const handing = this.garments().find(({ id }) => id === chartId)?.handing;
    return this.store.does({
      kind: 'garment-came-back',
      chartId,
      why,
      area,
      note: note.trim() === '' ? null : note.trim(),
      goes,
      // It goes back to where it was taken from.
      ...(handing?.from === undefined || goes === 'waste' ? {} : { to: handing.from.roomId }),
    });
  }
}

/** A day so many days from today, as the browser's fields write it. */
function daysFromNow(days: number): string {
  const day = new Date();
  day.setDate(day.getDate() + days);
  const two = (number: number) => String(number).padStart(2, '0');
  return `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`;
}
