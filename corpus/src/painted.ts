/**
 * The same text with colors in every third start tag: published templates hold few of their own. Left out: cells, which the parser drops where no
 * table is around them, and tags that have the attribute, of which it keeps the first.
 */
export function painted(text: string): string {
  let met = 0
  return text.replace(
    /<(?!(?:script|style|html|head|meta|link|title|t[dhr])\b)[a-z][\w-]*(?=[\s>])(?![^>]*bgcolor)/gi,
    (tag) => {
      met++
      const color = (met * 7919).toString(16).padStart(6, '0').slice(-6)
      return met % 3 === 0 ? `${tag} bgcolor="${met % 2 ? '#' : ''}${color}"` : tag
    },
  )
}
