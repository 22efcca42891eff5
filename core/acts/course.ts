/**
 * Replays a list of acts again and again as more come in: of a list that begins as the one before it, only the rest is
 * done.
 */
export class Course<State, Act> {
  private acts: readonly Act[] = [];
  private states: readonly (State | null)[] = [];

  /**
   * @param after what there is after an act that was let in
   * @param start what the list is done on; `null` where its first act is to make it
   */
  constructor(
    private readonly after: (state: State | null, act: Act) => State | null,
    private readonly start: State | null = null,
  ) {}

  /** What there is after each of the acts, in their order. */
  through(acts: readonly Act[]): readonly (State | null)[] {
    const differs = acts.findIndex((act, at) => act !== this.acts[at]);
    const states = this.states.slice(0, differs < 0 ? acts.length : differs);
    for (const act of acts.slice(states.length)) states.push(this.after(states.at(-1) ?? this.start, act));
    this.acts = acts;
    this.states = states;
    return states;
  }

  /** What there is before the act of a place. */
  before(acts: readonly Act[], at: number): State | null {
    return at === 0 ? this.start : (this.through(acts)[at - 1] ?? null);
  }

  /** What there is after all of them. */
  end(acts: readonly Act[]): State | null {
    return this.through(acts).at(-1) ?? this.start;
  }
}
