import { measurement, type MeasurementCode } from '@neat-measure/core';

interface OnePartForm {
  readonly verdict: string;
  readonly proposed: string | null;
  readonly reason: { readonly verdict: string; readonly size?: string };
  readonly placements: readonly { readonly code: MeasurementCode }[];
  readonly odds: unknown;
  readonly alternates: unknown;
  readonly rule: unknown;
  readonly preference: unknown;
}

/** A verdict kept before garments had parts, as one of a garment of one part; any other as it is. */
export function asParts(kept: unknown): unknown {
  return isOnePartForm(kept) ? toParts(kept) : kept;
}

function isOnePartForm(kept: unknown): kept is OnePartForm {
  return typeof kept === 'object' && kept !== null && !('parts' in kept) && 'placements' in kept;
}

function toParts({ verdict, proposed, reason, placements, odds, alternates, rule, preference }: OnePartForm) {
  // The placements are repeated inside the reason; all of them get what they lacked.
  const whole = JSON.parse(JSON.stringify({ reason, placements }), (_, value: unknown) =>
    typeof value === 'object' && value !== null && 'standardError' in value && 'code' in value
      ? { name: measurement((value as { code: MeasurementCode }).code).name, estimatedFrom: null, ...value }
      : value,
  ) as { reason: object; placements: unknown };
  const part = {
    part: 'size',
    name: 'Size',
    verdict,
    proposed,
    reason: { offScale: [], requirement: null, waitsFor: null, ...whole.reason },
    sizes: [],
    placements: whole.placements,
    advisory: [],
    odds,
    alternates,
    alterations: [],
    rule,
  };
  return {
    verdict,
    proposed,
    sizes: proposed === null ? {} : { size: proposed },
    parts: [part],
    worst: 'size',
    notMade: null,
    alternates,
    derived: [],
    options: [],
    takenOtherwise: [],
    cautions: [],
    rule,
    preference,
  };
}
