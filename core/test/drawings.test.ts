import { describe, expect, it } from 'vitest'
import { statesOf } from '../src/selector/state.ts'
import { readSource } from '../src/source/read.ts'
import { decodeBase64, encodeBase64 } from '../src/source/value/data-url.ts'
import { applyEdits } from '../src/text/edit.ts'
import { invertEdits } from './invert-edits.ts'
import { allTo, planOf, rewritten } from './rewritten.ts'

const read = (text: string) => readSource({ path: 'a.css', text, encoding: 'utf-8' })
const roles = [{ id: 'r', name: 'r', color: '#0b6e74' }]

/** The text after every color has become teal, and whether taking the edits back gives the received text. */
function recolor(text: string): string {
  const { edits, text: after } = rewritten('a.css', text, planOf([allTo('r', { path: 'a.css', text })], roles))
  expect(applyEdits(after, invertEdits(text, edits))).toBe(text)
  return after
}
const svg = (payload: string, quote = '"') => `a:hover{background:url(${quote}data:image/svg+xml,${payload}${quote})}`

describe('a percent-encoded drawing', () => {
  it.each<[string, string[], string]>([
    ["%3csvg fill='%23fff' stroke='red'/%3e", ['%23fff', 'red'], "%3csvg fill='%230b6e74' stroke='%230b6e74'/%3e"],
    ['%3Csvg%20fill%3D%27%23FFF%27%2F%3E', ['%23FFF'], '%3Csvg%20fill%3D%27%230B6E74%27%2F%3E'],
    ["<svg fill='#abcdef'/>", ['#abcdef'], "<svg fill='#0b6e74'/>"],
    [
      "%3csvg style='color:rgb(1,2,3);fill:hsl(10,20%25,30%25)'/%3e",
      ['rgb(1,2,3)', 'hsl(10,20%25,30%25)'],
      "%3csvg style='color:rgb(11,110,116);fill:hsl(183.4,82.7%25,24.9%25)'/%3e",
    ],
    [
      '%3csvg%3e%3cstyle%3e.a%7bfill:%23123456%7d%3c/style%3e%3c/svg%3e',
      ['%23123456'],
      '%3csvg%3e%3cstyle%3e.a%7bfill:%230b6e74%7d%3c/style%3e%3c/svg%3e',
    ],
    ["%3csvg%3e%3ctext fill='%23fff'%3e%c3%a9 é%3c/text%3e%3cpath fill='tan'/%3e", ['%23fff', 'tan'], ''],
    ["%3csvg fill='url(%23fff)' id='red' class='%23fff'%3e%23fff%3c/svg%3e", [], ''],
  ])('%s', (payload, raws, after) => {
    const text = svg(payload)
    const { occurrences } = read(text)
    expect(occurrences.map(({ raw }) => raw)).toEqual(raws)
    for (const { range, raw, signals, inner } of occurrences) {
      expect(text.slice(range.start, range.end)).toBe(raw)
      expect(inner).toEqual({ encoding: 'percent' })
      if (!payload.includes('style%3e')) expect(statesOf(signals)).toEqual(['hover'])
    }
    if (after !== '') expect(recolor(text)).toBe(svg(after))
  })

  it('may stand without quotes, with escapes, in a variable, and several in one value', () => {
    expect(read(svg('%3csvg fill=%22%23fff%22/%3e', '')).occurrences.map(({ raw }) => raw)).toEqual(['%23fff'])
    expect(
      read(String.raw`a{background:url("data:image/svg+xml;utf8,<svg fill=\"#fff\"/>")}`).occurrences,
    ).toHaveLength(1)
    const two = `:root{--i:url("data:image/svg+xml,%3csvg fill='%23fff'/%3e"), url('data:image/svg+xml,%3csvg fill="tan"/%3e') ,red}`
    expect(read(two).occurrences.map(({ raw }) => raw)).toEqual(['%23fff', 'tan'])
  })
})

describe('a base64 drawing', () => {
  const drawing = `<svg xmlns="http://www.w3.org/2000/svg"><path fill="#fff" d="M0 0"/><g stroke="red" style="fill:RGB(1 2 3)"/>é</svg>`
  const text = `b{color:tan;background:url(data:image/svg+xml;base64,${encodeBase64(drawing)}) #000}`

  it('gives the text and range within the payload, beside the range of the payload', () => {
    const { occurrences } = read(text)
    expect(occurrences.map(({ raw }) => raw)).toEqual(['tan', '#fff', 'red', 'RGB(1 2 3)', '#000'])
    for (const { range, inner, raw } of occurrences) {
      const around = text.slice(range.start, range.end)
      if (inner?.encoding !== 'base64') expect(around).toBe(raw)
      else expect(decodeBase64(around)?.slice(inner.range.start, inner.range.end)).toBe(raw)
    }
  })

  it('is encoded again by one edit for all its literals', () => {
    const colors = ['#ffffff', '#ff0000', '#010203']
    const plan = planOf([{ id: 'd', target: { colors }, to: { kind: 'role', role: 'r' } }], roles)
    const { changes, edits } = rewritten('a.css', text, plan)
    expect([changes.length, edits.edits.length]).toEqual([3, 1])
    const payload = /base64,([^)]*)/.exec(recolor(text))?.[1] ?? ''
    expect(decodeBase64(payload)).toBe(
      `<svg xmlns="http://www.w3.org/2000/svg"><path fill="#0b6e74" d="M0 0"/><g stroke="#0b6e74" style="fill:RGB(11 110 116)"/>é</svg>`,
    )
  })

  it('that would not come out the same is told and left alone', () => {
    const odd = `b{background:url("data:image/svg+xml;base64,${encodeBase64(drawing)}AAA=x") #000}`
    expect(read(odd).findings.map(({ code }) => code)).toEqual(['drawing-not-reversible'])
    expect(recolor(odd)).toBe(odd.replace('#000', '#0b6e74'))
  })
})
