import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import knex from 'knex';
import { docketIds, reading, signIn } from './serving/client.mjs';
import { Clerk } from './torture-clerk.mjs';
import { ROOT } from './paths.mjs';
import { freePort } from './database/ports.mjs';
import { say } from './run.mjs';
import { keepServer } from './serving/serve.mjs';

const FITTERS = 6;

/** Numbers from 0 to 1, the same for a seed (a linear congruence, Knuth's constants, from memory). */
function drawFrom(seed) {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/**
 * Saves readings without pause while the application is ill-treated.
 *
 * @param ways into the database, `{ url, owner }`
 * @param databasePid tells its process now
 * @param fill fills its disk; `null` where it cannot be
 * @param empty makes room again
 * @returns `{ good, words }`
 */
export async function torture({ ways, databasePid, kills, seed, fill, empty }) {
  const random = drawFrom(seed);
  const server = await keepServer(
    {
      DATABASE_URL: ways.url,
      DATABASE_OWNER_URL: ways.owner,
      PORT: String(await freePort()),
      DEMO_FOLDER: join(ROOT, 'demo'),
      LOG_LEVEL: 'silent',
    },
    Infinity,
  );
  const base = `http://127.0.0.1:${server.port}`;
  const { who, cookie } = await signIn(base);
  const dockets = await docketIds(base, cookie);
  const acknowledged = new Set();
  const told = { sent: 0, away: 0, broken: 0, odd: [] };
  let going = true;
  const fitters = Array.from({ length: FITTERS }, async (_, fitter) => {
    while (going) {
      const act = reading(who, dockets[fitter % dockets.length]);
      // Whatever is not acknowledged is sent again, as the journal of a device does.
      while (going) {
        told.sent += 1;
        const answer = await save(base, who.pen, act);
        if (answer === 'kept') acknowledged.add(act.id);
        if (answer === 'kept') break;
        if (answer === 'away' || answer === 'broken') {
          told[answer] += 1;
          await wait(30);
        } else {
          told.odd.push(answer);
          break;
        }
      }
    }
  });
  const clerk = await Clerk.at(base, cookie, random);
  const clerks = [0, 1, 2].map(async () => {
    while (going) await clerk.does(() => going);
  });
  const done = { server: 0, database: 0, stalls: 0, fills: 0 };
  for (let kill = 0; kill < kills; kill++) {
    await wait(20 + random() * 600);
    const chance = random();
    if (chance < 0.6) {
      done.server += 1;
      end(server.pid);
    } else if (chance < 0.9) {
      done.database += 1;
      end(databasePid());
    } else if (chance < 0.96 || fill === null) {
      done.stalls += 1;
      await stall(databasePid(), 1_000 + random() * 3_000);
    } else {
      done.fills += 1;
      fill();
      await wait(1_500);
      empty();
    }
    if (kill % 20 === 19) say(`  ${kill + 1} of ${kills}: ${acknowledged.size} acknowledged`);
    await untilSaved(acknowledged);
  }
  going = false;
  await Promise.all([...fitters, ...clerks]);
  await server.stop();
  const database = knex({ client: 'mysql2', connection: ways.owner });
  const kept = new Map();
  // The last kill may have been the database's, which is just coming back.
  for (const id of await whenBack(() => database('acts').pluck('id'))) kept.set(id, (kept.get(id) ?? 0) + 1);
  const stores = await clerk.check(database);
  await database.destroy();
  const lost = [...acknowledged].filter((id) => kept.get(id) === undefined).length;
  const doubled = [...kept.values()].filter((count) => count > 1).length;
  return {
    good:
      lost === 0 &&
      doubled === 0 &&
      told.odd.length === 0 &&
      acknowledged.size > 0 &&
      stores.wrong.length === 0,
    words: [
      `torture: ${done.server} kills of the server, ${done.database} of the database, ${done.stalls} stalls, ${done.fills} full disks; seed ${seed}`,
      `torture: ${told.sent} requests, ${acknowledged.size} acts acknowledged, ${lost} lost, ${doubled} doubled; ${told.away} answered 503, ${told.broken} broken off`,
      stores.words,
      ...stores.wrong.slice(0, 5).map((one) => `torture: ${one}`),
      ...told.odd.slice(0, 5).map((one) => `torture: an odd answer: ${one}`),
    ].join('\n'),
  };
}

/** Asks again until it is answered; at most half a minute. */
async function whenBack(ask) {
  for (let tries = 0; tries < 60; tries++) {
    try {
      return await ask();
    } catch {
      await wait(500);
    }
  }
  return ask();
}

function end(pid) {
  try {
    process.kill(pid, 'SIGKILL');
  } catch {
    // It was just ended, and is not started again yet.
  }
}

async function stall(pid, ms) {
  try {
    process.kill(pid, 'SIGSTOP');
    await wait(ms);
    process.kill(pid, 'SIGCONT');
  } catch {
    // The same.
  }
}

/** Goes on once something is saved again, so that every kill meets work; at most a minute. */
async function untilSaved(acknowledged) {
  const before = acknowledged.size;
  for (let tries = 0; tries < 600 && acknowledged.size === before; tries++) await wait(100);
  if (acknowledged.size === before) throw new Error('Nothing has been saved for a minute.');
}

async function save(base, pen, act) {
  try {
    const response = await fetch(`${base}/api/acts`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ pen, acts: [act] }),
      signal: AbortSignal.timeout(25_000),
    });
    if (response.status === 503) return 'away';
    const text = await response.text();
    if (response.status !== 200) return `${response.status} ${text.slice(0, 200)}`;
    const [answer] = JSON.parse(text);
    return answer.outcome === 'kept' ? 'kept' : text.slice(0, 200);
  } catch {
    return 'broken';
  }
}
