/** What file managers leave beside the files: no part of any site. */
export function isLitter(path: string): boolean {
  return /^__MACOSX\/|(?:^|\/)(?:\.DS_Store|Thumbs\.db|desktop\.ini)$/i.test(path)
}

/** One file as it tells copies apart. */
export interface CopiedFile {
  readonly path: string
  /** Of its bytes, in hex; null: they are not kept. */
  readonly sha256: string | null
  /** Bytes. */
  readonly size: number
}

/**
 * The text whose SHA-256 is the digest of a copy: path and hash (or size, where the bytes are not kept) of each file, in the order of the
 * paths' bytes in UTF-8. Copies of the same files have the same.
 */
export function copyText(files: readonly CopiedFile[]): string {
  return files
    .map(({ path, sha256, size }) => ({ path, line: `${path}\n${sha256 ?? size}` }))
    .toSorted((a, b) => byCodePoints(a.path, b.path))
    .map(({ line }) => line)
    .join('\n')
}

/** As the bytes of UTF-8 are ordered. */
function byCodePoints(a: string, b: string): number {
  const [left, right] = [Array.from(a), Array.from(b)]
  const at = left.findIndex((each, i) => each !== right[i])
  if (at < 0) return left.length - right.length
  if (at >= right.length) return 1
  return (left[at]?.codePointAt(0) ?? 0) - (right[at]?.codePointAt(0) ?? 0)
}
