import {
  musterAskedPath,
  musterOrderAheadPath,
  musterParcelsPath,
  musterPicksPath,
  musterSlipPath,
  musterSlipsPath,
} from '@neat-measure/contract';
import {
  orderAheadWantedSchema,
  slipScannedSchema,
  slipsWantedSchema,
  type OrderAheadView,
  type OrderAheadWanted,
  type SlipsMade,
} from '@neat-measure/contract/musters';
import { sayDay } from '@neat-measure/core';
import { printedSlip, type Muster } from '@neat-measure/core/muster';
import { Router, type Request } from 'express';
import type { Database } from '../../database/database';
import { post } from '../../handing/post';
import { notFound, ProblemError } from '../../http/problem-error';
import { fitterOf, readBody, readId } from '../../http/request';
import { hashOf } from '../../links/code';
import type { Print } from '../../print/print';
import { sendPdf } from '../../print/send-pdf';
import type { Standings } from '../standing';
import { listAsked, ownerOf } from './own-values';
import { listPicks, reservedFor, reservePicks } from './picks';
import type { ParcelsToPrint } from './parcel-labels';
import type { SlipsToPrint } from './slip-sheet';
import { makeSlips, type Slip } from './slips';

/** What the routes of before the day work with. */
export interface BeforeParts {
  readonly database: Database;
  readonly standings: Standings;
  readonly print: Print<SlipsToPrint | ParcelsToPrint>;
  /** Where letters go. */
  readonly outbox: string;
  readonly orderAhead: (musterId: string, wanted: OrderAheadWanted) => Promise<OrderAheadView>;
}

/** What comes before the day of a muster: slips, who answered, an order before the tape. All need a session. */
export function beforeRoutes({ database, standings, print, outbox, orderAhead }: BeforeParts): Router {
  const musterOf = async (id: string): Promise<Muster> => {
    const standing = await standings.read(database, id);
    if (standing === undefined) throw notFound('muster');
    standings.remember(id, standing);
    return standing.muster;
  };
  return Router()
    .post(musterSlipsPath(':id'), async (request, response) => {
      const muster = await musterOf(readId(request));
      const wanted = readBody(slipsWantedSchema, request);
      if (muster.closedAt !== null)
        throw new ProblemError('invalid', 'This muster is closed. A lead fitter can reopen it.');
      if (wanted.lastDay < today())
        throw new ProblemError('invalid', 'The last day to answer has passed. Choose a later one.');
      const { slips, without } = await makeSlips(database, muster, wanted, fitterOf(response));
      const of = { muster: muster.name, lastDay: wanted.lastDay, address: addressOf(request) };
      const made: SlipsMade = { made: slips.length, without, pdf: null };
      if (slips.length > 0 && wanted.as === 'letters') await postAll(outbox, slips, of);
      else if (slips.length > 0)
        made.pdf = Buffer.from(await print({ sheet: 'slips', slips, ...of })).toString('base64');
      response.json(made);
    })
    .get(musterAskedPath(':id'), async (request, response) => {
      response.json(await listAsked(database, await musterOf(readId(request))));
    })
    .post(musterSlipPath(':id'), async (request, response) => {
      const muster = await musterOf(readId(request));
      const { code } = readBody(slipScannedSchema, request);
      const owner = await ownerOf(database, muster, hashOf(code));
      if (owner === null)
        throw new ProblemError('not-found', 'This is not the code of a slip. Find the wearer by name.');
      if ('muster' in owner)
        throw new ProblemError(
          'not-found',
          `This slip is of another muster${owner.muster === null || owner.muster === '' ? '' : ` (${owner.muster})`}, and its wearer is not on this list. Find the wearer by name, or add the wearer.`,
        );
      response.json(owner);
    })
    .get(musterPicksPath(':id'), async (request, response) => {
      response.json(await listPicks(database, await musterOf(readId(request))));
    })
    .post(musterPicksPath(':id'), async (request, response) => {
      const muster = await musterOf(readId(request));
      response.json({ reserved: await reservePicks(database, muster, fitterOf(response).id) });
    })
    .get(musterParcelsPath(':id'), async (request, response) => {
      const muster = await musterOf(readId(request));
      const kept = await reservedFor(database, muster);
      if (kept.length === 0) throw notFound('garment reserved for this muster');
      sendPdf(
        response,
        await print({ sheet: 'parcels', muster: muster.name, house: houseOf(request), kept }),
        'parcels.pdf',
      );
    })
    .post(musterOrderAheadPath(':id'), async (request, response) => {
      response.json(await orderAhead(readId(request), readBody(orderAheadWantedSchema, request)));
    });
}

/** The page on which codes are entered, as whoever prints them has the house's address. */
function addressOf(request: Request): string {
  return `${houseOf(request)}/self`;
}

function houseOf(request: Request): string {
  return `${request.protocol}://${request.get('host') ?? 'localhost'}`;
}

function today(): string {
  return new Date().toISOString().slice(0, 10);
}

/** Letters into the simulated post: the house knows no addresses, so each goes by the wearer's name alone. */
async function postAll(
  outbox: string,
  slips: readonly Slip[],
  { muster, lastDay, address }: Omit<SlipsToPrint, 'sheet' | 'slips'>,
): Promise<void> {
  for (const { wearerId, name, code, prepare } of slips)
    await post(outbox, `slip-${wearerId}-${code.slice(0, 4)}`, {
      to: { name, address: 'wearer@brackwater.invalid' },
      subject: `Your measurements for ${muster}`,
      text: [
        `${name},`,
        '',
        `measure yourself until ${sayDay(lastDay)}: open ${address}/${code}`,
        `or open ${address} and enter ${printedSlip(code)}.`,
        '',
        'Have at hand:',
        '- A soft tape, or a string and a ruler',
        ...prepare.map((line) => `- ${line}`),
        '',
      ].join('\n'),
    });
}
