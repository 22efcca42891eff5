/** What holds nothing that is shown. */
const UNSEEN = new Set(['script', 'style', 'template', 'noscript', 'head', 'title', 'select', 'button']);
/** What is counted where it is hidden: somebody may miss it. */
const COUNTED = new Set(['table', 'tr', 'td', 'th']);

/** Keeps, along the open elements of a page, whether what stands within them is shown. */
export class WhatShows {
  /** Open elements, each with why nothing in it is shown, so that leaving it is known. */
  private readonly path: { readonly hides: boolean; readonly skips: boolean }[] = [];
  private closed = 0;
  /** How many rows, cells or tables the page hides. */
  hidden = 0;

  /** Whether what comes now is shown. */
  get now(): boolean {
    return this.closed === 0;
  }

  /** How many elements stand within each other. */
  get depth(): number {
    return this.path.length;
  }

  enter(name: string, attributes: Readonly<Record<string, string>>): void {
    const one = { hides: isHidden(attributes), skips: UNSEEN.has(name) };
    this.path.push(one);
    this.closed += Number(one.hides) + Number(one.skips);
    if (one.hides && COUNTED.has(name)) this.hidden += 1;
  }

  /** Leaves the innermost element; whether it was shown itself. */
  leave(): boolean {
    const shown = this.now;
    const left = this.path.pop();
    if (left !== undefined) this.closed -= Number(left.hides) + Number(left.skips);
    return shown;
  }
}

function isHidden({ hidden, style, class: names = '' }: Readonly<Record<string, string>>): boolean {
  return (
    hidden !== undefined ||
    /display\s*:\s*none|visibility\s*:\s*(?:hidden|collapse)/i.test(style ?? '') ||
    /(?:^|\s)(?:visually-hidden|sr-only|screen-reader-text|hidden)(?:\s|$)/.test(names)
  );
}
