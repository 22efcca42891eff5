/** A scanner types a code faster than anybody, and ends with Enter. */
const SCANNER_MS = 60;
/** Two keys so fast are a scanner's; over the air, or where the page is busy, the rest of its code may halt on the way. */
const HALTS_MS = 200;
/** A shorter burst is somebody's hand on the keys. */
const SHORTEST_CODE = 4;
/** Where numbers are typed by hand, a code is what begins with two letters and is as long as the house's own, or an address. */
const LETTERED = /^(?:[a-z]{2}[a-z0-9-]{5,}|https?:\/\/\S+)$/i;
/** What is typed into a field has to be longer to be taken out of it again. */
const SHORTEST_IN_FIELD = 6;

/** How a scanner is listened to: to any code, only to one that begins with letters as numbers are typed there, or not at all. */
export type Listening = 'any' | 'lettered' | 'none';

/**
 * Tells a scanner from hands, wherever the keys go: what comes as fast as no hand, and ends with Enter, is a code and nothing
 * else. No key of it is a command, and none of it stays in a field.
 */
export class ScannerEar {
  private held: KeyboardEvent[] = [];
  private typed = '';
  /** When the first of it was typed. */
  private typedFrom = 0;
  /** What stood in a field before a scanner typed into it. */
  private before = '';
  private last = -Infinity;
  /** Apart from the last: the same key may be heard in a field first, and would follow itself at once. */
  private lastInField = -Infinity;
  private waits: ReturnType<typeof setTimeout> | undefined;
  /** Keys that were held and are let go: not held a second time. */
  private readonly letGo = new WeakSet<KeyboardEvent>();

  /**
   * @param heard gets the code
   * @param pass gets the first of the keys that were no code after all; the others are pressed anew after it, as it may have
   * gone somewhere where they mean something else
   * @param how a scanner is listened to now
   */
  constructor(
    private readonly heard: (code: string) => void,
    private readonly pass: (event: KeyboardEvent) => void = () => undefined,
    private readonly how: () => Listening = () => 'any',
  ) {}

  /** Takes a key that may be of a code, until it is known; whether it took it. Asked again of one it says the same. */
  takes(event: KeyboardEvent): boolean {
    const before = this.judged.get(event);
    if (before !== undefined) return before;
    const taken = this.judge(event);
    this.judged.set(event, taken);
    return taken;
  }

  /** Whether a key follows those that are held, as fast as no hand: it is the scanner's, whatever else it means here. */
  goesOn(event: KeyboardEvent): boolean {
    return this.held.length > 0 && !event.defaultPrevented && event.timeStamp - this.last <= this.patience;
  }

  private readonly judged = new WeakMap<KeyboardEvent, boolean>();

  private judge(event: KeyboardEvent): boolean {
    const how = this.how();
    if (this.letGo.has(event) || how === 'none') return false;
    if (event.ctrlKey || event.metaKey || event.altKey) return false;
    // Nobody holds a key down as soon as that within a code.
    if (event.repeat && this.held.length === 0) return false;
    // A blank alone presses what has the focus.
    if (event.key === ' ' && this.held.length === 0) return false;
    if (how === 'lettered' && this.held.length === 0 && !/^[a-z]$/i.test(event.key)) return false;
    // By when a key was pressed, not by when a busy page came to it: a code would be torn apart.
    const isFast = event.timeStamp - this.last <= this.patience;
    this.last = event.timeStamp;
    if (event.key.length === 1) {
      if (!isFast) {
        this.flush();
        // What was held may have gone to where no scanner is listened to.
        if (this.how() !== how) return this.judge(event);
      }
      this.held.push(event);
      clearTimeout(this.waits);
      this.waits = setTimeout(() => this.flushUnlessMoreCame(), this.patience);
      event.preventDefault();
      return true;
    }
    const code = this.held.map(({ key }) => key).join('');
    if (
      event.key === 'Enter' &&
      isFast &&
      isCode(code, SHORTEST_CODE) &&
      (how === 'any' || LETTERED.test(code))
    ) {
      this.forget();
      event.preventDefault();
      this.heard(code);
      return true;
    }
    if (event.key !== 'Shift') this.flush();
    return event.key === 'Shift' && this.holds;
  }

