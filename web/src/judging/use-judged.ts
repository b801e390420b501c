import type { Decision, Role } from '@undo-ink/core'
import { startTransition, useCallback, useEffect, useMemo, useState } from 'react'
import { usePlan } from '../work/work.tsx'
import type { Consequence, PlanSoFar, RolesConsequence } from './consequence.ts'
import type { AnswerTo, Question, RolesQuestion, TrialsQuestion } from './judge-desk.ts'
import { useJudging } from './judge-provider.tsx'

/** What was judged last. */
export interface Judged<T> {
  /** null: nothing was judged yet. */
  readonly judgement: T | null
  /** Whether it is of what is asked now; until then it is of what was asked before. */
  readonly isCurrent: boolean
}

/** The plan as it stands, to which decisions would be added. */
export function usePlanSoFar(): PlanSoFar {
  const { state, roles } = usePlan()
  const { decisions, confirmations } = state
  return useMemo(() => ({ decisions, confirmations, roles }), [decisions, confirmations, roles])
}

/**
 * What some decisions would do, judged aside.
 * @param trials the same list as long as nothing in it changes; null: there is nothing to judge
 * @param isJudged whether pairs are told, which costs most: only a role or a color can be judged
 */
export function useConsequence(
  trials: readonly Decision[] | null,
  plan: PlanSoFar,
  isJudged = true,
): Judged<Consequence> {
  return useAnswer(
    useMemo(
      (): TrialsQuestion | null => trials && { kind: 'trials', trials, plan, isJudged },
      [trials, plan, isJudged],
    ),
  )
}

/** What other roles would do, judged aside. @param roles the same list as long as nothing in it changes */
export function useRolesConsequence(roles: readonly Role[]): Judged<RolesConsequence> {
  const plan = usePlanSoFar()
  return useAnswer(useMemo((): RolesQuestion => ({ kind: 'roles', roles, plan }), [roles, plan]))
}

/** Asks what decisions would do, for whoever asks several times. A question that is given up is never answered. */
export function useAskConsequence(): (trials: readonly Decision[], signal: AbortSignal) => Promise<Consequence> {
  const { desk } = useJudging()
  const plan = usePlanSoFar()
  return useCallback(
    (trials, signal) =>
      new Promise((resolve) => {
        if (!desk || signal.aborted) return
        const giveUp = desk.ask({ kind: 'trials', trials, plan, isJudged: true }, resolve)
        signal.addEventListener('abort', giveUp)
      }),
    [desk, plan],
  )
}

function useAnswer<Q extends Question>(question: Q | null): Judged<AnswerTo<Q>> {
  const { desk } = useJudging()
  const [held, setHeld] = useState<{ readonly question: Q; readonly answer: AnswerTo<Q> } | null>(null)
  useEffect(() => {
    // Drawn as there is time: whoever goes on meanwhile does not wait for it.
    if (question !== null) return desk?.ask(question, (answer) => startTransition(() => setHeld({ question, answer })))
  }, [desk, question])
  return { judgement: held?.answer ?? null, isCurrent: held?.question === question }
}
