/** Front matter at the very beginning, and the tags of the template languages that sheets are rendered with. */
const FRONT_MATTER = /^---[ \t]*\r?\n(?:[^\n]*\n)*?---[ \t]*(?=\r?\n|$)/
const OPENERS: readonly (readonly [string, string])[] = [
  ['{{', '}}'],
  ['{%', '%}'],
  ['{#', '#}'],
  ['<?', '?>'],
  ['<%', '%>'],
]

/** Blanks front matter and template tags with as many units, line ends kept, so that a sheet around them can be read. Linear. */
export function blankTemplateTags(text: string): string {
  let out = text.replace(FRONT_MATTER, blank)
  for (const [open, close] of OPENERS) {
    if (!out.includes(open)) continue
    let built = ''
    let kept = 0
    for (let at = out.indexOf(open); at >= 0; at = out.indexOf(open, kept)) {
      const end = out.indexOf(close, at + 2)
      if (end < 0) break
      built += out.slice(kept, at) + blank(out.slice(at, end + 2))
      kept = end + 2
    }
    out = built + out.slice(kept)
  }
  return out
}

function blank(tag: string): string {
  return tag.replace(/[^\r\n]/g, ' ')
}
