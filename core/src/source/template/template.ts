import type { Embedded } from '../embedded.ts'
import { type Emitter, ofPieces } from '../emit.ts'
import { maskTags } from './mask.ts'
import { blocksOf, type TagBlock } from './tag-blocks.ts'
import { readTagCode, type TextReaders } from './tag-code.ts'
import { linksOfTag } from './tag-links.ts'
import { stringsOf } from './tag-strings.ts'
import { findTags, isBound, type Tag } from './tags.ts'

/** What reads a file whose template tags are blanked. */
export type MaskedReader = (at: Embedded, tags: readonly Tag[], emitter: Emitter) => void

/** What reads the parts of a template that are not what its file is. */
export interface PartReaders {
  /** Text in strings of the code of tags. */
  readonly text: (emitter: Emitter) => TextReaders
  /** Front matter, which is YAML. */
  readonly frontMatter: (at: Embedded, emitter: Emitter) => void
  readonly block: (at: Embedded, holds: TagBlock['holds'], emitter: Emitter) => void
}

/** Reads a file that may hold template tags: first what stands around them, then the code within. */
export function readThroughTags(emitter: Emitter, read: MaskedReader, parts: PartReaders): void {
  const { text, path } = emitter.source
  const tags = findTags(text, path)
  const plain: Embedded = { text, toSource: (offset) => offset, drawing: null }
  if (tags.length === 0) {
    read(plain, tags, emitter)
    return
  }
  const known = new Set<number>()
  const recording: Emitter = {
    ...emitter,
    hit(at, offset, hit, context, source) {
      known.add(at.toSource(offset + hit.start))
      emitter.hit(at, offset, hit, context, source)
    },
  }
  const strings = new Map(tags.map((tag) => [tag, stringsOf(text, tag)]))
  const stringsIn = (tag: Tag) => strings.get(tag) ?? []
  const masked = maskTags(text, tags, stringsIn)
  const piece = (from: string, start: number, end: number): Embedded => {
    return { ...plain, text: from.slice(start, end), toSource: (offset) => start + offset }
  }
  read({ ...plain, text: masked }, tags, recording)
  for (const { start, end, holds } of blocksOf(text, tags)) parts.block(piece(masked, start, end), holds, recording)
  // What is bound to an attribute was read with it.
  const others = tags.filter((tag) => !isBound(text, tag)).flatMap(stringsIn)
  readTagCode(plain, others, recording, parts.text(ofPieces(recording)), (offset) => known.has(offset))
  for (const tag of tags)
    for (const link of linksOfTag(text, tag, stringsIn(tag))) emitter.link(plain, link.start, link.end, link)
  for (const { kind, code } of tags) {
    const front = piece(text, code.start, code.end)
    if (kind === 'yaml') parts.frontMatter(front, recording)
    else if (kind === 'script') parts.block(front, 'script', recording)
  }
}
