import { expect, it } from 'vitest'
import { calledFor } from './called.ts'

it.each<[string, string | null]>([
  ['$primary', 'primary'],
  ['--brand', 'primary'],
  ['$brand-primary', 'primary'],
  ['@brand-danger', 'error'],
  ['$color-success', 'success'],
  ['--mainColor', 'primary'],
  ['$primary-dark', 'shade of primary'],
  ['--brand-100', 'shade of primary'],
  ['$link-hover-color', 'link hover'],
  ['$body-bg', 'ground'],
  ['--card', null],
  ['--paper', 'ground'],
  ['$text-muted', 'soft text'],
  ['$headings-color', 'text'],
  ['--accent', 'accent'],
  ['$border-color', 'line'],
  // What a part of a component takes, information, another company: no job of a palette.
  ['$btn-primary-color', null],
  ['--bs-btn-hover-bg', null],
  ['$info', null],
  ['$brand-facebook', null],
  ['$gray-800', null],
  ['--x1', null],
])('%s says %s', (name, said) => {
  const called = calledFor(name)
  expect(called && `${called.isShade ? 'shade of ' : ''}${called.job}`).toBe(said)
})
