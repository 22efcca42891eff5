/** All that stands on a sheet, one text behind the other. */
export function textOf(content: unknown): string {
  if (typeof content === 'string') return content;
  if (Array.isArray(content)) return content.map(textOf).join(' ');
  if (typeof content !== 'object' || content === null) return '';
  return Object.entries(content)
    .filter(([key]) => ['text', 'stack', 'columns', 'table', 'body', 'ul', 'content'].includes(key))
    .map(([, value]) => textOf(value))
    .join(' ');
}
