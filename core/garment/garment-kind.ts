import type { Clothing } from '../body/measurement';
import type { FitArea } from './areas';
import type { FitCheck } from './fit-check';

/** All there is to know of a kind of garment, in its own file and nowhere else. The chart says the rest. */
export interface GarmentKindFacts {
  /** Its name in code, files and API. */
  readonly kind: string;
  /** As a list of charts heads it. */
  readonly words: string;
  /**
   * What must be said wherever such a garment is sized: the tool proposes from the maker's chart and certifies nothing;
   * `null` where nobody can come to harm.
   */
  readonly caution: string | null;
  /** Whether it covers who wears it: where a smaller and a larger size contradict each other, coverage goes first. */
  readonly protects: boolean;
  /**
   * Whether a tailor may take it in, let it out, shorten or lengthen it where its chart says nothing. What protects,
   * seals or is moulded is never altered: only another size, another make or made to measure helps.
   */
  readonly altered: boolean;
  /** What is worn while somebody is measured for it, whatever protocol they are measured by. */
  readonly worn: {
    /** What lies between tape and body; `null` where the kind says nothing of it. */
    readonly clothing: Clothing | null;
    /** What to wear or to bring, as lines of the preparation. */
    readonly prepare: readonly string[];
  };
  /** Whether it is cut wider than the body: a negative ease is a slip then; of stretch garments it may be meant. */
  readonly cutWider: boolean;
  /** What is hemmed of it, pinned on the wearer and measured; `null` where nothing is. */
  readonly hemmed: FitArea | null;
  /** Whether people usually have none of their own, so that it is hired out where the house has settled nothing. */
  readonly hired: boolean;
  /** Whether every piece in the stores has a number of its own where the house has said nothing. */
  readonly numbered: boolean;
  /** Days for cleaning and drying after a hire where the house has said nothing. */
  readonly dryingDays: number;
  /** What is looked at once it is on, in the order in which it is looked at. */
  readonly checks: readonly FitCheck[];
}
