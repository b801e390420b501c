import { expect, it } from 'vitest'
import { readSource } from '../source/read.ts'
import { observe } from './observation.ts'
import { ownJobOf } from './own-job.ts'

const roles = [{ id: '1', name: 'primary', color: '#0b6e74' }]

it.each<[string, string, string | null]>([
  ['.btn-facebook { background: #3b5998 } .x a:hover { color: #3b5998 }', '#3b5998', 'company'],
  ['.is-valid, .alert-success { color: #2f7d4f }', '#2f7d4f', 'status'],
  ['.card { background: #0b6e75 }', '#0b6e75', 'role'],
  ['.card { border-color: #d8d8dc }', '#d8d8dc', 'neutral'],
  [
    '.card { background: #4e73df } .alert-danger { color: #4e73df } .y { color: #4e73df } .z { color: #4e73df }',
    '#4e73df',
    null,
  ],
  ['.alert-info { background: #51b19e } .btn-info { color: #51b19e } .x { color: #51b19e }', '#51b19e', 'status'],
  [':root { --success: #51b19e }', '#51b19e', 'status'],
])('%s: %s has the job %s', (text, color, job) => {
  const { occurrences } = readSource({ path: 'a.css', text, encoding: 'utf-8' })
  expect(
    ownJobOf(
      color,
      observe(occurrences, () => []),
      roles,
    ),
  ).toBe(job)
})

it('of a color that is not seen only what it is counts', () => expect(ownJobOf('#4e73df', null, roles)).toBeNull())
