import { describe, expect, it } from 'vitest'
import { ApiError } from '../../api/client.ts'
import { isActive } from '../../api/jobs.ts'
import { troubleOf, troubleOfJob } from './job-trouble.tsx'

const job = {
  id: 'j',
  kind: 'intake',
  state: 'running',
  filesDone: 1,
  pagesDone: 0,
  pagesTotal: null,
  filesTotal: 2,
  places: 3,
  problem: null,
} as const
const problem = {
  type: '/problems/damaged-zip',
  title: 'The archive is damaged',
  status: 422,
  code: 'damaged-zip',
} as const

describe('what kept a job from being done', () => {
  it('is nothing while it runs or when it is done', () => {
    expect(troubleOfJob(null)).toBeNull()
    expect(troubleOfJob(job)).toBeNull()
    expect(troubleOfJob({ ...job, state: 'done' })).toBeNull()
  })

  it('is no fault where it was stopped, and one where it failed', () => {
    expect(troubleOfJob({ ...job, state: 'cancelled' })).toEqual({ title: 'Stopped', isFault: false })
    expect(troubleOfJob({ ...job, state: 'failed', problem: { ...problem, detail: 'a.css' } })).toEqual({
      title: 'The archive is damaged',
      isFault: true,
      detail: 'a.css',
    })
  })

  it('is told in the words of the server, or says that there was no answer', () => {
    expect(troubleOf(new ApiError(problem))).toEqual({ title: 'The archive is damaged', isFault: true, detail: null })
    expect(troubleOf(new ApiError(null))).toMatchObject({ title: 'The server does not answer', isFault: true })
    expect(troubleOf(new Error('odd'))).toEqual({ title: 'odd', isFault: true, detail: null })
  })
})

it('a job is active while it waits or runs', () => {
  const states = ['waiting', 'running', 'done', 'failed', 'cancelled'] as const
  expect(states.map((state) => isActive({ ...job, state }))).toEqual([true, true, false, false, false])
  expect(isActive(null)).toBe(false)
})
