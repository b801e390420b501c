import { USUAL } from './usual.ts'

/** The members of entries of one kind, each with how its name is written and what is usual of it. */
export type Members = readonly { readonly name: string; readonly head: string; readonly usual: unknown }[]

/** @param names of all members that entries of a kind have, in the order in which they are written */
export function membersOf<T>(names: Readonly<Record<keyof T, true>>): Members {
  return Object.keys(names).map((name) => ({ name, head: `"${name}":`, usual: USUAL[name as keyof typeof USUAL] }))
}

/** Between two entries of a list: each has a line of its own. */
export const BETWEEN = ',\n'

/** Bytes that room is made for at first. */
const ROOM = 1024

/** Of UTF-8 at most, for each UTF-16 unit. */
const MOST_BYTES = 3

const ENCODER = new TextEncoder()

const NOTHING = {}

/**
 * JSON (RFC 8259) that is written at once as bytes in UTF-8: a large site has half a million entries, which as objects and strings would cost as
 * much as reading the site. No control character stands in it as it is: a terminal may show it.
 */
export class JsonBytes {
  private bytes = new Uint8Array(ROOM)
  private length = 0

  /** What was written since it was taken last. */
  take(): Uint8Array<ArrayBuffer> {
    const taken = this.bytes.slice(0, this.length)
    this.length = 0
    return taken
  }

  /** Bytes that were written since. */
  get size(): number {
    return this.length
  }

  /** What is JSON already, as text or in bytes. */
  put(json: string | Uint8Array): this {
    if (typeof json === 'string') {
      this.makeRoom(json.length * MOST_BYTES)
      this.length += ENCODER.encodeInto(json, this.bytes.subarray(this.length)).written
    } else {
      this.makeRoom(json.length)
      this.bytes.set(json, this.length)
      this.length += json.length
    }
    return this
  }

  /** What stands before one more entry, of a list that was begun elsewhere. */
  between(): this {
    return this.length > 0 ? this.put(BETWEEN) : this
  }

  /** An entry without what is as usual of it. @param lead what comes before, all of it */
  entry(entry: object, members: Members, lead?: object): this {
    return this.put(`{${entryText(entry, members, lead)}}`)
  }

  private makeRoom(bytes: number): void {
    const needed = this.length + bytes
    if (needed <= this.bytes.length) return
    const grown = new Uint8Array(Math.max(needed, this.bytes.length * 2))
    grown.set(this.bytes.subarray(0, this.length))
    this.bytes = grown
  }
}

/** A value as JSON. */
export function jsonText(value: unknown): string {
  if (typeof value === 'string' && !ESCAPED.test(value)) return `"${value}"`
  if (typeof value === 'number' && Number.isFinite(value)) return `${value}`
  return JSON.stringify(value).replace(CONTROL, (sign) => `\\u00${sign.charCodeAt(0).toString(16)}`)
}

/** An entry as JSON, without its braces: what is as usual of it is left out. @param lead what comes before, all of it */
export function entryText(entry: object, members: Members, lead: object = NOTHING): string {
  let text = membersText(lead)
  for (const { name, head, usual } of members) {
    const value: unknown = entry[name as keyof typeof entry]
    if (value === undefined || value === usual || (isEmpty(value) && isEmpty(usual))) continue
    text += (text === '' ? head : `,${head}`) + jsonText(value)
  }
  return text
}

/** The members of an object as JSON, without its braces. */
export function membersText(of: object): string {
  let text = ''
  for (const name in of) {
    const value: unknown = of[name as keyof typeof of]
    if (value !== undefined) text += `${text === '' ? '' : ','}"${name}":${jsonText(value)}`
  }
  return text
}

/** What JSON escapes or should, halves of characters among it. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are what is looked for
const ESCAPED = /["\\\u0000-\u001f\u007f-\u009f\ud800-\udfff]/

/** Control characters that JSON takes as they are. */
const CONTROL = /[\u007f-\u009f]/g

function isEmpty(value: unknown): boolean {
  return Array.isArray(value) && value.length === 0
}
