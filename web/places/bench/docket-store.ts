import { computed, DestroyRef, effect, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  isOnDocket,
  type Bench,
  type Chart,
  type DocketRuns,
  type KeptAct,
  type Protocol,
} from '@neat-measure/contract';
import {
  apply,
  continued,
  isMusterAct,
  docketCourse,
  demandable,
  judgeDocket,
  lastDone,
  planOf,
  preparationFor,
  sayAct,
  sayRefusal,
  type Act,
  type Docket,
  type Doing,
  type JudgedDocket,
  type JudgedGarment,
  type Planned,
  UNSETTLED,
  type Library,
  buildOf,
  wishesAsked,
  type MeasurementCode,
  type Length,
  failure,
  kindOf,
  stepsOf,
  type Step,
} from '@neat-measure/core';
import { from, Subscription, switchMap } from 'rxjs';
import { v7 as uuidv7 } from 'uuid';
import { isAway } from '../../data/api';
import { Contact } from '../../data/contact';
import { DocketService } from '../../data/docket-service';
import { inTurn } from '../../data/journal/in-turn';
import { Journal } from '../../data/journal/journal';
import { lostAWhile } from '../../data/lost-a-while';
import { SessionService } from '../../data/session-service';
import { OpenDocket, type Adding } from '../../data/open-docket';
import { GoingOn } from '../../data/pack/going-on';
import { PackDoor } from '../../data/pack/pack-door';
import { UnitService } from '../../data/unit-service';
import { inOrder, standing, withKnownCharts } from './kept-acts';

/** What the charts and protocols of a docket are found on. */
interface BenchLibrary extends Library<Chart> {
  readonly protocols: readonly Protocol[];
}

const EMPTY_LIBRARY: BenchLibrary = { charts: [], protocols: [], habits: UNSETTLED };
const NOTHING_ASKED: Planned = {
  garments: [],
  protocolIds: [],
  extraCodes: [],
  clothing: {},
  tension: {},
  waist: null,
};
const NOTHING_JUDGED: JudgedDocket<Chart> = {
  garments: [],
  values: new Map(),
  suspicions: [],
  openAgain: [],
};

/**
 * The docket on the Bench: the acts the server has kept, then those that wait on this device, and
 * what follows from them. Whatever is done goes through `does`.
 */
@Injectable()
export class DocketStore {
  private readonly dockets = inject(DocketService);
  private readonly units = inject(UnitService);
  private readonly openDocket = inject(OpenDocket);
  private readonly journal = inject(Journal);
  private readonly session = inject(SessionService);
  private readonly contact = inject(Contact);
  private readonly pack = inject(PackDoor);
  private readonly goingOn = inject(GoingOn);
  private readonly destroyed = inject(DestroyRef);

  private readonly bench = signal<Bench | null>(null);
  private readonly kept = signal<readonly KeptAct[]>([]);
  private listening = Subscription.EMPTY;
  private fetching = Subscription.EMPTY;

  /** What went wrong between here and the server, or why an act was not let in. */
  readonly trouble = signal('');
  /** Whether what others do on this docket is not heard for the moment. */
  readonly lost = signal(false);

  /** What people call it by; `null` where it was opened while the server, which numbers them, was away. */
  readonly number = computed(() => (this.bench()?.number === 0 ? null : (this.bench()?.number ?? null)));
  /** The same in words. */
  readonly calledBy = computed(() => (this.number() === null ? 'new docket' : `docket ${this.number()}`));
  /** Whether that is said here: not where the whole page says that the server is away, and not for a moment. */
  readonly unheard = lostAWhile(this.lost, this.contact.away);
  readonly wearer = computed(() => this.bench()?.wearer ?? null);
  /** What the wearer wished for on their own page. */
  readonly wished = computed(() => this.bench()?.wished ?? []);
  readonly record = computed(() => this.bench()?.record ?? []);
  readonly library = computed<BenchLibrary>(() => this.bench() ?? EMPTY_LIBRARY);

