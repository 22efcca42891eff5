import type { MeasurementCode } from '../../body/catalogue/codes';
import type { MeasuredBody } from '../../match/judge';
import type { LabelChance, Verdict } from '../../match/verdict';

/** What a garment comes to for one of many. */
export interface GroupSize {
  readonly verdict: Verdict;
  readonly proposed: string | null;
  /** How likely each label is, the likeliest first; nothing where nobody can say. */
  readonly odds: readonly LabelChance[];
  /** Other labels somebody might choose. */
  readonly alternates: readonly string[];
}

/** One of many, by what is known of them. */
export interface GroupBody {
  readonly body: MeasuredBody;
  /** Measurements that failed a check and were not confirmed. */
  readonly suspects: ReadonlySet<MeasurementCode>;
}
