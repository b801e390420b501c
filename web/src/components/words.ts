import type { SkipReason } from '@undo-ink/contracts'
import {
  type Encoding,
  type Evidence,
  type FindingCode,
  type NameEncoding,
  type Signal,
  type Syntax,
  statesOf,
  type ThirdParty,
} from '@undo-ink/core'

const NUMBER = new Intl.NumberFormat('en')

export function number(value: number): string {
  return NUMBER.format(value)
}

/** `is` for one, `are` for any other number. */
export function are(value: number): string {
  return value === 1 ? 'is' : 'are'
}

/** `1 place`, `1,204 places` */
export function count(value: number, one: string, many = `${one}s`): string {
  return `${number(value)} ${value === 1 ? one : many}`
}

export function bytes(value: number): string {
  if (value < 1024) return `${value} B`
  return value < 1024 * 1024
    ? `${(value / 1024).toFixed(1)} kB`
    : `${(value / 1024 / 1024).toFixed(1).replace('.0', '')} MB`
}

export function day(iso: string): string {
  return new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })
}

export function time(iso: string): string {
  return new Date(iso).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
}

export const SKIP_WORDS: Readonly<Record<SkipReason, string>> = {
  'no-colors-here': 'kept as it came; it holds no text with colours',
  empty: 'kept as it came; it is empty',
  binary: 'kept as it came; its bytes are no text, whatever its name says',
  'not-reversible': 'kept as it came; its bytes cannot be read as text without loss',
  'too-long': 'kept as it came; texts over 8 MB are not read',
  'too-costly': 'kept as it came; it took far more time or memory than files of its size do',
  'third-party': 'left out: third-party code',
  'set-aside': 'left out by choice; kept as it came',
  'too-large': 'not in the copy; files over 32 MB are left out',
  'name-too-long': 'not in the copy; names over 512 characters are left out',
  'name-unsafe': 'not in the copy; its name holds what other systems cannot write',
}

export const THIRD_PARTY_WORDS: Readonly<Record<ThirdParty, string>> = {
  'vendor-folder': 'in a vendor folder',
  'source-map': 'a source map',
  plugin: 'in a folder of plugins',
  platform: 'of the publishing system itself',
  'parent-theme': 'of the theme that this one extends',
  library: 'a published library, minified',
}

export const SYNTAX_WORDS: Readonly<Record<Syntax, string>> = {
  css: 'CSS',
  html: 'HTML',
  scss: 'SCSS',
  less: 'Less',
  sass: 'Sass',
  stylus: 'Stylus',
  template: 'template',
  svg: 'SVG',
  script: 'script',
  settings: 'settings',
  image: 'image',
  font: 'font',
  other: 'other',
}

export const FINDING_WORDS: Readonly<Record<FindingCode, string>> = {
  'unclosed-comment': 'a comment that never ends',
  'unclosed-string': 'a string that never ends',
  'unclosed-block': 'a block or bracket that never closes',
  'unexpected-close': 'a closing brace that nothing opened',
  'unreadable-css': 'something that is no CSS',
  'missing-hash': 'a hex value without its #',
  'hex-digits': 'hex digits missing or too many',
  'color-out-of-form': 'a colour function out of form',
  'unknown-color-name': 'no such colour name',
  'gradient-as-color': 'a gradient in place of a colour',
  'overridden-in-rule': 'never applies: set again below',
  'outside-rules': 'never applies: outside every rule',
  'drawing-not-reversible': 'a drawing in an address that could not be written back as it came',
  'and-more': 'more in this file than is listed',
  'unparsed-script': 'a script that is not of its language, read by its strings alone',
}

/** By what a text was taken for a colour where no language of colours says so. */
export const EVIDENCE_WORDS: Readonly<Record<Evidence, string>> = {
  style: 'set on a style',
  canvas: 'painted on a canvas',
  attribute: 'set as an attribute',
  'css-text': 'in CSS within a string',
  'markup-text': 'in markup within a string',
  'color-table': 'in a list of colours',
  named: 'named like a colour',
  'whole-value': 'all of a value',
}

/** An encoding as it is shown; its byte-order mark is named apart. */
export function encodingText(encoding: Encoding): string {
  return encoding.toUpperCase().replace('-BOM', ', mark')
}

/** The states of a place as one text. @param signals what its selectors ask for */
export function stateText(signals: readonly Signal[]): string {
  const states = statesOf(signals)
  return states.length === 0 ? 'rest' : states.join(', ')
}

/** What cannot be seen in a name, or turns its direction: control and format characters, and what separates lines. */
const UNSEEN = /[\p{Cc}\p{Cf}\p{Zl}\p{Zp}]/gu

/** A path as it is shown: what is not to be seen in it is told, so that no file looks like another. */
export function shownPath(path: string): string {
  return path.replace(UNSEEN, (sign) => `⟨U+${sign.codePointAt(0)?.toString(16).toUpperCase().padStart(4, '0')}⟩`)
}

/** Encodings in which archives hold names, as they are called. */
export const NAME_ENCODING_WORDS: Readonly<Record<NameEncoding, string>> = {
  'utf-8': 'UTF-8',
  shift_jis: 'Shift-JIS, Japanese',
  cp437: 'code page 437, DOS',
  'windows-1252': 'Windows-1252, Western European',
  'windows-1250': 'Windows-1250, Central European',
  ibm866: 'code page 866, Cyrillic',
  'windows-1251': 'Windows-1251, Cyrillic',
  gbk: 'GBK, Chinese',
  big5: 'Big5, Chinese',
  'euc-kr': 'EUC-KR, Korean',
  macintosh: 'Mac Roman',
}
