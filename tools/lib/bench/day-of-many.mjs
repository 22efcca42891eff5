// A day of many wearers, made over the API: what several measurements begin with.
import { v7 as uuidv7 } from 'uuid';

/** What is done over the API under the name of the demo's fitter. */
export async function signedIn(page, base) {
  const headers = { origin: base };
  const session = await page.request.post(`${base}/api/session`, {
    data: { signIn: 'odalys', passphrase: 'low-tide-table' },
    headers,
  });
  const { pen, id, name } = (await session.json()).who;
  const act = async (musterId, doing) => {
    const one = { id: uuidv7(), musterId, at: new Date().toISOString(), by: { id, name }, ...doing };
    const answer = await page.request.post(`${base}/api/acts`, { data: { pen, acts: [one] }, headers });
    const [{ outcome, detail }] = await answer.json();
    if (outcome !== 'kept') throw new Error(detail);
  };
  const people = new Map();
  return {
    act,
    people,
    open: async (title) => {
      const musterId = uuidv7();
      const day = new Date().toISOString().slice(0, 10);
      await act(musterId, { kind: 'muster-opened', name: title, place: '', day, lastDay: day, unit: 'cm' });
      for (let at = 0; at < 12; at += 1)
        await act(musterId, {
          kind: 'station-opened',
          stationId: uuidv7(),
          name: `Station ${at + 1}`,
          parts: ['girths', 'lengths', 'deciding'],
        });
      return musterId;
    },
    order: (musterId) =>
      timed(page, `${base}/api/musters/${musterId}/order-ahead`, { chance: 0.95 }, headers),
    slips: (musterId, count) => {
      const wearerIds = people
        .get(musterId)
        .slice(-count)
        .map(({ wearerId }) => wearerId);
      const data = { lastDay: '2099-12-31', wearerIds, as: 'slips' };
      return timed(page, `${base}/api/musters/${musterId}/slips`, data, headers);
    },
    import: async (musterId, count) => {
      const rows = Array.from({ length: count }, (_, at) => ({
        ...{ line: at + 2, name: `Wearer ${at} of ${musterId.slice(-6)}`, role: 'Ranger' },
        ...{ born: null, number: null, group: null, sizes: [] },
        readings: [
          { code: 'height', typed: String(155 + (at % 40)), unit: 'cm' },
          { code: 'weight', typed: String(50 + (at % 45)), unit: 'kg' },
        ],
      }));
      const began = performance.now();
      const path = `${base}/api/musters/${musterId}`;
      await page.request.post(`${path}/matches`, { data: { rows }, headers });
      const wanted = rows.map((row) => ({ ...row, wearerId: uuidv7(), docketId: uuidv7(), isNew: true }));
      const data = {
        actId: uuidv7(),
        at: new Date().toISOString(),
        kitId: null,
        changes: false,
        rows: wanted,
      };
      const answer = await page.request.put(`${path}/people`, { data, headers });
      if (answer.status() !== 200) throw new Error(await answer.text());
      people.set(musterId, wanted);
      return performance.now() - began;
    },
  };
}

/** How long a question takes that must be answered. */
async function timed(page, path, data, headers) {
  const began = performance.now();
  const answer = await page.request.post(path, { data, headers, timeout: 300_000 });
  if (answer.status() !== 200) throw new Error(await answer.text());
  return performance.now() - began;
}
