import { expect } from 'vitest'
import { statesOf } from '../src/selector/state.ts'
import type { Occurrence, Reading } from '../src/source/occurrence.ts'
import { readSource } from '../src/source/read.ts'

/** Reads a text as the file of that path; every range must hold its text. */
export function read(path: string, text: string): Reading {
  const reading = readSource({ path, text, encoding: 'utf-8' })
  for (const { range, raw, inner } of reading.occurrences)
    if (inner?.encoding !== 'base64') expect(text.slice(range.start, range.end)).toBe(raw)
  return reading
}

/** What is asked of a place most often, in one line: `#fff background-color ground certain`. */
export function lines(path: string, text: string): string[] {
  return read(path, text).occurrences.map(lineOf)
}

export function lineOf({ raw, property, use, selector, signals, confidence, evidence }: Occurrence): string {
  const by = evidence === null ? confidence : `${confidence} by ${evidence}`
  const states = statesOf(signals)
  const on = selector === null ? '' : ` on ${selector}`
  return `${raw} ${property} ${use}${on}${states.length > 0 ? ` [${states.join(' ')}]` : ''} ${by}`
}

/** The raw texts of the places alone. */
export function raws(path: string, text: string): string[] {
  return read(path, text).occurrences.map(({ raw }) => raw)
}