  /** Which of its charts run otherwise than they say; asked for beside the docket, which does not wait for it. */
  readonly runs = signal<DocketRuns>([]);

  private readonly course = docketCourse();
  private readonly inTurn = computed(() => {
    const id = this.bench()?.id;
    return inTurn<Act, Act>(
      this.kept().map(({ act }) => act),
      this.journal.waiting().flatMap(({ act }) => (!isMusterAct(act) && act.docketId === id ? [act] : [])),
    );
  });
  /** Every act, kept or not, in the order they are shown in. */
  private readonly acts = computed(() => [...this.inTurn().standing, ...this.inTurn().waiting]);
  private readonly standing = computed(() => this.course.end(this.inTurn().standing));
  /** Nothing while it is still fetched: without its library there would seem to be nothing to measure. */
  readonly docket = computed<Docket | null>(() =>
    this.bench() === null ? null : continued(this.standing(), this.inTurn().waiting, this.library()).docket,
  );

  /** Who has done the last on this docket. */
  readonly lastHand = computed(() => this.acts().at(-1)?.by ?? null);

  /** What the plan rests on: it stays as it is while only readings come in. */
  private readonly asked = computed<Planned>(() => this.docket() ?? NOTHING_ASKED, { equal: asksTheSame });
  readonly plan = computed(() => {
    const [plan, own] = [planOf(this.asked(), this.library()), this.ownSteps()];
    return own === null ? plan : { ...plan, steps: plan.steps.filter(({ code }) => own(code)) };
  });
  /** Which steps are taken here, where a station of a muster has only some of them; `null` for all. */
  readonly ownSteps = signal<((code: MeasurementCode) => boolean) | null>(null);
  /** What to wear and to have ready. */
  readonly prepare = computed(() => preparationFor(this.asked(), this.library()));
  /** What may be measured besides, and whether it is asked for. */
  readonly extras = computed(() => demandable(this.asked(), this.library()));
  /** The wishes that its protocols ask about, and those that were noted. */
  readonly wishesAsked = computed(() => wishesAsked(this.asked(), this.library()));
  readonly wishes = computed(() => this.docket()?.wishes ?? [], { equal: sameText });
  readonly protocols = computed(() => {
    const { protocolIds } = this.asked();
    return this.library().protocols.filter(({ id }) => protocolIds.includes(id));
  });

  private readonly judged = computed<JudgedDocket<Chart>>(() => {
    const docket = this.docket();
    return docket === null ? NOTHING_JUDGED : judgeDocket(docket, this.library());
  });
  // An act that the server has kept changes nothing of what is shown, so nothing is drawn anew for it.
  readonly garments = computed(() => this.judged().garments, { equal: sameGarments });
  readonly values = computed(() => this.judged().values, {
    equal: (one, other) => sameText([...one], [...other]),
  });
  /** How the wearer is built, by what has been measured of them here or before. */
  readonly build = computed(
    () =>
      buildOf(
        new Map<MeasurementCode, Length>([
          ...this.record().map(({ code, value }) => [code, value] as const),
          ...this.values(),
        ]),
      ),
    { equal: sameText },
  );
  /** What does not hang together and nobody has confirmed. */
  readonly suspicions = computed(() => this.judged().suspicions, { equal: sameText });
  readonly steps = computed<readonly Step[]>(
    () => {
      const docket = this.docket();
      return docket === null
        ? []
        : stepsOf(this.plan(), docket, this.judged().openAgain, this.library().habits);
    },
    { equal: sameText },
  );

