import { makerAnswerSchema, type MakerAnswer, type OrderSheet } from '@neat-measure/core/stock';
import { ProblemError } from '../../http/problem-error';

/** How long a maker has to answer. */
const PATIENCE_MS = 5_000;

/** A maker as the house talks to one: it takes orders in the open form, and says how they stand. */
export interface Maker {
  /** Gives it an order; the same again changes nothing. */
  send(sheet: OrderSheet): Promise<void>;
  /** Everything it says of an order, the oldest first; `null` where it knows of none. */
  ask(orderId: string): Promise<MakerAnswer | null>;
}

/** The most of an answer that is read. */
const MOST_BYTES = 5_000_000;

/**
 * The maker's desk at an address.
 *
 * @param address of the desk; without one, nothing is sent and all is asked to be carried by hand
 */
export function makerAt(address: string | undefined): Maker {
  const call = async (path: string, options: RequestInit): Promise<unknown> => {
    if (address === undefined)
      throw new ProblemError(
        'unavailable',
        'No maker’s desk is set up here. The order is saved: print or export it, and send it yourself.',
      );
    const answer = await fetch(new URL(path, address), {
      ...options,
      redirect: 'error',
      signal: AbortSignal.timeout(PATIENCE_MS),
    }).catch(() => null);
    if (answer === null || answer.status >= 500)
      throw new ProblemError(
        'unavailable',
        'The maker’s desk does not answer. The order is saved here; try again later.',
      );
    const text = await answer.text();
    if (answer.status === 404 && options.method === 'GET') return null;
    if (!answer.ok || text.length > MOST_BYTES)
      throw new ProblemError(
        'stock-refused',
        `The maker’s desk refused this with status ${answer.status}. Check the order, or call the maker.`,
      );
    return parse(text);
  };
  return {
    send: async (sheet) => {
      await call(`/orders/${sheet.order}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(sheet),
      });
    },
    ask: async (orderId) => {
      const answer = await call(`/orders/${orderId}`, { method: 'GET' });
      if (answer === null) return null;
      const read = makerAnswerSchema.safeParse(answer);
      if (!read.success || read.data.order !== orderId)
        throw new ProblemError(
          'stock-refused',
          'The maker’s desk answered in an unknown format. Nothing was changed; call the maker.',
        );
      return read.data;
    },
  };
}

/** What stands in a text; what is no JSON is kept as text, which no form takes. */
function parse(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return text;
  }
}
