/** Encodings in which archives hold names that say none: those of DOS and Windows by region, and of the Mac. */
export const NAME_ENCODINGS = [
  'utf-8',
  'shift_jis',
  'cp437',
  'windows-1252',
  'windows-1250',
  'ibm866',
  'windows-1251',
  'gbk',
  'big5',
  'euc-kr',
  'macintosh',
] as const
export type NameEncoding = (typeof NAME_ENCODINGS)[number]

/** Code page 437 from 0x80 on, in which the ZIP format has names (APPNOTE 6.3, appendix D); the characters as in the Unicode consortium's CP437.TXT, from memory. */
const CP437 =
  'ÇüéâäàåçêëèïîìÄÅÉæÆôöòûùÿÖÜ¢£¥₧ƒáíóúñÑªº¿⌐¬½¼¡«»░▒▓│┤╡╢╖╕╣║╗╝╜╛┐└┴┬├─┼╞╟╚╔╩╦╠═╬╧╨╤╥╙╘╒╓╫╪┘┌█▄▌▐▀αßΓπΣσµτΦΘΩδ∞φε∩≡±≥≤⌠⌡÷≈°∙·√ⁿ²■\u00a0'

/** A name as an encoding has it; what it has no character for is U+FFFD. */
export function decodeName(bytes: Uint8Array, encoding: NameEncoding): string {
  if (encoding !== 'cp437') return new TextDecoder(encoding, { ignoreBOM: true }).decode(bytes)
  return Array.from(bytes, (byte) => (byte < 0x80 ? String.fromCharCode(byte) : CP437[byte - 0x80])).join('')
}

/** Names of which the encoding is told, and bytes of each: more would hardly say more, and hostile ones cost no time. */
const MOST = 200
const MOST_BYTES = 200

/** Half a character, where a name was cut. */
const CUT = /\uFFFD$/

/** The encoding in which all of some names of one archive make most sense: letters beside letters of their own script. */
export function likelyNameEncoding(all: readonly Uint8Array[]): NameEncoding {
  // What is UTF-8 at all is nothing else: other names are hardly ever well-formed in it.
  if (all.every((name) => !decodeName(name, 'utf-8').includes('\uFFFD'))) return 'utf-8'
  const names = all.slice(0, MOST).map((name) => name.subarray(0, MOST_BYTES))
  return NAME_ENCODINGS.filter((encoding) => encoding !== 'utf-8')
    .map((encoding) => ({
      encoding,
      sense: names.reduce((sum, name) => sum + senseOf(decodeName(name, encoding).replace(CUT, '')), 0),
    }))
    .reduce((best, each) => (each.sense > best.sense ? each : best)).encoding
}

const SCRIPTS = {
  latin: /\p{sc=Latin}/u,
  cyrillic: /\p{sc=Cyrillic}/u,
  greek: /\p{sc=Greek}/u,
  chinese: /[\p{sc=Han}\p{sc=Hiragana}\p{sc=Katakana}ー]/u,
  hangul: /\p{sc=Hangul}/u,
}
type Script = keyof typeof SCRIPTS

/** Half-width kana: hardly in any name, and what every byte of other encodings looks like in Shift-JIS. */
const HALF_WIDTH = /[\uff61-\uff9f]/

/** How much a name looks like one that somebody gave: by its letters beyond ASCII, and by who stands beside whom. */
function senseOf(name: string): number {
  let sense = 0
  let before: { readonly script: Script | null; readonly isAscii: boolean } = { script: null, isAscii: true }
  for (const character of name) {
    const script = scriptOf(character)
    const isAscii = character <= '\x7f'
    if (character === '\uFFFD') sense -= 20
    else if (!isAscii && (script === null || HALF_WIDTH.test(character))) sense -= 3
    // Syllables of Korean are Chinese signs in another encoding, but seldom the other way round.
    else if (!isAscii) sense += script === 'hangul' ? 3 : 2
    // Within a word scripts do not mix, and letters with accents stand one by one.
    if (script !== null && before.script !== null && script !== before.script) sense -= 3
    if (script === 'latin' && before.script === 'latin' && !isAscii && !before.isAscii) sense -= 3
    before = { script, isAscii }
  }
  // Nor do capitals stand behind small letters.
  return sense - 2 * (name.match(/\p{Ll}(?![A-Z])\p{Lu}/gu)?.length ?? 0)
}

function scriptOf(character: string): Script | null {
  return (Object.keys(SCRIPTS) as Script[]).find((script) => SCRIPTS[script].test(character)) ?? null
}
