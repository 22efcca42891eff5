import { connect } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';

/**
 * Sends bytes as they are to a port of this machine, and gives what comes back until the other side
 * ends it.
 *
 * @param most how long it may take, in ms
 * @throws Error when it is kept open for longer
 */
export async function rawRequest(port: number, text: string | Buffer, most = 8_000): Promise<string> {
  const socket = connect(port, '127.0.0.1');
  let answer = '';
  const ended = new Promise<string>((resolve) => {
    socket.on('data', (bytes: Buffer) => (answer += bytes.toString('latin1')));
    socket.on('error', () => resolve(answer));
    socket.on('close', () => resolve(answer));
  });
  socket.write(text);
  const late = wait(most).then(() => {
    socket.destroy();
    throw new Error(`still open after ${most} ms`);
  });
  return Promise.race([ended, late]);
}
