import type { Decision, Role, ScopePage } from '@undo-ink/core'
import type { Consequence, PlanSoFar, RolesConsequence } from './consequence.ts'

/** A copy as the worker that judges needs it. */
export interface JudgedCopy {
  /** Its ledger as it came. */
  readonly bytes: Uint8Array
  /** What is known beside the places, as it came. */
  readonly apart: Uint8Array
  readonly pages: readonly ScopePage[]
}

/** What some decisions would take, and where it is asked for, what they would do. */
export interface TrialsQuestion {
  readonly kind: 'trials'
  readonly trials: readonly Decision[]
  readonly plan: PlanSoFar
  readonly isJudged: boolean
}

/** What other roles would do. */
export interface RolesQuestion {
  readonly kind: 'roles'
  readonly roles: readonly Role[]
  readonly plan: PlanSoFar
}

export type Question = TrialsQuestion | RolesQuestion
export type AnswerTo<Q extends Question> = Q extends TrialsQuestion ? Consequence : RolesConsequence

export type JudgeAsk = { readonly kind: 'open'; readonly copy: JudgedCopy } | Question

interface Asking {
  readonly question: Question
  readonly onAnswer: (answer: RolesConsequence | Consequence) => void
}

/**
 * Asks the worker that judges, one question after another; the first starts it. It keeps the places once more, so that no judgement, however much it looks at, holds
 * up who works meanwhile.
 */
export class JudgeDesk {
  private readonly copy: JudgedCopy
  private readonly onStopped: (message: string) => void
  private worker: Worker | null = null
  private waiting: Asking[] = []
  private asked: Asking | null = null

  /** @param onStopped told when the worker answers no more */
  constructor(copy: JudgedCopy, onStopped: (message: string) => void) {
    this.copy = copy
    this.onStopped = onStopped
  }

  /** @returns forgets the question: what is asked next need not wait for it, unless it is being answered */
  ask<Q extends Question>(question: Q, onAnswer: (answer: AnswerTo<Q>) => void): () => void {
    let isWanted = true
    const asking: Asking = {
      question,
      onAnswer: (answer) => {
        if (isWanted) onAnswer(answer as AnswerTo<Q>)
      },
    }
    this.waiting.push(asking)
    this.askNext()
    return () => {
      isWanted = false
      this.waiting = this.waiting.filter((each) => each !== asking)
    }
  }

  close(): void {
    this.worker?.terminate()
    this.worker = null
    this.asked = null
    this.waiting = []
  }

  private askNext(): void {
    if (this.asked) return
    this.asked = this.waiting.shift() ?? null
    if (this.asked) this.tell(this.asked.question)
  }

  private tell(ask: JudgeAsk): void {
    if (!this.worker) {
      this.worker = new Worker(new URL('./judge.worker.ts', import.meta.url), { type: 'module' })
      this.worker.onmessage = ({ data }: MessageEvent<RolesConsequence | Consequence>) => {
        const { asked } = this
        this.asked = null
        this.askNext()
        asked?.onAnswer(data)
      }
      this.worker.onerror = ({ message }) => this.onStopped(message)
      this.worker.postMessage({ kind: 'open', copy: this.copy } satisfies JudgeAsk)
    }
    this.worker.postMessage(ask)
  }
}
