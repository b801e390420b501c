import { type Embedded, part } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { readSetting } from './setting.ts'

/** Reads a table (RFC 4180; commas, semicolons or tabs): every cell that is wholly a color. The first line names the columns. */
export function readCsv(at: Embedded, emitter: Emitter): void {
  const { text } = at
  const delimiter = delimiterOf(text.slice(0, text.search(/[\r\n]|$/)))
  const names: string[] = []
  let row = 0
  let column = 0
  for (let i = 0; i <= text.length; ) {
    const isQuoted = text[i] === '"'
    const start = isQuoted ? i + 1 : i
    let end = start
    if (isQuoted) {
      end = closeOf(text, start)
      i = end + 1
      while (i < text.length && text[i] !== delimiter && text[i] !== '\n' && text[i] !== '\r') i++
    } else {
      while (i < text.length && text[i] !== delimiter && text[i] !== '\n' && text[i] !== '\r') i++
      end = i
    }
    if (row === 0) names.push(text.slice(start, end))
    const name = names[column]
    if (row > 0 || end - start < 30)
      readSetting({ value: part(at, start, end), path: row > 0 && name ? [name] : [] }, emitter)
    if (i >= text.length) break
    if (text[i] === delimiter) column++
    else {
      if (text[i] === '\r' && text[i + 1] === '\n') i++
      row++
      column = 0
    }
    i++
  }
}

function delimiterOf(line: string): string {
  const counts = [',', ';', '\t'].map((sign) => [sign, line.split(sign).length] as const)
  return counts.reduce((best, each) => (each[1] > best[1] ? each : best))[0]
}

/** A doubled quote stands for one. */
function closeOf(text: string, from: number): number {
  for (let at = text.indexOf('"', from); at >= 0; at = text.indexOf('"', at + 2)) if (text[at + 1] !== '"') return at
  return text.length
}
