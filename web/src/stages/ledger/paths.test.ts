import { expect, it } from 'vitest'
import { readAddress } from './address.ts'
import { toggled } from './facet-chips.tsx'
import { facetValueText } from './facet-words.ts'
import { colorPath, placePath, placesPath } from './paths.ts'

const addressOf = (path: string) => readAddress(new URLSearchParams(path.split('?')[1]))

it('paths lead to what they name, whatever letters that has', () => {
  const path = 'css/größe & more:1.css'
  expect(addressOf(placePath('s', { path, range: { start: 7, end: 9 } })).place).toEqual({ path, start: 7 })
  const typed = 'a & b = #fff'
  expect(addressOf(placesPath('s', { typed, stretch: ['color(srgb 1.2 0 0)'] }))).toMatchObject({
    typed,
    stretch: ['color(srgb 1.2 0 0)'],
  })
  const color = 'color(srgb 1.2 0 0)'
  expect(decodeURIComponent(colorPath('s', color).split('/').at(-1) ?? '')).toBe(color)
})

it('a choice is made and taken back', () => {
  expect(toggled([], 'a')).toEqual(['a'])
  expect(toggled(['a', 'b'], 'a')).toEqual(['b'])
})

it('values are told in words, and as they are where there are none', () => {
  expect(facetValueText('heading', '')).toBe('no heading')
  expect(facetValueText('heading', 'Fares')).toBe('Fares')
  expect(facetValueText('standing', 'decided')).toBe('takes a role')
  expect(facetValueText('origin', 'third-party')).toBe('third-party')
  expect(facetValueText('confidence', 'likely')).toBe('likely a colour')
  expect(facetValueText('syntax', 'scss')).toBe('SCSS')
  expect(facetValueText('use', 'ground')).toBe('ground')
  expect(facetValueText('standing', 'gone')).toBe('gone')
})
