// Many fitters at once, each saving one reading after the other: how long each waits, and what came of it.
import { Agent, request } from 'node:http';

/** Sends JSON and reads what comes back. */
function send(agent, port, path, body, headers = {}) {
  return new Promise((resolve, reject) => {
    const text = JSON.stringify(body);
    const asked = request(
      {
        agent,
        host: '127.0.0.1',
        port,
        path,
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          'content-length': Buffer.byteLength(text),
          ...headers,
        },
      },
      (response) => {
        let answer = '';
        response.setEncoding('utf8');
        response.on('data', (part) => (answer += part));
        response.on('end', () => resolve({ status: response.statusCode, answer }));
        response.on('error', reject);
      },
    );
    asked.on('error', reject);
    asked.end(text);
  });
}

process.on('message', async ({ port, path, fitters, each, bodies }) => {
  const agent = new Agent({ keepAlive: true, maxSockets: fitters });
  const waits = [];
  let failed = 0;
  const begun = performance.now();
  await Promise.all(
    Array.from({ length: fitters }, async (_, fitter) => {
      for (let at = 0; at < each; at++) {
        const start = performance.now();
        const { status, answer } = await send(agent, port, path, bodies[fitter][at]).catch(() => ({
          status: 0,
        }));
        waits.push(performance.now() - start);
        if (status !== 200 || answer.includes('"refused"')) failed += 1;
      }
    }),
  );
  const seconds = (performance.now() - begun) / 1000;
  agent.destroy();
  waits.sort((a, b) => a - b);
  const at = (share) => waits[Math.min(waits.length - 1, Math.floor(waits.length * share))];
  process.send({ rate: waits.length / seconds, p50: at(0.5), p99: at(0.99), failed });
});
process.on('disconnect', () => process.exit(0));
