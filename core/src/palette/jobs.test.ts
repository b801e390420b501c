import { expect, it } from 'vitest'
import { JOBS, jobOf } from './jobs.ts'
import { servesOf } from './role.ts'

it('words that people use for a colour say its job, where they say one and no other', () => {
  const said: Record<string, string | null> = {
    ...{ 'Main colour': 'primary', 'our Highlight:': 'accent', Dark: 'text', 'the background': 'ground' },
    ...{ Borders: 'line', 'brand ink': 'text', Links: 'link', 'Call to action': 'accent' },
    ...{ 'dark green': null, 'primary, dark': null, colour: null, '': null, 'text on primary': null },
  }
  for (const [words, job] of Object.entries(said)) expect(jobOf(words), words).toBe(job)
})

it('every job is told from its name: text, ground or line', () => {
  const serves = JOBS.map((name) => [name, servesOf({ name })])
  const of = (what: string) => serves.filter(([, each]) => each === what).map(([name]) => name)
  expect(of('ground')).toEqual(['primary', 'accent', 'ground', 'soft ground'])
  expect(of('line')).toEqual(['line', 'focus'])
})
