import type { Range } from '../../text/range.ts'
import type { Tag } from './tags.ts'

/** What stands between two tags and is neither markup nor a template. */
export interface TagBlock extends Range {
  readonly holds: 'settings' | 'css' | 'script'
}

const HOLDS: Readonly<Record<string, TagBlock['holds']>> = {
  schema: 'settings',
  style: 'css',
  stylesheet: 'css',
  css: 'css',
  javascript: 'script',
  js: 'script',
}

/** The blocks of settings, CSS and script that template tags open and close: `{% schema %}` to `{% endschema %}`. */
export function blocksOf(text: string, tags: readonly Tag[]): TagBlock[] {
  const blocks: TagBlock[] = []
  let open: { name: string; start: number } | null = null
  for (const { code, start, end, kind } of tags) {
    if (kind !== 'code') continue
    const word = /^-?\s*(\w+)/.exec(text.slice(code.start, code.start + 40))?.[1] ?? ''
    if (open && word === `end${open.name}`) {
      blocks.push({ start: open.start, end: start, holds: HOLDS[open.name] as TagBlock['holds'] })
      open = null
    } else if (!open && Object.hasOwn(HOLDS, word) && text[start + 1] === '%') open = { name: word, start: end }
  }
  return blocks
}
