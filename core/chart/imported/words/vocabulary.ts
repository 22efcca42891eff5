// How makers head their columns, in English, German, French and Spanish. Words and codes only; what is made
// of them stands in guess-heading.ts.
import type { Meaning } from './meaning';

/**
 * A heading as it is compared: small letters, no accents, `ß` as `ss`, every sign but letters and digits a space.
 *
 * @example plainWords('Brust-/Umfang (cm)') // 'brust umfang cm'
 */
export function plainWords(text: string): string {
  return text
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/œ/g, 'oe')
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}

/** What `plainWords` makes of umlauts written out, `huefte`, is what it makes of `hüfte`. */
const ANY_WAIST = ['waist-girth', 'trouser-waist-girth', 'navel-girth', 'abdominal-girth'] as const;
const ANY_SLEEVE = ['cervicale-to-wrist', 'arm-length', 'shoulder-to-knuckle'] as const;
const ANY_CHEST = ['chest-girth', 'bust-girth'] as const;

/**
 * What each word or phrase may mean. A word for several places has several codes, and none of them is taken
 * by itself: there are four waists and three sleeves. Longer phrases are looked for first.
 */
export const PHRASES: ReadonlyMap<string, readonly Meaning[]> = new Map(
  (
    [
      [
        ['waist-girth'],
        'natural waist|natural waistline|tour de taille naturelle|cintura natural|naturliche taille',
      ],
      [
        ['trouser-waist-girth'],
        'trouser waist|pant waist|pants waist|belt waist|worn waist|waistband|bundweite|bundumfang|hosenbund|ceinture|pretina|tour de ceinture',
      ],
      [['navel-girth'], 'navel|belly button|nabel|nombril|ombligo'],
      [['abdominal-girth'], 'abdomen|abdominal|belly|widest girth|bauchumfang|bauch|ventre|abdomen'],
      [
        ['underbust-girth'],
        'under bust|underbust|below bust|unterbrust|unterbrustumfang|unterbrustweite|dessous de poitrine|sous poitrine|tour de dessous de poitrine|bajo busto|bajo pecho|contorno bajo pecho|contorno bajo busto',
      ],
      [
        ['above-bust-girth'],
        'above bust|upper bust|high bust|oberbrust|oberbrustumfang|dessus de poitrine|sobre busto',
      ],
      // Above the breasts to some makers, over their fullest to others.
      [['above-bust-girth', 'bust-girth'], 'over bust|overbust'],
      [['bust-girth'], 'bust|full bust|oberweite|busenumfang|tour de buste|buste|busto|contorno de busto'],
      [['overarm-girth'], 'overarm|over arm|over arms|around arms and chest'],
      [['chest-girth'], 'chest|chest size'],
      // The same word of men and of women, in these languages.
      [
        ANY_CHEST,
        'brustumfang|brustweite|brust|oberkorperumfang|tour de poitrine|poitrine|tour poitrine|pecho|contorno de pecho|contorno pecho|perimetro de pecho|perimetro pecho',
      ],
      [
        ANY_WAIST,
        'waist|waist size|taillenumfang|taillenweite|taille umfang|tour de taille|tour taille|cintura|contorno de cintura|contorno cintura|perimetro de cintura',
      ],
      [['high-hip-girth'], 'high hip|high hips|upper hip|hohe hufte|petites hanches|cadera alta'],
      [
        ['hip-girth'],
        'hip|hips|seat|huftumfang|huftweite|hufte|hueftumfang|hueftweite|huefte|gesass|gesassumfang|gesaess|gesaessumfang|gesassweite|tour de hanches|tour de bassin|tour hanches|tour bassin|hanches|hanche|bassin|cadera|caderas|contorno de cadera|contorno cadera|perimetro de cadera',
      ],
      [
        ['inside-leg-length'],
        'inseam|in seam|inside leg|inner leg|inleg|leg inseam|schrittlange|schrittlaenge|innenbeinlange|innenbeinlaenge|innenbein|beininnenlange|innere beinlange|schritt|entrejambe|entre jambe|longueur entrejambe|entrepierna|largo entrepierna|tiro de pierna|largo de pierna interior',
      ],
      // Makers mean the one or the other by these, and bodies have both.
      [['abdominal-girth', 'trunk-girth'], 'girth'],
      [
        ['inside-leg-length', 'outside-leg-length'],
        'leg|legs|leg length|beinlange|beinlaenge|longueur de jambe|jambe|largo de pierna|pierna',
      ],
      [['outseam'], 'outseam|out seam'],
      [
        ['outside-leg-length'],
        'outside leg|outer leg|side length|seitenlange|seitenlaenge|aussenbeinlange|aussenbein|beinlange aussen|longueur de cote|hauteur de cote|largo lateral|largo exterior',
      ],
      [
        ANY_SLEEVE,
        'sleeve|sleeves|sleeve length|arm length|armellange|aermellaenge|armlange|armlaenge|armel|longueur de manche|longueur manche|longueur de manches|longueur des manches|manche|manches|longueur de bras|manga|largo de manga|largo manga|mangas|longitud de manga|largo de brazo',
      ],
      [
        ['neck-girth'],
        'neck|collar|collar size|neck size|halsumfang|halsweite|hals|kragenweite|kragen|kragengrosse|tour de cou|encolure|cou|col|tour de col|cuello|contorno de cuello|contorno cuello',
      ],
      [['neck-base-girth'], 'neck base|base of neck|halsansatz'],
      [
        ['shoulder-width', 'shoulder-length'],
        'shoulder|shoulders|shoulder width|schulter|schulterbreite|schultern|epaule|epaules|largeur d epaules|largeur epaules|largeur des epaules|hombro|hombros|ancho de hombros|ancho hombros',
      ],
      [
        ['across-back'],
        'across back|back width|ruckenbreite|carrure|carrure dos|ancho de espalda|ancho espalda',
      ],
      [['trunk-girth'], 'trunk|torso loop|torso girth'],
      [
        ['thigh-girth'],
        'thigh|thighs|oberschenkel|oberschenkelumfang|oberschenkelweite|cuisse|cuisses|tour de cuisse|tour cuisse|muslo|muslos|contorno de muslo|contorno muslo',
      ],
      [
        ['knee-girth'],
        'knee|knees|knie|knieumfang|knieweite|genou|tour de genou|tour genou|rodilla|contorno de rodilla',
      ],
      [
        ['calf-girth'],
        'calf|calves|wade|waden|wadenumfang|wadenweite|mollet|mollets|tour de mollet|tour mollet|pantorrilla|contorno de pantorrilla',
      ],
      [
        ['ankle-girth'],
        'ankle|ankles|fessel|fesselweite|knochel|knochelumfang|cheville|tour de cheville|tobillo|contorno de tobillo',
      ],
      [
        ['head-girth'],
        'head|heads|hat|kopf|kopfumfang|kopfweite|tete|tour de tete|tour tete|cabeza|contorno de cabeza|contorno cabeza',
      ],
      [
        ['hand-girth'],
        'palm|knuckle|knuckles|hand girth|handumfang|tour de main|tour main|paume|palma|contorno de mano|contorno mano|contorno de la mano',
      ],
      [['hand-girth', 'hand-length'], 'hand|hands|hand size|main|mano'],
      [
        ['hand-length'],
        'hand length|finger length|handlange|handlaenge|longueur de main|longueur main|longueur de la main|largo de mano|longitud de mano|longitud de la mano',
      ],
      [
        ['wrist-girth'],
        'wrist|wrists|handgelenk|handgelenkumfang|poignet|poignets|tour de poignet|muneca|contorno de muneca',
      ],
      [
        ['upper-arm-girth'],
        'bicep|biceps|upper arm|upper arms|oberarm|oberarmumfang|oberarmweite|tour de bras|brazo|contorno de brazo',
      ],
      [['elbow-girth'], 'elbow|ellbogen|coude|codo'],
      [
        ['longer-foot'],
        'foot|feet|foot length|fuss|fusslange|fusslaenge|pied|longueur de pied|longueur pied|longueur du pied|pie|largo de pie|largo del pie|longitud de pie|longitud del pie|largo pie',
      ],
      [
        ['wider-foot'],
        'foot width|ball width|fussbreite|largeur de pied|largeur du pied|ancho de pie|ancho del pie',
      ],
      [['standing-rise'], 'standing rise|rise standing'],
      [['waist-to-under-seat'], 'waist to under the seat|waist to gluteal fold'],
      [['body-rise', 'crotch-length'], 'rise|leibhohe|sitzhohe|montant|tiro'],
      [
        ['height'],
        'height|stature|body height|korpergrosse|koerpergroesse|korperhohe|korperlange|stature|hauteur|hauteur du corps|estatura|altura',
      ],
      [['weight'], 'weight|body weight|gewicht|korpergewicht|koerpergewicht|poids|peso'],
      [['back-waist-length'], 'nape to waist|back waist length'],
      [['nape-to-crotch'], 'nape to inseam|nape to crotch|nape to fork'],
      [['front-waist-length'], 'front waist length'],
      // A length of the back may be the body's to its waist, or the garment's.
      [
        ['back-waist-length', 'nape-to-hip'],
        'back length|ruckenlange|rueckenlaenge|longueur dos|longueur de dos|largo de espalda|talle espalda',
      ],
      [
        ['front-waist-length', 'shoulder-to-bust'],
        'front length|vordere lange|longueur devant|talle delantero',
      ],
    ] as readonly (readonly [readonly Meaning[], string])[]
  ).flatMap(([codes, words]) => words.split('|').map((one) => [one, codes] as const)),
);

