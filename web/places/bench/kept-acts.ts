import type { Bench, KeptAct } from '@neat-measure/contract';

/** Of kept acts those the server has: what this device opened by itself stands there under other ids. */
export function standing(kept: readonly KeptAct[]): readonly KeptAct[] {
  return kept.filter(({ place }) => place >= 0);
}

/** A docket that is looked at anew, with every chart that is known of it here: a step does not close for one that did not come. */
export function withKnownCharts(bench: Bench, before: Bench | null): Bench {
  const missing = (before?.charts ?? []).filter(({ id }) => bench.charts.every((one) => one.id !== id));
  return missing.length === 0 ? bench : { ...bench, charts: [...bench.charts, ...missing] };
}

/** Kept acts, each once, in the order they were let in. */
export function inOrder(some: readonly KeptAct[], more: readonly KeptAct[]): readonly KeptAct[] {
  const all = new Map([...some, ...more].map((one) => [one.act.id, one]));
  return [...all.values()].sort((a, b) => a.place - b.place);
}
