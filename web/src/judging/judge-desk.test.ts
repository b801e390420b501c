import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { type JudgeAsk, JudgeDesk, type TrialsQuestion } from './judge-desk.ts'

/** Stands for the worker, which only browsers have: answers when the test lets it. */
class FakeWorker {
  static all: FakeWorker[] = []
  readonly asked: JudgeAsk[] = []
  onmessage: (event: { data: unknown }) => void = () => {}
  onerror: (event: { message: string }) => void = () => {}
  terminated = false

  constructor() {
    FakeWorker.all.push(this)
  }

  postMessage(ask: JudgeAsk): void {
    this.asked.push(ask)
  }

  terminate(): void {
    this.terminated = true
  }
}

const about = (name: string): TrialsQuestion => ({
  kind: 'trials',
  trials: [{ id: name, target: { colors: [] }, to: { kind: 'keep' } }],
  plan: { decisions: [], roles: [], confirmations: [] },
  isJudged: true,
})

describe('the desk at which is judged', () => {
  beforeEach(() => vi.stubGlobal('Worker', FakeWorker))
  afterEach(() => vi.unstubAllGlobals())
  const open = () => {
    FakeWorker.all = []
    const onStopped = vi.fn()
    return {
      desk: new JudgeDesk({ bytes: new Uint8Array(), apart: new Uint8Array(), pages: [] }, onStopped),
      onStopped,
    }
  }

  it('starts with the first question, and asks one after another', () => {
    const { desk } = open()
    expect(FakeWorker.all).toEqual([])
    const [first, second] = [vi.fn(), vi.fn()]
    desk.ask(about('first'), first)
    desk.ask(about('second'), second)
    const worker = FakeWorker.all[0] as FakeWorker
    expect(worker.asked.map(({ kind }) => kind)).toEqual(['open', 'trials'])
    worker.onmessage({ data: 'of the first' })
    expect(first).toHaveBeenCalledExactlyOnceWith('of the first')
    expect(second).not.toHaveBeenCalled()
    expect(worker.asked[2]).toEqual(about('second'))
    worker.onmessage({ data: 'of the second' })
    expect(second).toHaveBeenCalledExactlyOnceWith('of the second')
    expect(FakeWorker.all).toHaveLength(1)
  })

  it('forgets what is given up: what waits is never asked, what is asked never answered', () => {
    const { desk } = open()
    const [first, second, third] = [vi.fn(), vi.fn(), vi.fn()]
    const giveUpFirst = desk.ask(about('first'), first)
    const giveUpSecond = desk.ask(about('second'), second)
    desk.ask(about('third'), third)
    giveUpFirst()
    giveUpSecond()
    const worker = FakeWorker.all[0] as FakeWorker
    worker.onmessage({ data: 'of the first' })
    expect(worker.asked.slice(1)).toEqual([about('first'), about('third')])
    worker.onmessage({ data: 'of the third' })
    expect([first, second].flatMap(({ mock }) => mock.calls)).toEqual([])
    expect(third).toHaveBeenCalledExactlyOnceWith('of the third')
  })

  it('says that the worker stopped, and ends it when it is closed', () => {
    const { desk, onStopped } = open()
    desk.ask(about('first'), () => {})
    const worker = FakeWorker.all[0] as FakeWorker
    worker.onerror({ message: 'out of memory' })
    expect(onStopped).toHaveBeenCalledExactlyOnceWith('out of memory')
    desk.close()
    expect(worker.terminated).toBe(true)
  })
})
