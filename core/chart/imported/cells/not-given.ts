// Cells that hold no measure: what is not given, and marks that say a size is made.

const NOT_GIVEN =
  /^(?:|[-–—/.?]+|n\.?\/?a\.?|none|null|nil|tbc|tbd|tba|sold out|out of stock|unavailable|not available|not given|on request|ausverkauft|auf anfrage|k\.? ?a\.?|entfällt|épuisé|sur demande|agotado|consultar|s\/d|x{3,})$/iu;
const MARK = /^(?:x|×|✓|✔|☑|√|•|●|◆|■|\*|y|yes|ja|j|oui|o|sí|si)$/iu;

/** Whether a cell says that it gives nothing: empty, a dash, `n/a`, `sold out`. */
export function isNotGiven(text: string): boolean {
  return NOT_GIVEN.test(text.trim());
}

/** Whether a cell is a mark that says: this is made. */
export function isMark(text: string): boolean {
  return MARK.test(text.trim());
}

const READING =
  /^(?:approx\.?|about|ca\.?|c\.|circa|etwa|environ|aprox\.?|[~≈])?\s*(?:[<>≤≥=]+\s*)?[.,]?[\d½¼¾⅛⅜⅝⅞][\d\s.,/½¼¾⅛⅜⅝⅞⅓⅔'’′"″”~∼～–—−+±<>≤≥=()[\]|*†‡§¹²³:;·→…-]*$/u;
const WORDS_OF_MEASURES =
  /(?<![\p{L}])(?:cms?|mm|m|ins?|inch(?:es)?|ft|feet|foot|zoll|pouces?|pulgadas?|zentimeter|centimètres?|to|till|until|and|or|up|over|more|above|larger|under|below|less|smaller|than|from|between|at|least|most|max(?:imum|imal)?|min(?:imum)?|bis|zu|von|ab|und|oder|mehr|größer|kleiner|weniger|unter|über|als|höchstens|mindestens|zwischen|de|à|a|et|ou|plus|moins|jusqu|partir|dès|entre|y|o|más|menos|mayor|menor|hasta|desde|partir|máx(?:imo)?|mín(?:imo)?|upto|upwards)(?![\p{L}])\.?/giu;

/** Whether a cell reads like a measure, whatever its unit: numbers, signs, and words of ends and units. */
export function isMeasure(text: string): boolean {
  if (!/[\d½¼¾⅛⅜⅝⅞]/.test(text)) return false;
  // An end that is none, as we write it ourselves.
  if (/^\* ?- ?[\d(]/.test(text)) return true;
  return READING.test(
    text
      .replace(/\((?:[^()\d]{2,60}|[a-z])\)/gu, ' ')
      .replace(WORDS_OF_MEASURES, ' ')
      .replace(/^[\s'’.]+/, ''),
  );
}
