import type { Response } from 'express';
import { whoeverOf } from '../http/request';
import type { Asking } from './service';

/** Who asks, with the session they ask in, as the guard has put it there. Only for routes that a session opens. */
export function askingOf(response: Response): Asking {
  return whoeverOf(response) as Asking;
}
