import { readFile, rename, writeFile } from 'node:fs/promises';
import express, { type Express, type Response } from 'express';
import helmet from 'helmet';
import {
  addDays,
  dayOf,
  orderSheetSchema,
  type MakerAnswer,
  type OrderSheet,
} from '@neat-measure/core/stock';
import * as z from 'zod';
import { pageOf } from './page';
import { FATES, fateOf, messagesOf, type DeskOrder } from './script';

const stateSchema = z.object({
  /** So many days the desk's calendar is ahead of the machine's. */
  ahead: z.int().min(0).max(3_650),
  orders: z.array(
    z.object({ sheet: orderSheetSchema, on: z.iso.date(), fates: z.record(z.string(), z.enum(FATES)) }),
  ),
});
type DeskState = z.infer<typeof stateSchema>;

/** The most orders the desk remembers; a demo has a few. */
const MOST_ORDERS = 500;

/** How a desk is set up. */
export interface DeskParts {
  /** Of the script. */
  readonly seed: string;
  /** Where it keeps its orders; they are forgotten with the process without it. */
  readonly file?: string | undefined;
}

/**
 * The maker's desk: takes orders in their open form, says how they stand, and sends parcels, all by a seeded
 * script. It stands for every maker of the demo, knows nothing of who is measured, and is reached on this
 * machine only.
 */
export class Desk {
  private state: DeskState = { ahead: 0, orders: [] };
  private saving: Promise<void> = Promise.resolve();

  constructor(private readonly parts: DeskParts) {}

  /** Takes up what was there before; what cannot be read is begun anew, as it is play. */
  async begin(): Promise<void> {
    if (this.parts.file === undefined) return;
    const text = await readFile(this.parts.file, 'utf8').catch(() => null);
    if (text === null) return;
    try {
      this.state = stateSchema.parse(JSON.parse(text));
    } catch {
      this.state = { ahead: 0, orders: [] };
    }
  }

  /** The desk's own day. */
  get today(): string {
    return addDays(dayOf(new Date()), this.state.ahead);
  }

  get orders(): readonly DeskOrder[] {
    return this.state.orders;
  }

  /** The next day comes. */
  nextDay(): Promise<void> {
    return this.keep({ ...this.state, ahead: this.state.ahead + 1 });
  }

  /** Takes an order; the same again changes nothing. */
  async take(sheet: OrderSheet): Promise<'taken' | 'repeated' | 'differs' | 'full'> {
    const there = this.state.orders.find((one) => one.sheet.order === sheet.order);
    if (there !== undefined)
      return JSON.stringify(there.sheet.lines) === JSON.stringify(sheet.lines) ? 'repeated' : 'differs';
    if (this.state.orders.length >= MOST_ORDERS) return 'full';
    const fates = Object.fromEntries(
      sheet.lines.map((line) => [String(line.line), fateOf(this.parts.seed, line)] as const),
    );
    await this.keep({ ...this.state, orders: [...this.state.orders, { sheet, on: this.today, fates }] });
    return 'taken';
  }

  /** Says what is to become of a line; only on the day its order came, before anything of it has been said. */
  async decide(orderId: string, line: string, fate: DeskOrder['fates'][string]): Promise<boolean> {
    const order = this.state.orders.find((one) => one.sheet.order === orderId);
    if (order === undefined || order.on !== this.today || order.fates[line] === undefined) return false;
    const orders = this.state.orders.map((one) =>
      one === order ? { ...one, fates: { ...one.fates, [line]: fate } } : one,
    );
    await this.keep({ ...this.state, orders });
    return true;
  }

  /** How an order stands by what was said of it. */
  answer(orderId: string): MakerAnswer | null {
    const order = this.state.orders.find((one) => one.sheet.order === orderId);
    return order === undefined ? null : { order: orderId, messages: messagesOf(order, this.today) };
  }

  /** Keeps a state: written beside and put in place, one after the other, so that none is ever half. */
  private keep(state: DeskState): Promise<void> {
    this.state = state;
    const { file } = this.parts;
    if (file === undefined) return Promise.resolve();
    this.saving = this.saving
      .catch(() => undefined)
      .then(async () => {
        await writeFile(`${file}.new`, JSON.stringify(this.state));
        await rename(`${file}.new`, file);
      });
    return this.saving;
  }
}

/** The desk as an application of its own: its open door for orders, and a page for people. */
export function deskApp(desk: Desk): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'default-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: false,
      // Without it browsers say of the desk's own forms that they come from nowhere.
      referrerPolicy: { policy: 'same-origin' },
    }),
  );
  const refuse = (response: Response, status: number, detail: string) =>
    response.status(status).type('application/problem+json').send(JSON.stringify({ status, detail }));
  app.put('/orders/:id', express.json({ limit: '1mb' }), async (request, response) => {
    const read = orderSheetSchema.safeParse(request.body);
    if (!read.success || read.data.order !== request.params.id)
      return void refuse(response, 400, 'This is not an order in the format this desk reads.');
    const taken = await desk.take(read.data);
    if (taken === 'differs')
      return void refuse(response, 409, 'Another order with this id has been received.');
    if (taken === 'full') return void refuse(response, 409, 'This desk accepts no more orders.');
    response.json(desk.answer(read.data.order));
  });
  app.get('/orders/:id', (request, response) => {
    const answer = desk.answer(request.params.id);
    if (answer === null) refuse(response, 404, 'This order has not been received.');
    else response.json(answer);
  });
  app.get('/', (_request, response) => void response.type('html').send(pageOf(desk)));
  const form = express.urlencoded({ extended: false, limit: '4kb' });
  app.post('/next-day', form, async (request, response) => {
    if (!isOwn(request.get('origin'), request.get('host')))
      return void refuse(response, 403, 'Press the button on this page.');
    await desk.nextDay();
    response.redirect(303, '/');
  });
  app.post('/fates', form, async (request, response) => {
    if (!isOwn(request.get('origin'), request.get('host')))
      return void refuse(response, 403, 'Choose it on this page.');
    const read = z
      .object({ order: z.string().max(40), line: z.string().max(8), fate: z.enum(FATES) })
      .safeParse(request.body);
    if (!read.success || !(await desk.decide(read.data.order, read.data.line, read.data.fate)))
      return void refuse(
        response,
        409,
        'It is too late to change this line, or there is no such line. Go back and check.',
      );
    response.redirect(303, '/');
  });
  return app;
}

/** Whether a form was sent from the desk's own page. */
function isOwn(origin: string | undefined, host: string | undefined): boolean {
  return origin === undefined || (URL.canParse(origin) && new URL(origin).host === host);
}