  constructor() {
    this.journal.kept.pipe(takeUntilDestroyed()).subscribe((kept) => {
      if (isOnDocket(kept)) this.take(kept);
    });
    this.journal.refused.pipe(takeUntilDestroyed()).subscribe(({ act, why }) => {
      if (isMusterAct(act) || act.docketId !== this.bench()?.id) return;
      this.trouble.set(`Not saved: ${this.say(act)} ${why}`);
      // What it was refused by may be something this page has not heard of.
      this.fetch(act.docketId);
    });
    // A docket has a unit of its own, whatever this device shows otherwise.
    const unit = computed(() => this.docket()?.unit ?? null);
    effect(() => this.units.governedBy(unit()));
    this.destroyed.onDestroy(() => {
      this.listening.unsubscribe();
      this.units.governedBy(null);
      this.openDocket.adding.set(null);
    });
    const open = computed(() => this.docket() !== null && this.session.may('measure'));
    effect(() => this.openDocket.adding.set(open() ? this.adding : null));
  }

  /**
   * Opens a docket, and hears what others do on it from then on.
   *
   * @param ready called once it is there, and again once it is known what waits on this device: until then a
   *   step that was done here may seem open
   */
  open(docketId: string, ready: (again: boolean) => void): void {
    this.opens = docketId;
    this.bench.set(null);
    this.kept.set([]);
    this.runs.set([]);
    this.trouble.set('');
    this.listening.unsubscribe();
    this.listening = new Subscription();
    this.listening.add(
      this.dockets.hear(docketId).subscribe((heard) => {
        if (heard === 'lost') this.lost.set(true);
        else if (heard === 'habits') this.fetch(docketId);
        else if (heard === 'listening') {
          // What was missed is told by the stream itself, unless it had to begin anew.
          if (this.lost()) this.fetch(docketId);
          this.lost.set(false);
        } else this.take(heard.kept);
      }),
    );
    this.ready = ready;
    this.fetch(docketId);
    // What others did meanwhile, and the server's own of what was opened here, once all of it has been sent.
    this.listening.add(
      this.contact.back
        .pipe(switchMap(() => from(this.journal.whenSent().catch(() => undefined))))
        .subscribe(() => {
          if (this.session.fitter() !== null) this.fetch(docketId);
        }),
    );
    // What is not heard of how charts run is missed by nobody: the sizes are the charts' own.
    this.listening.add(
      this.dockets.runs(docketId).subscribe({ next: (runs) => this.runs.set(runs), error: () => undefined }),
    );
  }

  /**
   * Does something on the docket: written down on this device, shown as done, and sent.
   *
   * @param undoes the act that is taken back by it
   * @returns whether it was let in; if not, `trouble` says why
   */
  does(doing: Doing, undoes?: string): boolean {
    const [bench, fitter] = [this.bench(), this.session.fitter()];
    if (bench === null || fitter === null) return false;
    const by = { id: fitter.id, name: fitter.name };
    const base = { id: uuidv7(), docketId: bench.id, at: new Date().toISOString(), by };
    const act: Act = { ...base, ...(undoes === undefined ? {} : { undoes }), ...doing };
    const { takes } = kindOf(act);
    const applied = this.session.may(takes)
      ? apply(this.docket(), act, this.library())
      : failure({ code: 'not-trusted', takes } as const);
    if (!applied.ok) {
      this.trouble.set(sayRefusal(applied.problem, this.units.inchParts()));
      return false;
    }
    this.trouble.set('');
    this.journal.write(fitter.pen, applied.value.act, this.after);
    return true;
  }

  /** Adds to the docket: what it is found by comes into the library first. */
  private readonly adding: Adding = {
    garment: (chart) => {
      this.bench.update((bench) => bench && { ...bench, charts: [...bench.charts, chart] });
      this.does({ kind: 'garment-asked', chartId: chart.id });
    },
    protocol: (protocol) => {
      this.bench.update((bench) => bench && { ...bench, protocols: [...bench.protocols, protocol] });
      this.does({ kind: 'protocol-asked', protocolId: protocol.id });
    },
    measurement: (code) => this.does({ kind: 'measurement-asked', code, asked: true }),
  };

