import { randomUUID } from 'node:crypto';

/** Signs the demo's fitter in: who it is, with the pen, and the cookie. */
export async function signIn(base) {
  const answer = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ signIn: 'odalys', passphrase: 'low-tide-table' }),
  });
  return { who: (await answer.json()).who, cookie: answer.headers.getSetCookie()[0].split(';')[0] };
}

/** Some dockets there are. */
export async function docketIds(base, cookie) {
  const answer = await fetch(`${base}/api/dockets`, { headers: { cookie } });
  return (await answer.json()).items.map(({ id }) => id);
}

/** A reading as the Bench sends it; its id is of version 7, by the moment. */
export function reading({ id, name }, docketId) {
  const hex = Date.now().toString(16).padStart(12, '0');
  const random = randomUUID();
  return {
    id: `${hex.slice(0, 8)}-${hex.slice(8)}-7${random.slice(15, 18)}-${random.slice(19)}`,
    docketId,
    at: new Date().toISOString(),
    by: { id, name },
    kind: 'reading-taken',
    code: 'chest-girth',
    typed: '98.5',
    unit: 'cm',
    length: 985_000,
    stance: 'standing',
    tension: 'skin',
    clothing: 'close-fitting',
    instrument: 'tape',
    origin: 'fitter',
    carriedFrom: null,
    device: null,
  };
}
