/** A key of a place: what it does, and how the list behind `?` shows it. */
export interface KeyCommand {
  /** As `keyOf` names them; `letters` for whatever is a letter or a sign. */
  readonly keys: readonly string[] | 'letters';
  /** As the list shows them, where that is not the keys themselves. */
  readonly shown?: readonly string[];
  /** Empty for what the list need not show. */
  readonly does: string;
  /** Where the keys have to be for it, in words; it is done from nowhere else. */
  readonly within?: string;
  /** Whether it has something to do now; always, where nothing is said. */
  readonly when?: (key: string, event: KeyboardEvent) => boolean;
  /** Absent where the browser does it by itself. */
  readonly run?: (key: string, event: KeyboardEvent) => void;
}

/** One key and what it does, as the list behind `?` shows it. */
export interface Shortcut {
  readonly keys: readonly string[];
  readonly does: string;
  /** Does it, where it can be done without being at something. */
  readonly run?: () => void;
}

/** The name of a key: as events name it, letters small, `Ctrl+` before it with Ctrl or its like on other machines. */
export function keyOf({ key, ctrlKey, metaKey }: KeyboardEvent): string {
  const name = key.length === 1 ? key.toLowerCase() : key;
  return ctrlKey || metaKey ? `Ctrl+${name}` : name;
}

/** Does what the first command has for a key; returns whether any had something to do. */
export function handleKey(commands: readonly KeyCommand[], key: string, event: KeyboardEvent): boolean {
  const command = commands.find(
    ({ keys, when, run }) =>
      run !== undefined &&
      (keys === 'letters' ? key.length === 1 : keys.includes(key)) &&
      (when?.(key, event) ?? true),
  );
  command?.run?.(key, event);
  return command !== undefined;
}

/** What the list behind `?` shows of some commands. */
export function listedKeys(commands: readonly KeyCommand[]): readonly Shortcut[] {
  return commands.filter(({ does }) => does !== '').map(listed);
}

function listed(command: KeyCommand): Shortcut {
  const own = command.keys === 'letters' ? ['a–z'] : command.keys.map(nameOf);
  const keys = command.shown ?? own;
  if (command.within !== undefined) return { keys, does: `${command.within}: ${command.does}` };
  const [key] = command.keys;
  if (command.run === undefined || command.keys === 'letters' || key === undefined)
    return { keys, does: command.does };
  return {
    keys,
    does: command.does,
    run: () => {
      handleKey([command], key, new KeyboardEvent('keydown', { key }));
    },
  };
}

const NAMES: Readonly<Record<string, string>> = {
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  Escape: 'Esc',
};

function nameOf(key: string): string {
  if (key.startsWith('Ctrl+')) return `Ctrl ${nameOf(key.slice(5))}`;
  return NAMES[key] ?? (key.length === 1 ? key.toUpperCase() : key);
}

/** Enter on a button presses it, on a link follows it, on a fold opens it; a place does not take it besides. */
export function notOnButton(_key: string, { target }: KeyboardEvent): boolean {
  return !(target instanceof Element && target.closest('button, a[href], summary') !== null);
}
