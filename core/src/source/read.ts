import type { Range } from '../text/range.ts'
import type { SourceText } from '../text/source-text.ts'
import type { Embedded } from './embedded.ts'
import { collect, type Emitter, type MarkupReader, type RuleListener } from './emit.ts'
import { readMarkup } from './markup/markup.ts'
import { OUTSIDE_RULES, type Reading } from './occurrence.ts'
import { readScript } from './script/script.ts'
import { readJson } from './settings/json.ts'
import { readSettings } from './settings/settings.ts'
import { readYaml } from './settings/yaml.ts'
import { CSS, type Dialect, LESS, SCSS } from './sheet/dialect.ts'
import { SASS, STYLUS } from './sheet/indented-dialect.ts'
import type { Rule, SheetEnd } from './sheet/rules.ts'
import { readStylesheet } from './sheet/stylesheet.ts'
import { type Syntax, syntaxOf } from './syntax.ts'
import { sheetIn } from './template/sheet-template.ts'
import { type MaskedReader, type PartReaders, readThroughTags } from './template/template.ts'

/** Reports every color of one file to the emitter. Recovers from errors: a bad region costs that region, never the file. */
export type Reader = (emitter: Emitter) => void

const PARTS: PartReaders = {
  // As likely as anything that a program may still change.
  text: (emitter) => ({
    markup: (at, evidence) =>
      readMarkup(at, { ...OUTSIDE_RULES, evidence, confidence: 'likely' }, { xml: false, tags: [] }, emitter),
    css: (at, evidence) => readStylesheet(at, { ...OUTSIDE_RULES, evidence, confidence: 'likely' }, emitter, SCSS),
  }),
  frontMatter: readYaml,
  block(at, holds, emitter) {
    if (holds === 'settings') readJson(at, emitter)
    else if (holds === 'css') readStylesheet(at, OUTSIDE_RULES, emitter)
    else readScript(at, OUTSIDE_RULES, emitter)
  },
}

function throughTags(read: MaskedReader): Reader {
  return (emitter) => readThroughTags(emitter, read, PARTS)
}

const sheet = (dialect: Dialect) =>
  throughTags((at, _tags, emitter) => readStylesheet(at, OUTSIDE_RULES, emitter, dialect))

const readMasked: MaskedReader = (at, tags, emitter) => {
  const { path, text } = emitter.source
  const xml = /\.(?:xhtml|svg)$/i.test(path) || /^\s*<\?xml\b/.test(text.slice(0, 100))
  readMarkup(at, OUTSIDE_RULES, { xml, tags }, emitter)
}

const markup = throughTags(readMasked)

const markupOrSheet = throughTags((at, tags, emitter) => {
  const sheet = sheetIn(emitter.source.text, at.text, tags)
  if (sheet === null) readMasked(at, tags, emitter)
  else readStylesheet({ ...at, text: sheet }, OUTSIDE_RULES, emitter)
})

/** `main.css.liquid` is a sheet with tags in it; others are told by what they hold. */
const template: Reader = (emitter) => {
  const inner = READERS[syntaxOf(emitter.source.path.replace(/\.[^./]+$/, ''))]
  return (inner ?? markupOrSheet)(emitter)
}

const whole = (text: string): Embedded => ({ text, toSource: (offset) => offset, drawing: null })

/** One reader per syntax; null: such files are kept as they came and not read. */
export const READERS: Readonly<Record<Syntax, Reader | null>> = {
  css: sheet(CSS),
  html: markup,
  scss: sheet(SCSS),
  less: sheet(LESS),
  sass: sheet(SASS),
  stylus: sheet(STYLUS),
  template,
  svg: markup,
  script: (emitter) => readScript(whole(emitter.source.text), OUTSIDE_RULES, emitter),
  settings: (emitter) => readSettings(whole(emitter.source.text), emitter.source.path, emitter),
  image: null,
  font: null,
  other: null,
}

/** Raised whenever the readers find more or something else, or what they found is packed otherwise: what was read by another version is read anew. */
export const READING_VERSION = 18

/** Everything that one file holds. Time in proportion to its length. */
export function readSource(source: SourceText): Reading {
  return readWith(source)
}

/** A rule in whose block, or behind which, another can be written; offsets in the file's text. */
export interface WrittenRule extends Pick<Rule, 'kind' | 'head' | 'declarations' | 'nested' | 'holdsConditions'> {
  readonly body: Range
  /** Whether tags of a template stand between its declarations. */
  readonly hasTags: boolean
}

/**
 * The rules of selectors of all sheets of one file, and conditions and directives within them, that hold declarations; inner ones before those around
 * them. None of sheets that are not written plainly in it: in scripts, encoded attributes, drawings.
 */
export function readRules(source: SourceText): WrittenRule[] {
  const rules: WrittenRule[] = []
  readWith(source, {
    rule(at, rule) {
      const origin = at.toSource(0)
      const isPlain = !at.drawing && at.toSource(at.text.length) === origin + at.text.length
      if (isPlain && holds(rule)) rules.push(writtenAt(rule, rule.body, origin, at.text, source.text))
    },
    end() {},
  })
  return rules
}

function holds(rule: Rule): rule is Rule & { readonly body: Range } {
  const { kind, selectors, body, declarations } = rule
  return body !== null && selectors !== null && declarations.length > 0 && kind !== 'prefix' && kind !== 'map'
}

/** @param masked the sheet as it was read, its tags blanked */
function writtenAt(rule: Rule, body: Range, origin: number, masked: string, text: string): WrittenRule {
  const { kind, head, declarations, nested, holdsConditions } = rule
  const moved = ({ start, end }: Range): Range => ({ start: start + origin, end: end + origin })
  let at = body.start
  let hasTags = false
  for (const { start, end } of [...declarations, { start: body.end, end: body.end }]) {
    hasTags ||= !text.startsWith(masked.slice(at, start), at + origin)
    at = end
  }
  return {
    kind,
    head: moved(head),
    body: moved(body),
    declarations: declarations.map((each) => ({
      ...each,
      ...moved(each),
      name: moved(each.name),
      value: moved(each.value),
    })),
    nested: nested.map((start) => start + origin),
    holdsConditions,
    hasTags,
  }
}

/** What stands at the end of a file that is a sheet. */
export function sheetEnd(source: SourceText): SheetEnd {
  let last: SheetEnd = 'closed'
  readWith(source, {
    rule() {},
    end(end) {
      last = end
    },
  })
  return last
}

function readWith(source: SourceText, rules?: RuleListener): Reading {
  const reader = READERS[syntaxOf(source.path)]
  const within: MarkupReader = (at, outer, xml, emitter) => readMarkup(at, outer, { xml, tags: [] }, emitter)
  return collect(source, reader ?? (() => {}), within, rules)
}
