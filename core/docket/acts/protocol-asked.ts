import * as z from 'zod';
import { MOST_GARMENTS } from '../docket';
import { ACT_BASE, needs, noGarments, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('protocol-asked'),
  /** A shipped protocol goes by its code, one's own by its id. */
  protocolId: z.string().regex(/^[\w-]{1,40}$/, { error: 'This is not a protocol code.' }),
});
/** Asks for the measurements of a protocol. */
export type ProtocolAsked = z.infer<typeof schema>;

export const protocolAsked: ActKind<ProtocolAsked> = {
  kind: 'protocol-asked',
  schema,
  refuse: (docket, { protocolId }, { protocols }) => {
    if (protocols.every(({ id }) => id !== protocolId)) return { code: 'no-such-protocol' };
    return docket.protocolIds.length < MOST_GARMENTS ? null : { code: 'docket-full', most: MOST_GARMENTS };
  },
  carryOut: (docket, { protocolId }) =>
    docket.protocolIds.includes(protocolId)
      ? docket
      : { ...docket, protocolIds: [...docket.protocolIds, protocolId] },
  say: ({ protocolId }, { protocol }) => `asked for the protocol ${protocol(protocolId)}`,
  undo: 'opening',
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: ({ protocolId }) => needs({ protocols: [protocolId] }),
  lookedUpBy: ({ protocolId }) => protocolId,
};
