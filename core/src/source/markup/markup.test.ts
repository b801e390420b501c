import { describe, expect, it } from 'vitest'
import { readSource } from '../read.ts'

const read = (text: string) => {
  const reading = readSource({ path: 'a.html', text, encoding: 'utf-8' })
  for (const { range, raw } of reading.occurrences) expect(text.slice(range.start, range.end)).toBe(raw)
  return reading.occurrences
}

describe('pages', () => {
  it('are read in style elements and style attributes, in their order', () => {
    const text =
      '<!doctype html>\r\n<style media="print">\r\n a{color:#fff}</style><p id=i class="x  y" style=\'color: red\'>é😀<b style=background:tan>'
    expect(read(text).map(({ raw, subjects, atRules, line }) => [raw, subjects[0], atRules[0], line])).toEqual([
      ['#fff', 'a', '@media print', 3],
      ['red', 'p#i.x.y', undefined, 3],
      ['tan', 'b', undefined, 3],
    ])
  })

  it('keep their character references: the range is the written text', () => {
    const occurrences = read('<a style="color:&#35;fff;background:url(&quot;#abc&quot;) &#x72;ed;border-color:&amp;">')
    expect(occurrences.map(({ raw, color }) => [raw, color])).toEqual([
      ['&#35;fff', '#ffffff'],
      ['&#x72;ed', '#ff0000'],
    ])
  })

  it('are read inside templates and inline drawings, not in scripts, comments and texts', () => {
    const text = `<template><p style="color:red"></template><svg><style>path{fill:gold}</style></svg>
      <script>var s = '<p style="color:blue">'</script><!-- <p style="color:tan"> --><p>style="color:plum"</p>`
    expect(read(text).map(({ raw }) => raw)).toEqual(['red', 'gold'])
  })

  it('survive broken markup', () => {
    expect(read('<p style="color:red"<div><style>a{color:tan}').map(({ raw }) => raw)).toEqual(['red', 'tan'])
    expect(read(`${'<div>'.repeat(5000)}<p style="color:red">`)).toHaveLength(1)
  })
})
