import { parse, rgb } from 'culori'
import { scss } from 'sass-parser'

/**
 * The colors that the parser of Sass itself sees in a sheet, as `r g b a` with 8-bit channels, in no order. What `@if` and its kin only test, and
 * what is only printed, is left out.
 */
export function colorsBySass(text: string): string[] {
  const root = scss.parse(text)
  // The parser falls over the percentages of keyframes when it reads selectors: colors are none of its selectors' business.
  root.walkRules((rule) => {
    Object.defineProperty(rule, 'parsedSelector', { value: '' })
  })
  return colorsIn(JSON.parse(JSON.stringify(root)))
}

interface Node {
  readonly sassType?: string
  readonly name?: string
  readonly value?: unknown
  readonly arguments?: { readonly nodes: readonly { readonly value: Node }[] }
}

const ONLY_TESTED = /^(?:if|else-if|while|debug|warn|error)-rule$|^(?:inputs|source|raws|parsedSelector)$/

function colorsIn(value: unknown): string[] {
  if (typeof value !== 'object' || value === null) return []
  const node = value as Node
  if (node.sassType === 'color') {
    const { channels, alpha } = node.value as { channels: number[]; alpha: number }
    return [[...channels, Math.round(alpha * 255)].join(' ')]
  }
  if (node.sassType === 'function-call') {
    const numbers = (node.arguments?.nodes ?? []).map(({ value: argument }) => argument)
    const channels = numbers.slice(0, 3)
    if (
      /^rgba?$/.test(node.name ?? '') &&
      channels.length === 3 &&
      channels.every(({ sassType }) => sassType === 'number')
    ) {
      const alpha = numbers[3]?.sassType === 'number' ? (numbers[3].value as number) : 1
      return [[...channels.map(({ value: channel }) => channel), Math.round(alpha * 255)].join(' ')]
    }
    if (
      /^hsla?$/.test(node.name ?? '') &&
      channels.length === 3 &&
      channels.every(({ sassType }) => sassType === 'number')
    ) {
      const read = parse(`hsl(${channels.map(({ value: channel }, i) => `${channel}${i > 0 ? '%' : ''}`).join(' ')})`)
      const { r, g, b } = rgb(read) as { r: number; g: number; b: number }
      return [[...[r, g, b].map((v) => Math.round(v * 255)), 255].join(' ')]
    }
  }
  return Object.entries(node).flatMap(([key, child]) => {
    if (ONLY_TESTED.test(key)) return []
    const tested = ONLY_TESTED.test(node.sassType ?? '') && key !== 'nodes'
    return tested ? [] : colorsIn(child)
  })
}
