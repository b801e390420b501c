import type { Embedded } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { scanMarkup } from '../scan/markup-scanner.ts'
import { decodedText } from '../scan/references.ts'
import { readSetting } from './setting.ts'

/** Deeper elements are not told. */
const DEEPEST = 100

/** Reads XML that holds settings: every text of an element and every attribute that is wholly a color. */
export function readXml(at: Embedded, emitter: Emitter): void {
  const path: string[] = []
  const look = (start: number, end: number, key: readonly string[]) => {
    if (end - start > 2 && end - start < 500) readSetting({ value: decodedText(at, start, end), path: key }, emitter)
  }
  scanMarkup(
    at.text,
    0,
    at.text.length,
    {
      startTag(tag) {
        for (const { name, value } of tag.attributes)
          if (value) look(value.start, value.end, [...path.slice(-DEEPEST), tag.name, name])
        if (!tag.selfClosing) path.push(tag.name)
      },
      endTag(name) {
        if (path.at(-1) === name) path.pop()
      },
      rawText() {},
      text: (start, end) => look(start, end, path.slice(-DEEPEST)),
      comment() {},
      declaration() {},
      isForeign: () => true,
    },
    true,
  )
}
