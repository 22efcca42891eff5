import { fork } from 'node:child_process';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { docketIds, reading, signIn } from '../../serving/client.mjs';
import { demoServer } from '../../serving/demo-server.mjs';
import { ROOT } from '../../paths.mjs';
import { say } from '../../run.mjs';

const FITTERS = 200;
const EACH = 25;
const RUNS = 3;

/**
 * 200 fitters who save readings at once over loopback, against as many who do a bare Express and mysql2
 * insert, in turns. Prints the ratio of throughputs, and how long the slowest wait.
 */
export async function measureLoad() {
  const server = await demoServer('load', 'server');
  const { ways, base } = server;
  const bare = fork(join(ROOT, 'tools/lib/bench/load/bare-server.mjs'), {
    env: { ...process.env, DATABASE_URL: ways.owner, NODE_ENV: 'production' },
  });
  const barePort = (await new Promise((resolve) => bare.once('message', resolve))).port;
  const fitters = fork(join(ROOT, 'tools/lib/bench/load/fitters.mjs'));
  const run = (task) =>
    new Promise((resolve) => {
      fitters.once('message', resolve);
      fitters.send({ fitters: FITTERS, each: EACH, ...task });
    });
  try {
    const signedIn = await signIn(base);
    const dockets = await docketIds(base, signedIn.cookie);
    const database = (await import('knex')).default({ client: 'mysql2', connection: ways.owner });
    const before = await acts(database);
    const rates = { ours: [], bare: [] };
    const tails = [];
    let failed = 0;
    // The first turn warms both up and does not count.
    for (let turn = 0; turn <= RUNS; turn++) {
      const readings = () =>
        Array.from({ length: FITTERS }, (_, fitter) =>
          Array.from({ length: EACH }, () => reading(signedIn.who, dockets[fitter % dockets.length])),
        );
      const plain = await run({ port: barePort, path: '/readings', bodies: readings() });
      await wait(500);
      const ours = await run({
        port: server.port,
        path: '/api/acts',
        bodies: readings().map((all) => all.map((act) => ({ pen: signedIn.who.pen, acts: [act] }))),
      });
      await wait(500);
      failed += ours.failed;
      if (turn === 0) continue;
      rates.bare.push(plain.rate);
      rates.ours.push(ours.rate);
      tails.push(ours.p99 / ours.p50);
      say(
        `  turn ${turn}: bare ${plain.rate.toFixed(0)} a second (p50 ${plain.p50.toFixed(0)} ms, p99 ${plain.p99.toFixed(0)} ms), ours ${ours.rate.toFixed(0)} (p50 ${ours.p50.toFixed(0)} ms, p99 ${ours.p99.toFixed(0)} ms)`,
      );
    }
    const kept = (await acts(database)) - before;
    await database.destroy();
    const middle = (all) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)];
    const sent = (RUNS + 1) * FITTERS * EACH;
    say(`load: ${FITTERS} fitters save readings; ${kept} of ${sent} kept, ${failed} refused`);
    say(
      `load: against bare Express and mysql2, at least 0.5: ratio ${(middle(rates.ours) / middle(rates.bare)).toFixed(2)}`,
    );
    say(`load: p99 over p50, at most 5: ratio ${middle(tails).toFixed(1)}`);
    if (kept !== sent || failed > 0) throw new Error('Readings were lost, doubled or refused.');
  } finally {
    fitters.disconnect();
    bare.disconnect();
    await server.stop();
  }
}

async function acts(database) {
  return Number((await database('acts').count({ n: '*' }))[0].n);
}
