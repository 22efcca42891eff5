import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import * as z from 'zod';
import { Desk, deskApp } from './desk';

const settings = z
  .object({
    DESK_PORT: z.coerce.number().int().min(0).max(65_535).default(0),
    DESK_FILE: z.string().min(1).optional(),
    DESK_SEED: z.string().min(1).default('brackwater'),
    /** So many seconds are a day at the desk; 0 where days only pass by hand. */
    DESK_DAY_SECONDS: z.coerce.number().min(0).max(86_400).default(0),
  })
  .parse(process.env);

const desk = new Desk({ seed: settings.DESK_SEED, file: settings.DESK_FILE });
await desk.begin();
const server = deskApp(desk).listen(settings.DESK_PORT, '127.0.0.1');
await once(server, 'listening');
process.send?.({ port: (server.address() as AddressInfo).port });
if (settings.DESK_DAY_SECONDS > 0)
  setInterval(() => void desk.nextDay().catch(() => undefined), settings.DESK_DAY_SECONDS * 1_000).unref();

const stop = () => {
  server.close(() => process.exit(0));
  server.closeAllConnections();
};
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
// Whoever started it is gone.
process.on('disconnect', stop);
