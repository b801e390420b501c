/**
 * The heading that a comment of a stylesheet gives to what follows, or null for one that is no heading: code taken out of use, a
 * licence, a note of many lines. Rules of decoration (`====`, `----`, `****`) are taken off (common practice, no source).
 */
export function headingOf(comment: string): string | null {
  if (comment.length > 400 || comment.startsWith('!') || /[{};]\s*$/m.test(comment)) return null
  const lines = comment
    .split(/\r\n?|\n/)
    .map((line) => line.replace(/^[\s*=\-_~#+/|.]+|[\s*=\-_~#+/|.]+$/g, ''))
    .filter((line) => line !== '')
  const first = lines[0]
  return first === undefined || lines.length > 3 ? null : first.slice(0, 100)
}