/**
 * Words that may stand beside a measurement's without making it another. Any other may: a leg opening is no
 * inside leg, a finished chest no body's.
 */
export const NEUTRAL = words(
  'girth circ circumference measure measures measurement measurements body your the of round around at to fit fits from up until min minimum max maximum in ins cm cms mm m ft inch inches feet foot centimetre centimetres centimeter centimeters millimetre millimetres metre metres kg kgs lb lbs kilo kilos stone zoll pouce pouces pulgada pulgadas zentimeter centimetros ' +
    'umfang weite mass masse korpermass korpermasse koerpermass korper von bis ca am der des die ' +
    'tour de du la le les des d l corps mesure mesures en a contorno perimetro medida medidas cuerpo del el por desde hasta circonference',
);

/** Words of what is said of a column besides the place, each with what it makes of it. */
export const MODIFIERS = {
  /** The garment's own measure. */
  garment: words(
    'garment finished product actual item fertigmass fertigmasse fertig produktmass produktmasse kleidungsstuck artikelmass vetement produit fini finie article prenda producto acabado terminado',
  ),
  /** Laid flat, or half the way round. */
  flat: words(
    'flat half lay laid pit liegend flach halb halbe halber halfte plat demi moitie plano plana medio media mitad',
  ),
} as const;

