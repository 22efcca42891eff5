/**
 * What stands on the label of a parcel: where its docket opens at handing over. A telephone follows it, a scanner at a
 * station is listened to.
 *
 * @param house the address of the house, without a slash at its end
 * @example parcelAddress('https://hall.example', '019ca6b3-b0c0-7636-be8f-29a20a3fa7b8') // 'https://hall.example/bench/019ca6b3-b0c0-7636-be8f-29a20a3fa7b8?hand=1'
 */
export function parcelAddress(house: string, docketId: string): string {
  return `${house}/bench/${docketId}?hand=1`;
}

/**
 * The docket that a parcel's label names; `null` where it is no such label.
 *
 * @example parcelIn('https://hall.example/bench/019CA6B3-B0C0-7636-BE8F-29A20A3FA7B8?hand=1') // '019ca6b3-b0c0-7636-be8f-29a20a3fa7b8'
 * @example parcelIn('https://hall.example/self/4K7QXF9MWB') // null
 */
export function parcelIn(text: string): string | null {
  const found = /\/bench\/([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})\?hand=1$/i.exec(text.trim());
  return found === null ? null : found[1]!.toLowerCase();
}
