import { expect, it } from 'vitest'
import { isJobOpen, JOBS, jobOf, jobsIn, jobsOfRole, roleFor } from './jobs.ts'
import { servesOf } from './serves.ts'

it('words that people use for a colour say its job, where they say one and no other', () => {
  const said: Record<string, string | null> = {
    ...{ 'Main colour': 'primary', 'our Highlight:': 'accent', Dark: 'text', 'the background': 'ground' },
    ...{ Borders: 'line', 'brand ink': 'text', Links: 'link', 'Call to action': 'accent' },
    ...{ 'dark green': null, 'primary, dark': null, colour: null, '': null, 'text on primary': 'text on primary' },
  }
  for (const [words, job] of Object.entries(said)) expect(jobOf(words), words).toBe(job)
})

it('every job is told from its name: text, ground or line', () => {
  const serves = JOBS.map((name) => [name, servesOf({ name })])
  const of = (what: string) => serves.filter(([, each]) => each === what).map(([name]) => name)
  expect(of('ground')).toEqual(['primary', 'accent', 'ground', 'soft ground'])
  expect(of('line')).toEqual(['line', 'focus'])
})

it("a sentence names jobs, and says those of a role whose name is the client's own", () => {
  expect(jobsIn('the buttons and the links')).toEqual(['primary', 'link'])
  expect(jobsIn('our secondary text, and borders')).toEqual(['soft text', 'line'])
  // Light and dark say a job only where nothing else does.
  expect(['the light text', 'our dark ground', 'everything dark', 'light'].map(jobsIn)).toEqual([
    ['text'],
    ['ground'],
    ['text'],
    ['ground'],
  ])
  expect(jobsOfRole({ name: 'Pine', description: 'the buttons and the links' })).toEqual(['primary', 'link'])
  expect(jobsOfRole({ name: 'Link', description: 'the buttons' })).toEqual(['link'])
  expect(jobsOfRole({ name: 'text on primary' })).toEqual(['text on primary'])
  expect(jobsOfRole({ name: 'Oat' })).toEqual([])
})

it("the role for a job is the one that is called so, else the one whose words say it, the client's own names included", () => {
  const role = (name: string, description = '') => ({ id: name, name, color: '#123456', description })
  const roles = [
    role('Pine', 'the buttons and the links'),
    role('Oat', 'the background'),
    role('text on Pine'),
    role('Link'),
  ]
  const found = ['primary', 'link', 'ground', 'text on primary', 'text'].map((job) => roleFor(job, roles)?.name)
  expect(found).toEqual(['Pine', 'Link', 'Oat', 'text on Pine', undefined])
})

it('asks of a role what it is for where nothing says it', () => {
  const role = (name: string, description = '') => ({ id: name, name, color: '#123456', description })
  const asked = ['Pine', 'primary hover', 'text on Pine', 'notice', 'Focus'].filter((name) => isJobOpen(role(name)))
  expect(asked).toEqual(['Pine'])
  expect(isJobOpen(role('Pine', 'link'))).toBe(false)
})