/** Words that head the column of sizes. */
export const SIZE_WORDS = words(
  'size sizes label code style letter grosse groesse gr grossen konfektionsgrosse konfektion taille tailles talla tallas pointure pointures numero schuhgrosse kopfgrosse hutgrosse handschuhgrosse item article fit',
);

/** Words that head numbers by which makers know a size, and what stands beside them. */
export const ARTICLE_WORDS = words(
  'article articles artikel artikelnummer artikelnr art sku skus ref reference referenz referencia ean gtin upc barcode item itemno style model modell code bestellnummer bestellnr order product produkt produit producto nsn',
);
export const BESIDE_ARTICLE = words('no nr number numero num nummer n code id the of de');

/** Words that say whose, or of what, a column of sizes is. */
export const BESIDE_SIZE = words(
  'size sizes women womens woman men mens man unisex kids ladies gents damen herren kinder femme homme mujer hombre the your our hat shoe glove boot bra jacket trouser shirt conversion no nr number equivalent international alpha letter numeric',
);

/** Systems of labels, by the words that name them. */
export const SYSTEMS: ReadonlyMap<string, string> = new Map(
  (
    [
      ['EU', 'eu eur europe european europa'],
      ['UK', 'uk gb british'],
      ['US', 'us usa american'],
      ['FR', 'fr france f'],
      ['DE', 'de germany deutschland d'],
      ['IT', 'it italy italia italien i'],
      ['ES', 'es spain espana'],
      ['JP', 'jp japan jpn'],
      ['AU', 'au aus australia'],
      ['International', 'int intl international'],
      ['Mondopoint', 'mondo mondopoint mp'],
      ['Letter', 'alpha letters letter'],
      ['Numeric', 'numeric'],
    ] as const
  ).flatMap(([system, names]) => names.split(' ').map((name) => [name, system] as const)),
);

/** Classes of length, in the order of how long they are. */
export const CLASS_WORDS: ReadonlyMap<string, number> = new Map(
  (
    [
      [0, 'extra short|xshort|x short|xs length|extra kurz|tres court|extra corto|petite short'],
      [1, 'short|petite|s|kurz|court|courte|corto|corta|petit|p|kurzgrosse|kurzgrossen'],
      [
        2,
        'regular|reg|standard|normal|normale|r|medium|average|mittel|moyen|regulier|normalgrosse|normalgrossen|regular length',
      ],
      [3, 'long|tall|l|t|lang|longue|largo|larga|alto|langgrosse|langgrossen|slim long'],
      [4, 'extra long|xlong|x long|extra tall|xl|xt|xtall|extra lang|tres long|extra largo'],
    ] as const
  ).flatMap(([rank, names]) => names.split('|').map((name) => [name, rank] as const)),
);

/** Words of whom a table is for: those are tables of their own. */
export const PEOPLE = words(
  'men mens women womens ladies gents boys girls kids children youth junior adult adults unisex herren damen manner frauen kinder jungen madchen hommes homme femmes femme garcons filles enfants hombre hombres mujer mujeres nino ninos nina ninas',
);

/** Every word of the list, for slips of typing. */
export const WORD_LIST: readonly string[] = [
  ...new Set([...PHRASES.keys()].flatMap((phrase) => phrase.split(' '))),
].filter((word) => word.length >= 5);

function words(text: string): ReadonlySet<string> {
  return new Set(text.split(' '));
}
