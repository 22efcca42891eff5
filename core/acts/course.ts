/** So many states are kept behind the last, and of those before every so manieth: the rest are done again when asked for. */
const RECENT = 60;
const EVERY = 60;

/**
 * Replays a list of acts again and again as more come in: of a list that begins as the one before it, only the rest is
 * done. A day of many is thousands of acts, so not every state on the way is kept.
 */
export class Course<State, Act> {
  private acts: readonly Act[] = [];
  /** What there is after an act, by its place. */
  private readonly states = new Map<number, State | null>();

  /**
   * @param after what there is after an act that was let in
   * @param start what the list is done on; `null` where its first act is to make it
   */
  constructor(
    private readonly after: (state: State | null, act: Act) => State | null,
    private readonly start: State | null = null,
  ) {}

  /** What there is before the act of a place. */
  before(acts: readonly Act[], at: number): State | null {
    this.follow(acts);
    return this.stateAfter(at - 1);
  }

  /** What there is after all of them. */
  end(acts: readonly Act[]): State | null {
    this.follow(acts);
    return this.stateAfter(acts.length - 1);
  }

  private follow(acts: readonly Act[]): void {
    const known = this.acts;
    let same = 0;
    while (same < acts.length && same < known.length && acts[same] === known[same]) same += 1;
    if (same < known.length) for (const at of this.states.keys()) if (at >= same) this.states.delete(at);
    let state = this.stateAfter(same - 1);
    this.acts = acts;
    for (let at = same; at < acts.length; at += 1) {
      state = this.after(state, acts[at]!);
      this.states.set(at, state);
      const old = at - RECENT;
      if (old >= 0 && old % EVERY !== 0) this.states.delete(old);
    }
  }

  /** What there is after the act of a place among those that were followed: kept, or done again from the last that is. */
  private stateAfter(at: number): State | null {
    let from = Math.min(at, this.acts.length - 1);
    while (from >= 0 && !this.states.has(from)) from -= 1;
    let state = from < 0 ? this.start : (this.states.get(from) ?? null);
    for (let next = from + 1; next <= at && next < this.acts.length; next += 1)
      state = this.after(state, this.acts[next]!);
    return state;
  }
}
