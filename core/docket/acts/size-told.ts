import * as z from 'zod';
import { TOLD_ITEM_WORDS, TOLD_ITEMS } from '../../body/told-sizes';
import { ACT_BASE, needsNothing, noGarments, wordsSchema, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('size-told'),
  item: z.enum(TOLD_ITEMS),
  /** As the wearer tells it; `null` takes it back. */
  told: wordsSchema(40).nullable(),
});
/** Notes the size of something the wearer has that fits. It sizes nothing by itself. */
export type SizeTold = z.infer<typeof schema>;

export const sizeTold: ActKind<SizeTold> = {
  kind: 'size-told',
  schema,
  refuse: () => null,
  carryOut: (docket, { item, told }) => {
    const { [item]: _before, ...others } = docket.told;
    return { ...docket, told: told === null ? others : { ...others, [item]: told } };
  },
  undo: ({ told: before }, { item, told }) =>
    (before[item] ?? null) === told ? null : { kind: 'size-told', item, told: before[item] ?? null },
  say: ({ item, told }) => {
    const what = TOLD_ITEM_WORDS[item].toLowerCase();
    return told === null ? `removed the told size of a ${what}` : `noted a size that fits: ${what}, ${told}`;
  },
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: () => null,
};
