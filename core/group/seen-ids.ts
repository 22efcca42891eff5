/**
 * On which line each id of a list stood first, in a few bytes an id, so that a list of millions
 * fits in the memory of one of thousands.
 *
 * An id is kept as a fingerprint of 53 bits and not as its text. Of a million ids, two that
 * differ share one in less than one list of ten thousand; such a row would be told as repeated.
 */
export class SeenIds {
  private fingerprints = new Float64Array(1 << 10);
  private lines = new Uint32Array(1 << 10);
  private count = 0;

  /** The line an id stood on first; `undefined` for one not met yet. */
  get(id: string): number | undefined {
    const slot = slotOf(this.fingerprints, fingerprintOf(id));
    return this.fingerprints[slot] === 0 ? undefined : this.lines[slot];
  }

  /** Keeps the line of an id that was not met yet. */
  set(id: string, line: number): void {
    if (this.count * 2 >= this.fingerprints.length) this.grow();
    const fingerprint = fingerprintOf(id);
    const slot = slotOf(this.fingerprints, fingerprint);
    if (this.fingerprints[slot] === 0) this.count += 1;
    this.fingerprints[slot] = fingerprint;
    this.lines[slot] = line;
  }

  private grow(): void {
    const [fingerprints, lines] = [this.fingerprints, this.lines];
    this.fingerprints = new Float64Array(fingerprints.length * 2);
    this.lines = new Uint32Array(lines.length * 2);
    fingerprints.forEach((fingerprint, slot) => {
      if (fingerprint === 0) return;
      const free = slotOf(this.fingerprints, fingerprint);
      this.fingerprints[free] = fingerprint;
      this.lines[free] = lines[slot]!;
    });
  }
}

/** Where a fingerprint stands, or the free place where it would. */
function slotOf(fingerprints: Float64Array, fingerprint: number): number {
  const mask = fingerprints.length - 1;
  let slot = fingerprint % fingerprints.length;
  while (fingerprints[slot] !== 0 && fingerprints[slot] !== fingerprint) slot = (slot + 1) & mask;
  return slot;
}

/** Two hashes after Fowler, Noll and Vo (FNV-1a, 32 bits, from memory), put together; never zero. */
function fingerprintOf(id: string): number {
  let [low, high] = [0x811c9dc5, 0x9747b28c];
  for (let at = 0; at < id.length; at++) {
    const unit = id.charCodeAt(at);
    low = Math.imul(low ^ unit, 0x01000193);
    high = Math.imul(high ^ (unit + at), 0x01000193);
  }
  high ^= high >>> 15;
  return ((high >>> 0) & 0x1fffff) * 0x1_0000_0000 + (low >>> 0) + 1;
}
