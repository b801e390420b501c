import { expect, it } from 'vitest'
import { JOBS, jobOf } from './jobs.ts'
import { servesOf } from './role.ts'

it('words that people use for a colour say its job, where they say one and no other', () => {
  const said: [string, string | null][] = [
    ...([
      ['Main colour', 'primary'],
      ['our Highlight:', 'accent'],
      ['Dark', 'text'],
      ['the background', 'ground'],
    ] as const),
    ...([
      ['Borders', 'line'],
      ['brand ink', 'text'],
      ['Links', 'link'],
      ['Call to action', 'accent'],
    ] as const),
    ...([
      ['dark green', null],
      ['primary, dark', null],
      ['colour', null],
      ['', null],
      ['text on primary', null],
    ] as const),
  ]
  for (const [words, job] of said) expect(jobOf(words), words).toBe(job)
})

it('every job is told from its name: text, ground or line', () => {
  const serves = JOBS.map((name) => [name, servesOf({ name })])
  const of = (what: string) => serves.filter(([, each]) => each === what).map(([name]) => name)
  expect(of('ground')).toEqual(['primary', 'accent', 'ground', 'soft ground'])
  expect(of('line')).toEqual(['line', 'focus'])
})
