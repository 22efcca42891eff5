/** A key of the Bench: what it does, and how the list behind `?` shows it. */
export interface KeyCommand {
  /** As events name them, letters small. */
  readonly keys: readonly string[];
  /** As the list shows them, where that is not the keys themselves. */
  readonly shown?: readonly string[];
  readonly does: string;
  /** Whether it has something to do now; always, where nothing is said. */
  readonly when?: (key: string, event: KeyboardEvent) => boolean;
  readonly run: (key: string) => void;
}

/** Does what the first command has for a key; returns whether any had something to do. */
export function handleKey(commands: readonly KeyCommand[], key: string, event: KeyboardEvent): boolean {
  const command = commands.find(({ keys, when }) => keys.includes(key) && (when?.(key, event) ?? true));
  command?.run(key);
  return command !== undefined;
}

/** What the list behind `?` shows of some commands. */
export function listedKeys(
  commands: readonly KeyCommand[],
): { readonly keys: readonly string[]; readonly does: string; readonly run: () => void }[] {
  return commands
    .filter(({ does }) => does !== '')
    .map((command) => ({
      keys: command.shown ?? command.keys.map(nameOf),
      does: command.does,
      run: () => {
        const [key] = command.keys;
        handleKey([command], key!, new KeyboardEvent('keydown', { key: key! }));
      },
    }));
}

const NAMES: Readonly<Record<string, string>> = {
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  Escape: 'Esc',
};

function nameOf(key: string): string {
  return NAMES[key] ?? (key.length === 1 ? key.toUpperCase() : key);
}

/** Enter on a button presses it; a place does not take it besides. */
export function notOnButton(_key: string, { target }: KeyboardEvent): boolean {
  return !(target instanceof HTMLButtonElement);
}
