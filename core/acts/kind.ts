import type * as z from 'zod';
import type { DoneAct, Undoing } from './act';

/** How an act is taken back that was done last: the act that does it, or `null` where nothing has to be. */
export type Undo<State, Act, Library> = (
  before: State,
  act: Act,
  now: State,
  library: Library,
) => Undoing | null;

/**
 * A kind of act on something that is a list of acts: what the machine goes by. What else there is to ask of a kind, its
 * list adds.
 */
export interface Kind<State, Act extends DoneAct, Library, Refusal, Names, Capability> {
  readonly kind: Act['kind'];
  readonly schema: z.ZodType<Act, unknown>;
  /** Why it cannot be done on what it is done on as that stands; `null` where it can. */
  readonly refuse: (state: State, act: Act, library: Library) => Refusal | null;
  /** What it makes where there is nothing yet. Only such an act can be the first. */
  readonly opens?: (act: Act) => State;
  /** What is found when it is let in, and kept with it so that it stays as it was; never taken from who sends it. */
  readonly finds?: {
    readonly complete: (state: State, act: Act, library: Library) => Act;
    /** The act as it was sent. */
    readonly without: (act: Act) => Act;
  };
  /** What there is after it. What stands in the list has been let in, so nothing is asked here. */
  readonly carryOut: (state: State, act: Act) => State;
  /**
   * What takes it back while nothing was done after it; it gets what the act was done on, the act, and how that stands
   * now. `never` stands in the way of what was done before; `opening` is what something is opened with, which is
   * passed over.
   */
  readonly undo: Undo<State, Act, Library> | 'never' | 'opening';
  /** What was done, for the log: what follows "Odalys Wren". */
  readonly say: (act: Act, names: Names) => string;
  /** What whoever does it has to be trusted with. */
  readonly takes: Capability;
}
