/** Something kept that counts up in the order it came. */
export interface Placed {
  readonly place: number;
}

/** How often what other instances took in is looked for, while anybody listens at all. */
const LOOK_MS = 700;
/** Of two that are kept at once the one with the lower place may be seen later: so far back it is looked again. */
const BACK = 100;
/** How many a listener remembers to have heard. */
const REMEMBERED = 1_000;

/** Where the lookout finds what came: the latest place, and what came behind one on some subjects. */
export interface Source<Item extends Placed> {
  latest(): Promise<number>;
  behind(
    place: number,
    subjects: readonly string[],
  ): Promise<readonly { readonly subject: string; readonly item: Item }[]>;
}

interface Listener<Item> {
  readonly hear: (item: Item) => void;
  /** The places heard of late. */
  readonly heard: Set<number>;
  /** Behind which place it listens; until that is known, only to what this instance keeps. */
  from: number;
}

/**
 * Tells whoever listens on a subject what is kept there, at once when this instance kept it, and
 * within a second when another did. Nobody is told the same twice.
 */
export class Lookout<Item extends Placed> {
  private readonly listeners = new Map<string, Set<Listener<Item>>>();
  private seen: number | null = null;
  private timer: NodeJS.Timeout | null = null;

  constructor(
    private readonly source: Source<Item>,
    private readonly stopping: AbortSignal,
  ) {}

  /** Hears what comes on a subject from now on, and nothing that came before; gives how to stop. */
  async listen(subject: string, hear: (item: Item) => void): Promise<() => void> {
    const listener: Listener<Item> = { hear, heard: new Set(), from: Infinity };
    const others = this.listeners.get(subject) ?? new Set();
    this.listeners.set(subject, others.add(listener));
    listener.from = await this.source.latest().catch(() => Infinity);
    if (this.timer === null) void this.look();
    return () => {
      others.delete(listener);
      if (others.size === 0 && this.listeners.get(subject) === others) this.listeners.delete(subject);
    };
  }

  /** Tells of something that was kept. */
  tell(subject: string, item: Item): void {
    for (const listener of this.listeners.get(subject) ?? []) hearOnce(listener, item);
  }

  private async look(): Promise<void> {
    if (this.listeners.size === 0 || this.stopping.aborted) {
      this.timer = null;
      this.seen = null;
      return;
    }
    this.timer = setTimeout(() => void this.look(), LOOK_MS);
    this.timer.unref();
    try {
      const from = this.seen;
      const latest = await this.source.latest();
      this.seen = latest;
      if (from === null || latest === 0) return;
      for (const { subject, item } of await this.source.behind(Math.max(0, from - BACK), [
        ...this.listeners.keys(),
      ]))
        for (const listener of this.listeners.get(subject) ?? [])
          if (item.place > listener.from) hearOnce(listener, item);
    } catch {
      // Away for a moment, the database is looked into again at the next turn, from where it was.
    }
  }
}

function hearOnce<Item extends Placed>({ heard, hear }: Listener<Item>, item: Item): void {
  if (heard.has(item.place)) return;
  heard.add(item.place);
  if (heard.size > REMEMBERED) heard.delete(heard.values().next().value!);
  hear(item);
}
