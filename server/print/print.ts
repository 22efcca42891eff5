/**
 * How paper is made by whoever answers requests: each room knows its own sheets (`sheet` tells them apart), and the
 * application knows all of them (`server/sheets.ts`).
 */
export type Print<Sheet extends { readonly sheet: string }> = (sheet: Sheet) => Promise<Uint8Array>;
