import type { SourceText } from '../text/source-text.ts'
import type { Embedded } from './embedded.ts'
import { collect, type Emitter, type MarkupReader } from './emit.ts'
import { readMarkup } from './markup/markup.ts'
import { OUTSIDE_RULES, type Reading } from './occurrence.ts'
import { readScript } from './script/script.ts'
import { readJson } from './settings/json.ts'
import { readSettings } from './settings/settings.ts'
import { readYaml } from './settings/yaml.ts'
import { type Block, blocksIn } from './sheet/blocks.ts'
import { CSS, type Dialect, LESS, SCSS } from './sheet/dialect.ts'
import { SASS, STYLUS } from './sheet/indented-dialect.ts'
import { readStylesheet } from './sheet/stylesheet.ts'
import { type Syntax, syntaxOf } from './syntax.ts'
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

const markup = throughTags((at, tags, emitter) => {
  const xml = /\.(?:xhtml|svg)$/i.test(emitter.source.path) || /^\s*<\?xml\b/.test(emitter.source.text.slice(0, 100))
  readMarkup(at, OUTSIDE_RULES, { xml, tags }, emitter)
})

/** `main.css.liquid` is a sheet with tags in it. */
const template: Reader = (emitter) => {
  const inner = READERS[syntaxOf(emitter.source.path.replace(/\.[^./]+$/, ''))]
  return (inner ?? markup)(emitter)
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

/** Raised whenever the readers find more or something else: what was read by another version is read anew. */
export const READING_VERSION = 11

/** Everything that one file holds. Time in proportion to its length. */
export function readSource(source: SourceText): Reading {
  return readWith(source)
}

/** The blocks of declarations in all sheets of one file. */
export function readBlocks(source: SourceText): Block[] {
  const blocks: Block[] = []
  readWith(source, (at, dialect) => blocks.push(...blocksIn(at, dialect)))
  return blocks
}

function readWith(source: SourceText, sheet?: Emitter['sheet']): Reading {
  const reader = READERS[syntaxOf(source.path)]
  const within: MarkupReader = (at, outer, xml, emitter) => readMarkup(at, outer, { xml, tags: [] }, emitter)
  return collect(source, reader ?? (() => {}), within, sheet)
}