  /** Listens to what is typed into a field, before the field does: a code is taken out of it again. */
  listensIn(field: HTMLInputElement | HTMLTextAreaElement, event: KeyboardEvent): void {
    if (this.letGo.has(event) || this.how() !== 'any') return;
    const goesOn = event.timeStamp - this.lastInField <= patienceAfter(this.typed.length);
    this.lastInField = event.timeStamp;
    if (event.key.length === 1) {
      if (!goesOn) this.typed = '';
      if (this.typed === '') [this.before, this.typedFrom] = [field.value, event.timeStamp];
      this.typed += event.key;
    } else if (event.key === 'Enter') {
      const code = this.typed;
      this.typed = '';
      // A code may halt on its way here, too; all of it together comes as fast as no hand.
      const isFast = goesOn && event.timeStamp - this.typedFrom <= code.length * SCANNER_MS;
      // What is held has not come into the field, and is heard once.
      if (this.holds) return;
      const isText = takesText(field);
      if (!isFast || !isCode(code, isText ? SHORTEST_IN_FIELD : SHORTEST_CODE)) return;
      // As it was before a code went through it: of a day, or of a short number, not all of the code stands there.
      field.value = this.before;
      field.dispatchEvent(new Event('input', { bubbles: true }));
      if (!isText) field.dispatchEvent(new Event('change', { bubbles: true }));
      event.preventDefault();
      event.stopImmediatePropagation();
      this.heard(code);
    } else if (event.key !== 'Shift') this.typed = '';
  }

  private get patience(): number {
    return patienceAfter(this.held.length);
  }

  /** Whether keys are held that may be of a code. */
  get holds(): boolean {
    return this.held.length > 0;
  }

  /** Lets go of everything: the place is left. */
  forget(): void {
    clearTimeout(this.waits);
    this.held = [];
    this.typed = '';
  }

  /** A busy page comes to its timers late, and perhaps before keys that have come long ago: they go first. */
  private flushUnlessMoreCame(): void {
    this.waits = setTimeout(() => this.flush());
  }

  private flush(): void {
    clearTimeout(this.waits);
    const held = this.held;
    this.held = [];
    held.forEach((event, at) => {
      // What was typed into a field stands there, unless it is a command.
      if (at === 0 && !isField(event.target)) this.pass(event);
      else this.pressAnew(event);
    });
  }

  /** Where the key before has opened a list or a field, a key belongs there. */
  private pressAnew(event: KeyboardEvent): void {
    const at = document.activeElement ?? document.body;
    const anew = new KeyboardEvent(event.type, {
      key: event.key,
      code: event.code,
      shiftKey: event.shiftKey,
      bubbles: true,
      cancelable: true,
    });
    this.letGo.add(anew);
    const isTaken = !at.dispatchEvent(anew);
    if (isTaken || !isField(at)) return;
    // A day or a tick takes no letters from here.
    if (!takesText(at)) return;
    at.setRangeText(event.key, at.selectionStart ?? 0, at.selectionEnd ?? 0, 'end');
    at.dispatchEvent(new Event('input', { bubbles: true }));
  }
}

/** How long the next key may take: torn, the first of a code would be commands, and its rest another code. */
function patienceAfter(keys: number): number {
  return keys >= 2 ? HALTS_MS : SCANNER_MS;
}

function isField(target: EventTarget | null): target is HTMLInputElement | HTMLTextAreaElement {
  return target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement;
}

const NO_TEXT = ['date', 'time', 'datetime-local', 'month', 'week', 'checkbox', 'radio', 'range', 'color'];

/** Whether what is typed into a field stands there as it is typed. */
export function takesText(field: HTMLInputElement | HTMLTextAreaElement): boolean {
  return !NO_TEXT.includes(field.type);
}

/** What stands on labels has a digit in it, and no blank. */
function isCode(text: string, shortest: number): boolean {
  return text.length >= shortest && /\d/.test(text) && !/\s/.test(text);
}