  /** What was done last here and stands, in words, and what takes it back; `null` where nothing was. */
  readonly last = computed(() => {
    const last = lastDone(this.acts(), this.library(), this.course);
    if (last === null) return null;
    const own = last.act.by.id === this.session.fitter()?.id;
    const words = this.say(last.act);
    return { ...last, own, words: own ? words.replace(`${last.act.by.name} `, '') : words };
  });

  /** Takes back what was done last; whether there was something to take back. */
  undo(): boolean {
    const last = this.last();
    return last?.own === true && last.undoing !== null && this.does(last.undoing, last.act.id);
  }

  /** What was done, in a sentence. */
  private say(act: Act): string {
    return sayAct(act, {
      garment: (id) => this.library().charts.find((one) => one.id === id)?.sheet.garment ?? 'a garment',
      protocol: (id) => this.library().protocols.find((one) => one.id === id)?.name ?? 'a protocol',
      inchParts: this.units.inchParts(),
    });
  }

  /** The docket that is shown, or will be once it is there. */
  private opens: string | null = null;
  /** Who waits for the docket to be there: the first time it comes, whenever the network lets it. */
  private ready: ((again: boolean) => void) | null = null;

  private fetch(docketId: string): void {
    // What was asked before is not shown over what is asked now.
    this.fetching.unsubscribe();
    this.fetching = new Subscription();
    this.listening.add(this.fetching);
    this.fetching.add(
      this.goingOn.opened(docketId).subscribe({
        next: (bench) => {
          this.bench.set(withKnownCharts(bench, this.bench()));
          this.kept.set(inOrder(standing(this.kept()), bench.acts));
          this.follow(bench);
          const { ready } = this;
          if (ready === null) return;
          this.ready = null;
          this.trouble.set('');
          ready(false);
          void this.journal.known.then(() => {
            if (this.bench()?.id === docketId) ready(true);
          });
        },
        // What is only looked at anew stays as it was while the server is away: the page's frame says that it is.
        error: (problem: Error) => {
          if (this.ready !== null || !isAway(problem)) this.trouble.set(problem.message);
        },
      }),
    );
  }

  /** The muster by which the server opens this docket, where it has not yet. */
  private after: string | undefined;

  private follow({ number }: Bench): void {
    this.after = undefined;
    if (number === 0) void this.pack.open().then((pack) => (this.after = pack.taken()?.musterId));
  }

  private take(one: KeptAct): void {
    // What is kept of another's docket while this one is still fetched is no reading of this wearer.
    if (one.act.docketId !== this.opens) return;
    const bench = this.bench();
    this.kept.update((kept) => inOrder(kept, [one]));
    // Somebody asked for what this page has never seen.
    const { charts, protocols } = this.library();
    const { act } = one;
    const unknown =
      ('chartId' in act && charts.every(({ id }) => id !== act.chartId)) ||
      ('protocolId' in act && protocols.every(({ id }) => id !== act.protocolId));
    if (bench !== null && unknown) this.fetch(bench.id);
  }
}

/** Whether two states of a docket ask for the same steps: most of what comes in is readings, and plans nothing anew. */
function asksTheSame(one: Planned, other: Planned): boolean {
  const asked = ({ garments, protocolIds, extraCodes, clothing, tension, waist }: Planned) =>
    JSON.stringify([garments, protocolIds, extraCodes, clothing, tension, waist]);
  return one === other || asked(one) === asked(other);
}

function sameText(one: unknown, other: unknown): boolean {
  return JSON.stringify(one) === JSON.stringify(other);
}

/** A verdict that was not found anew is the same object. */
function sameGarments(
  some: readonly JudgedGarment<Chart>[],
  others: readonly JudgedGarment<Chart>[],
): boolean {
  return (
    some.length === others.length &&
    some.every(({ chart, verdict, decision }, at) => {
      const other = others[at]!;
      const decided = decision?.id === other.decision?.id;
      return chart === other.chart && verdict === other.verdict && decided;
    })
  );
}
