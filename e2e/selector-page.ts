import { readSource, splitList } from '@undo-ink/core'

/** A page that has, for each selector of a sheet that paints something, elements that it finds. Selectors with brackets are left out. */
export function pageOfSelectors(css: string, sheet: string): string {
  const { occurrences } = readSource({ path: sheet, text: css, encoding: 'utf-8' })
  const selectors = new Set(occurrences.flatMap(({ selector }) => (selector ? splitList(selector) : [])))
  const bodies = [...selectors].flatMap((selector) => elementsFor(selector) ?? [])
  return `<!doctype html><html><head><meta charset="utf-8"><link rel="stylesheet" href="${sheet}"></head><body>\n${bodies.join('\n')}\n</body></html>`
}

const VOID = /^(?:input|img|br|hr)$/

function elementsFor(selector: string): string | null {
  const plain = selector.replace(/::?[\w-]+(?:\([^()]*\))?/g, '')
  if (/[()\\]/.test(plain)) return null
  const compounds = plain
    .trim()
    .split(/\s*[>+~]\s*|\s+/)
    .filter((each) => each !== '')
  const combinators = plain.trim().match(/\s*[>+~]\s*|\s+/g) ?? []
  let html = ''
  for (let i = compounds.length - 1; i >= 0; i--) {
    const isSibling = /[+~]/.test(combinators[i] ?? '')
    const tag = elementOf(compounds[i] ?? '')
    if (!tag) return null
    html = isSibling ? `${tag.open}${tag.close}${html}` : `${tag.open}${html || 'x'}${tag.close}`
  }
  return html
}

function elementOf(compound: string): { open: string; close: string } | null {
  const name = /^[a-z][\w-]*/i.exec(compound)?.[0] ?? 'div'
  if (/^(?:html|body|head|tr|td|th|tbody|thead|option|optgroup)$/.test(name)) return null
  const classes = [...compound.matchAll(/\.([\w-]+)/g)].map((match) => match[1])
  const id = /#([\w-]+)/.exec(compound)?.[1]
  const attributes = [...compound.matchAll(/\[([\w-]+)(?:[~|^$*]?=["']?([^"'\]]*)["']?)?\]/g)].map(
    ([, attribute, value]) => `${attribute}="${value ?? ''}"`,
  )
  const text = [name, id ? `id="${id}"` : '', classes.length > 0 ? `class="${classes.join(' ')}"` : '', ...attributes]
  const open = `<${text.filter((each) => each !== '').join(' ')}>`
  return { open, close: VOID.test(name) ? '' : `</${name}>` }
}
