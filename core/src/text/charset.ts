/** Encodings that `@charset` may name beside UTF-8 and Windows-1252: those of one byte a character, and those of one or two. */
export const LEGACY_ENCODINGS = [
  'big5',
  'euc-jp',
  'euc-kr',
  'gbk',
  'ibm866',
  'iso-8859-2',
  'iso-8859-3',
  'iso-8859-4',
  'iso-8859-5',
  'iso-8859-6',
  'iso-8859-7',
  'iso-8859-8',
  'iso-8859-10',
  'iso-8859-13',
  'iso-8859-14',
  'iso-8859-15',
  'koi8-r',
  'koi8-u',
  'macintosh',
  'shift_jis',
  'windows-874',
  'windows-1250',
  'windows-1251',
  'windows-1253',
  'windows-1254',
  'windows-1255',
  'windows-1256',
  'windows-1257',
  'windows-1258',
  'x-mac-cyrillic',
] as const

export type LegacyEncoding = (typeof LEGACY_ENCODINGS)[number]

/**
 * The encoding that a sheet's own `@charset` names, by any of its labels; null where there is none or it is not known. As CSS Syntax 3 §3.2
 * reads it: at the very first byte, in just this spelling; one of UTF-16 cannot be true and stands for UTF-8.
 */
export function charsetOf(bytes: Uint8Array): LegacyEncoding | 'utf-8' | 'windows-1252' | null {
  const start = String.fromCharCode(...bytes.subarray(0, 1024))
  const label = /^@charset "([^"]*)";/.exec(start)?.[1]
  if (label === undefined) return null
  if (/^utf-16/i.test(label.trim())) return 'utf-8'
  try {
    const { encoding } = new TextDecoder(label)
    if (encoding === 'utf-8' || encoding === 'windows-1252') return encoding
    return LEGACY_ENCODINGS.find((name) => name === encoding) ?? null
  } catch {
    return null
  }
}

export function decodeLegacy(encoding: LegacyEncoding, bytes: Uint8Array): string {
  return new TextDecoder(encoding).decode(bytes)
}

/** Throws a RangeError for a character that the encoding lacks, or writes with three bytes. */
export function encodeLegacy(encoding: LegacyEncoding, text: string): Uint8Array<ArrayBuffer> {
  const table = tableOf(encoding)
  const out: number[] = []
  for (const char of text) {
    const bytes = char < '\u0080' ? [char.charCodeAt(0)] : table.get(char)
    if (!bytes) throw new RangeError(`${encoding} has no ${JSON.stringify(char)}`)
    out.push(...bytes)
  }
  return Uint8Array.from(out)
}

/** The bytes of each character beyond ASCII, found by decoding every sequence of one byte and of two. Of two sequences for one character the first. */
function tableOf(encoding: LegacyEncoding): ReadonlyMap<string, readonly number[]> {
  const decoder = new TextDecoder(encoding, { fatal: true })
  const table = new Map<string, readonly number[]>()
  const put = (...bytes: number[]) => {
    try {
      const char = decoder.decode(Uint8Array.from(bytes))
      if ([...char].length === 1 && !table.has(char)) table.set(char, bytes)
    } catch {
      // No character: nothing to write.
    }
  }
  for (let first = 0x80; first <= 0xff; first++) put(first)
  if (!/^(?:big5|euc|gbk|shift)/.test(encoding)) return table
  for (let first = 0x80; first <= 0xff; first++) for (let second = 0x30; second <= 0xff; second++) put(first, second)
  return table
}
