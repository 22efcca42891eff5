/**
 * A name as it is looked for: without its accents, in small letters, without blanks around it.
 *
 * @example plainName(' Bo Çelik') // 'bo celik'
 */
export function plainName(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim();
}
