/**
 * The few web-standard globals that core uses and that every runtime it meets has (browser,
 * worker, Node.js). Declared by hand, so that neither the DOM's nor Node's types leak in.
 */
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean; ignoreBOM?: boolean });
  decode(input?: Uint8Array): string;
}

/** Specs print the rates they measure. */
declare const console: { log(...said: unknown[]): void };
