import * as z from 'zod';
import { failure, success, type Outcome } from '../outcome';
import type { DoneAct, Undoing } from './act';
import { Course } from './course';
import type { Kind } from './kind';
import type { UnreadableAct } from './say-unreadable-act';

/** An act that was let in, with what was found on the way, and what there is after it. */
export interface Done<State, Act> {
  readonly state: State;
  readonly act: Act;
}

/** What is done after what stands already: what that comes to, and which acts were not let in, and why. */
export interface Went<State, Act, Refusal> {
  readonly state: State | null;
  readonly refused: readonly { readonly act: Act; readonly refusal: Refusal }[];
}

/** The act that was done last and still stands, and what takes it back. */
export interface Last<Act> {
  readonly act: Act;
  /** `null` where it cannot be taken back. */
  readonly undoing: Undoing | null;
}

/**
 * Something that is a list of acts: reads them, asks whether one may follow what was done before, does them, and says
 * what would be taken back next. A docket is one, a muster another; what their acts mean stands in their kinds.
 */
export class ActMachine<
  State,
  Act extends DoneAct,
  Library,
  Refusal,
  One extends Kind<State, Act, Library, Refusal, never, unknown>,
> {
  private readonly byName: ReadonlyMap<unknown, One>;
  /** Any act, read by its kind. */
  readonly schema: z.ZodType<Act, unknown>;

  /**
   * @param kinds every kind of act, in about the order of the work
   * @param nothing why nothing but an opening can be done where nothing was opened
   */
  constructor(
    readonly kinds: readonly One[],
    private readonly nothing: Refusal,
  ) {
    this.byName = new Map(kinds.map((one) => [one.kind, one]));
    this.schema = z.union(kinds.map(({ schema }) => schema)) as unknown as z.ZodType<Act, unknown>;
  }

  /** Reads an act from what was sent or kept. One of a kind that this version does not know is no act. */
  read(sent: unknown): Outcome<Act, UnreadableAct> {
    const kind = typeof sent === 'object' && sent !== null && 'kind' in sent ? sent.kind : undefined;
    const found = this.byName.get(kind);
    if (found === undefined) return failure({ code: 'unknown-kind', kind });
    const read = found.schema.safeParse(sent);
    if (read.success) return success(read.data);
    const faults = read.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
    return failure({ code: 'misshapen', kind: String(kind), faults });
  }

  /** Everything there is to know of an act's kind. */
  kindOf({ kind }: Pick<Act, 'kind'>): One {
    return this.byName.get(kind)!;
  }

  /**
   * Does an act: the only place where it is asked whether one may follow what was done before.
   *
   * @param state `null` where nothing was opened
   */
  apply(state: State | null, act: Act, library: Library): Outcome<Done<State, Act>, Refusal> {
    const kind = this.kindOf(act);
    if (state === null)
      return kind.opens === undefined ? failure(this.nothing) : success({ state: kind.opens(act), act });
    const refusal = kind.refuse(state, act, library);
    if (refusal !== null) return failure(refusal);
    const complete = kind.finds?.complete(state, act, library) ?? act;
    return success({ state: kind.carryOut(state, complete), act: complete });
  }

  /** What there is after an act that was let in; of it nothing is asked again. */
  readonly after = (state: State | null, act: Act): State | null => {
    const kind = this.kindOf(act);
    return state === null ? (kind.opens?.(act) ?? null) : kind.carryOut(state, act);
  };

  /** What acts that were let in make, in their order; `null` while the first is no opening. */
  replay(acts: readonly Act[], start: State | null = null): State | null {
    return acts.reduce<State | null>(this.after, start);
  }

  /** What replays a list that grows, from what it is done on. */
  course(start: State | null = null): Course<State, Act> {
    return new Course(this.after, start);
  }

  /** Does acts one after the other; one that is refused is left out, and the next is tried on what there is then. */
  continued(state: State | null, acts: readonly Act[], library: Library): Went<State, Act, Refusal> {
    const refused: { act: Act; refusal: Refusal }[] = [];
    const after = acts.reduce((before, act) => {
      const applied = this.apply(before, act, library);
      if (applied.ok) return applied.value.state;
      refused.push({ act, refusal: applied.problem });
      return before;
    }, state);
    return { state: after, refused };
  }

  /**
   * What would be taken back next: the last act that stands, everything that was taken back already left out. An act
   * before it is reached only through it, so that nothing is ever taken back that something later rests on.
   *
   * @param acts all of them, in order, as they were let in
   * @param course what has replayed them before, from what they were done on
   * @returns `null` where nothing stands that was done after the opening
   */
  lastDone(acts: readonly Act[], library: Library, course: Course<State, Act>): Last<Act> | null {
    const now = course.end(acts);
    if (now === null) return null;
    const standing: number[] = [];
    acts.forEach((act, at) => {
      // Beneath acts that changed nothing it need not be the last.
      const undone =
        act.undoes === undefined ? -1 : standing.findIndex((before) => acts[before]!.id === act.undoes);
      if (undone >= 0) standing.splice(undone, 1);
      else if (this.kindOf(act).undo !== 'opening') standing.push(at);
    });
    for (let last = standing.pop(); last !== undefined; last = standing.pop()) {
      const act = acts[last]!;
      const { undo } = this.kindOf(act);
      // What cannot be taken back stands in the way and says so.
      if (typeof undo !== 'function') return { act, undoing: null };
      const undoing = undo(course.before(acts, last)!, act, now, library);
      // What changed nothing has nothing to be taken back.
      if (undoing !== null) return { act, undoing };
    }
    return null;
  }
}
