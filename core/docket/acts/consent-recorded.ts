import * as z from 'zod';
import { ACT_BASE, needsNothing, noGarments, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('consent-recorded'),
  /** Whether the wearer agrees, or no longer does. */
  given: z.boolean(),
  /** The version of the words they were put. */
  wording: z.int().min(1).max(1_000),
  /** It was pressed by mistake: nobody was asked, and nobody has taken anything back. */
  unasked: z.literal(true).optional(),
});
/** The wearer agrees to be measured and to what is kept of it, or takes that back. */
export type ConsentRecorded = z.infer<typeof schema>;

export const consentRecorded: ActKind<ConsentRecorded> = {
  kind: 'consent-recorded',
  schema,
  refuse: () => null,
  // Only what somebody agreed to can turn out not to have been asked: what was taken back stays taken back.
  carryOut: (docket, { given, wording, by, at, unasked }) => ({
    ...docket,
    consent: unasked === true && docket.consent?.given === true ? null : { given, wording, by, at },
  }),
  undo: ({ consent }, { given, wording }) => {
    if (consent === null && given) return { kind: 'consent-recorded', given: false, wording, unasked: true };
    return (consent?.given ?? false) === given ? null : { kind: 'consent-recorded', given: !given, wording };
  },
  say: ({ given, wording, unasked }) =>
    unasked === true
      ? 'recorded that the wearer was not asked to agree after all'
      : given
        ? `recorded that the wearer agrees to be measured (wording ${wording})`
        : `recorded that the wearer no longer agrees (wording ${wording})`,
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: () => null,
};
