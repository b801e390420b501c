import { type Embedded, within } from '../embedded.ts'
import { decodedText } from '../scan/references.ts'
import { type ScriptLanguage, scriptLanguage } from '../script/parse.ts'
import { type Dialect, LESS, SCSS } from '../sheet/dialect.ts'
import { SASS, STYLUS } from '../sheet/indented-dialect.ts'

const DIALECTS: Readonly<Record<string, Dialect | undefined>> = {
  scss: SCSS,
  less: LESS,
  sass: SASS,
  styl: STYLUS,
  stylus: STYLUS,
}

/** The language of a style element, where it says one other than CSS. @param written in its `lang` or its `type` */
export function dialectOf(written: string): Dialect | undefined {
  return DIALECTS[written.toLowerCase().replace(/^text\//, '')]
}

/** The language of a script element. @param written in its `lang` or its `type` @param path of its file */
export function languageOf(written: string, path: string): ScriptLanguage {
  if (/tsx$/i.test(written)) return 'tsx'
  return /^ts$|typescript|\/ts$/i.test(written) ? 'ts' : scriptLanguage(path)
}

/** The content of a style element; the marks of a CDATA section in it become blanks. */
export function unsectioned(at: Embedded, start: number, end: number, xml: boolean): Embedded {
  const content = at.text.slice(start, end)
  if (!content.includes('<![CDATA['))
    return xml && content.includes('&') ? decodedText(at, start, end) : within(at, content, (offset) => start + offset)
  const text = content.replace(/<!\[CDATA\[|\]\]>/g, (mark) => ' '.repeat(mark.length))
  return within(at, text, (offset) => start + offset)
}
