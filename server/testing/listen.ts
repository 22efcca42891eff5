import type { Harness } from './harness';

/**
 * Reads the events of a stream until there are enough.
 *
 * @param ready done once the stream stands
 */
export async function heardFrom(
  app: Harness,
  path: string,
  count: number,
  ready: () => Promise<unknown>,
  headers: Record<string, string> = {},
): Promise<unknown[]> {
  const ended = new AbortController();
  const response = await fetch(`http://127.0.0.1:${app.port}${path}`, {
    headers: { cookie: app.cookie, ...headers },
    signal: ended.signal,
  });
  await ready();
  let text = '';
  // Node's streams iterate; the browser's types beside them do not say so.
  for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
    text += Buffer.from(chunk).toString();
    if ((text.match(/^data:/gm) ?? []).length >= count) break;
  }
  ended.abort();
  return [...text.matchAll(/^data:(.*)$/gm)].map((found): unknown => JSON.parse(found[1]!));
}
