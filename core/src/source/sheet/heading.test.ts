import { expect, it } from 'vitest'
import { headingOf } from './heading.ts'

it.each<[string, string | null]>([
  [' Header ', 'Header'],
  [' ==== Header ==== ', 'Header'],
  ['\n * Buttons\n * ------- ', 'Buttons'],
  ['*\n * 3.1 Forms\n ', '3.1 Forms'],
  ['--------------------------------\n  Footer, links\n--------------------------------', 'Footer, links'],
  ['! normalize v1 | a licence ', null],
  [' .old { color: red; } ', null],
  [' color: red; ', null],
  [' a note\n of\n many\n lines ', null],
  [' ===== ', null],
  [`${'long '.repeat(90)}`, null],
])('%j', (comment, heading) => expect(headingOf(comment)).toBe(heading))
