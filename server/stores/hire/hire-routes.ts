import { bookingSaveSchema, freeQuerySchema, hireQuerySchema, STORES } from '@neat-measure/contract/stores';
import { Router } from 'express';
import type { Database } from '../../database/database';
import { readBody, readId, readQuery } from '../../http/request';
import { bookingOf, freeFor, hireCalendar, saveBooking } from './hire';
import { keptInStores } from '../routes';

/** The calendar of what is hired. All need a session. */
export function hireRoutes(database: Database): Router {
  return Router()
    .get(STORES.bookings, async (request, response) => {
      response.json(await hireCalendar(database, readQuery(hireQuerySchema, request)));
    })
    .get(`${STORES.bookings}/:id`, async (request, response) => {
      response.json(await bookingOf(database, readId(request)));
    })
    .put(`${STORES.bookings}/:id`, async (request, response) => {
      const id = readId(request);
      const save = readBody(bookingSaveSchema, request);
      const { from, until, pieceId, cancelled } = save;
      await keptInStores(
        database,
        response,
        { booking: id, pieceId, from, until, cancelled },
        (transaction) => saveBooking(transaction, id, save),
      );
      response.json(await bookingOf(database, id));
    })
    .get(STORES.free, async (request, response) => {
      const { series, from, until } = readQuery(freeQuerySchema, request);
      response.json(await freeFor(database, series, { from, until }));
    });
}
