/** So long a page may be busy at once before what is typed meanwhile would be seen late. */
const MOST_MS = 8;

/**
 * What is awaited between the parts of long work on the page's own thread: it lets the page breathe once the work has taken
 * some milliseconds, and costs nothing before.
 */
export function breaths(most = MOST_MS): () => Promise<void> {
  let since = performance.now();
  return async () => {
    if (performance.now() - since < most) return;
    await new Promise((resolve) => setTimeout(resolve));
    since = performance.now();
  };
}
