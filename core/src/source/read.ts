import type { SourceText } from '../text/source-text.ts'
import { collect, type Emitter } from './emit.ts'
import { readMarkup } from './markup/markup.ts'
import { readSvg } from './markup/svg.ts'
import { OUTSIDE_RULES, type Reading } from './occurrence.ts'
import { CSS, type Dialect, LESS, SCSS } from './sheet/dialect.ts'
import { SASS, STYLUS } from './sheet/indented-dialect.ts'
import { readStylesheet } from './sheet/stylesheet.ts'
import { type Syntax, syntaxOf } from './syntax.ts'

/** Reports every color of one file to the emitter. Recovers from errors: a bad region costs that region, never the file. */
export type Reader = (emitter: Emitter) => void

function sheet(dialect: Dialect): Reader {
  return (emitter) =>
    readStylesheet(
      { text: emitter.source.text, toSource: (offset) => offset, drawing: null },
      OUTSIDE_RULES,
      emitter,
      dialect,
    )
}

/** One reader per syntax; null: such files are kept as they came and not read. */
export const READERS: Readonly<Record<Syntax, Reader | null>> = {
  css: sheet(CSS),
  html: readMarkup,
  scss: sheet(SCSS),
  less: sheet(LESS),
  sass: sheet(SASS),
  stylus: sheet(STYLUS),
  template: null,
  svg: null,
  script: null,
  settings: null,
  image: null,
  font: null,
  other: null,
}

/** Raised whenever the readers find more or something else: what was read by another version is read anew. */
export const READING_VERSION = 3

/** Everything that one file holds. Time in proportion to its length. */
export function readSource(source: SourceText): Reading {
  const reader = READERS[syntaxOf(source.path)]
  return collect(source, reader ?? (() => {}), readSvg)
}
