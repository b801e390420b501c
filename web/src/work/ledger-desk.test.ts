import { EVERYTHING, type LedgerView, type Viewed } from '@undo-ink/core'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { type LedgerAnswer, type LedgerAsk, LedgerDesk } from './ledger-desk.ts'

/** Stands for the worker, which only browsers have: answers when the test lets it. */
class FakeWorker {
  static last: FakeWorker
  readonly asked: LedgerAsk[] = []
  onmessage: (event: { data: LedgerAnswer }) => void = () => {}
  onerror: (event: { message: string }) => void = () => {}
  terminated = false

  constructor() {
    FakeWorker.last = this
  }

  postMessage(ask: LedgerAsk): void {
    this.asked.push(ask)
  }

  terminate(): void {
    this.terminated = true
  }

  /** Answers the latest question. */
  answer(): Viewed {
    const ask = this.asked.findLast((each) => each.kind === 'view')
    const viewed = { view: ask?.kind === 'view' ? ask.view : null } as unknown as Viewed
    this.onmessage({ data: { kind: 'viewed', id: ask?.kind === 'view' ? ask.id : 0, viewed } })
    return viewed
  }

  get views(): LedgerView[] {
    return this.asked.flatMap((ask) => (ask.kind === 'view' ? [ask.view] : []))
  }
}

const about = (text: string): LedgerView => ({ ...EVERYTHING, text })

describe('the desk of a ledger', () => {
  beforeEach(() => vi.stubGlobal('Worker', FakeWorker))
  afterEach(() => vi.unstubAllGlobals())
  const loadWords = vi.fn(async () => new Uint8Array([1]))
  const open = () => {
    loadWords.mockClear()
    const desk = new LedgerDesk(
      new Uint8Array(),
      new Uint8Array(),
      { thirdParty: new Set(), generated: new Set() },
      loadWords,
    )
    desk.standings(new Uint8Array())
    return { desk, worker: FakeWorker.last }
  }

  it('says when the worker answers no more', () => {
    const onStopped = vi.fn()
    new LedgerDesk(
      new Uint8Array(),
      new Uint8Array(),
      { thirdParty: new Set(), generated: new Set() },
      loadWords,
      onStopped,
    )
    FakeWorker.last.onerror({ message: 'out of memory' })
    expect(onStopped).toHaveBeenCalledWith('out of memory')
  })

  it('has the view of everything ready before it is asked for', () => {
    const { desk, worker } = open()
    expect(worker.asked.map(({ kind }) => kind)).toEqual(['open', 'standings', 'view'])
    expect(desk.recall(EVERYTHING)).toBeNull()
    const viewed = worker.answer()
    expect(desk.recall({ ...EVERYTHING })).toBe(viewed)
    expect(desk.recall(about('x'))).toBeNull()
  })

  it('answers only the latest of the questions that came while it was busy', () => {
    const { desk, worker } = open()
    worker.answer()
    const shown: unknown[] = []
    const ask = (text: string) =>
      desk.view(about(text), (viewed) => shown.push((viewed as unknown as { view: LedgerView }).view.text))
    for (const text of ['a', 'ab', 'abc', 'abcd']) ask(text)
    expect(worker.views.map(({ text }) => text)).toEqual(['', 'a'])
    worker.answer()
    expect(worker.views.map(({ text }) => text)).toEqual(['', 'a', 'abcd'])
    worker.answer()
    expect(shown).toEqual(['a', 'abcd'])
    ask('next')
    expect(worker.views.at(-1)?.text).toBe('next')
  })

  it('answers the same view anew when standings move, gives files, and closes', async () => {
    const { desk, worker } = open()
    worker.answer()
    const shown: Viewed[] = []
    desk.view(about('kept'), (viewed) => shown.push(viewed))
    worker.answer()
    desk.standings(Uint8Array.from([1, 2]))
    expect(worker.asked.slice(-2)).toMatchObject([
      { kind: 'standings', standings: Uint8Array.from([1, 2]) },
      { kind: 'view', view: { text: 'kept' } },
    ])
    expect(desk.recall(about('kept'))).toBeNull()
    worker.answer()
    expect(shown).toHaveLength(2)
    const file = desk.export(about('x'), 'csv')
    expect(worker.asked.at(-1)).toMatchObject({ kind: 'export', format: 'csv' })
    const blob = new Blob(['a'])
    worker.onmessage({ data: { kind: 'exported', file: blob } })
    expect(await file).toBe(blob)
    desk.close()
    expect(worker.terminated).toBe(true)
  })

  it('has the colours looked at once, when somebody asks', async () => {
    const { desk, worker } = open()
    expect(worker.asked.map(({ kind }) => kind)).not.toContain('observe')
    const [first, again] = [desk.seenColors(), desk.seenColors()]
    expect(worker.asked.filter(({ kind }) => kind === 'observe')).toHaveLength(1)
    const seen = new Map([['#7a2433', { places: 0, uses: new Map(), through: new Map() }]])
    worker.onmessage({ data: { kind: 'observed', seen } })
    expect(await first).toBe(seen)
    expect(await again).toBe(seen)
  })

  it('asks for one set of suggestions at a time, and of those that wait for the last', () => {
    const { desk, worker } = open()
    const questions = ['#111111', '#222222', '#333333'].map((lead) => ({
      roles: [],
      clusters: [{ lead, members: [] }],
    }))
    const answers = questions.map((question) => {
      const onSuggested = vi.fn()
      desk.suggest(question, onSuggested)
      return onSuggested
    })
    const asked = () => worker.asked.flatMap((ask) => (ask.kind === 'suggest' ? [ask.clusters] : []))
    expect(asked()).toEqual([questions[0]?.clusters])
    const suggestions = new Map([['#111111', []]])
    worker.onmessage({ data: { kind: 'suggested', suggestions } })
    expect(answers[0]).toHaveBeenCalledWith(suggestions)
    expect(asked()).toEqual([questions[0]?.clusters, questions[2]?.clusters])
    worker.onmessage({ data: { kind: 'suggested', suggestions } })
    expect(answers.map(({ mock }) => mock.calls.length)).toEqual([1, 0, 1])
    expect(worker.asked.filter(({ kind }) => kind === 'apart')).toHaveLength(1)
  })

  it('fetches the words of the pages when a text is sought for the first time, and answers again with them', async () => {
    const { desk, worker } = open()
    worker.answer()
    desk.view(EVERYTHING, () => {})
    worker.answer()
    expect(loadWords).not.toHaveBeenCalled()
    desk.view(about('fares'), () => {})
    worker.answer()
    desk.view(about('fares now'), () => {})
    worker.answer()
    await vi.waitFor(() => expect(worker.asked.some(({ kind }) => kind === 'words')).toBe(true))
    expect(loadWords).toHaveBeenCalledTimes(1)
    expect(worker.asked.findIndex(({ kind }) => kind === 'words')).toBeLessThan(worker.asked.length - 1)
    expect(worker.views.at(-1)?.text).toBe('fares now')
  })

  it('asks for the words again when they did not come', async () => {
    const { desk, worker } = open()
    loadWords.mockRejectedValueOnce(new Error('no answer'))
    desk.view(about('a'), () => {})
    worker.answer()
    await vi.waitFor(() => expect(loadWords).toHaveBeenCalledTimes(1))
    desk.view(about('b'), () => {})
    expect(loadWords).toHaveBeenCalledTimes(2)
  })
})
