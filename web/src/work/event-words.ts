import { type Correction, type Decision, groupBy, type PlanEvent, type Point, type Role } from '@undo-ink/core'
import { count, number } from '../components/words.ts'
import { becomingText, decisionText, insertionText } from './decision-words.ts'

/** Something that an event made, and that can be taken back by itself. */
export interface Made {
  readonly id: string
  readonly text: string
}

/** The decisions, corrections and insertions that an event made, each in words. */
export function madeBy(event: PlanEvent, roles: readonly Role[]): readonly Made[] {
  switch (event.kind) {
    case 'decide':
      return event.decisions.map((decision) => ({ id: decision.id, text: decisionText(decision, roles) }))
    case 'correct':
      return event.corrections.map((correction) => ({ id: correction.id, text: correctionText(correction) }))
    case 'insert':
      return event.insertions.map((insertion) => ({ id: insertion.id, text: insertionText(insertion, roles) }))
    case 'confirm':
      return event.confirmations.map(({ id, places }) => ({
        id,
        text: `${count(places.length, 'place that is', 'places that are')} possibly a colour confirmed`,
      }))
    default:
      return []
  }
}

function correctionText({ raw, replacement, path }: Correction): string {
  return `${raw} put right to ${replacement} in ${path}`
}

/** Decisions, slips or rules of one event that are told one by one. */
const MOST_TOLD = 3

/** An event of a plan, in words. @param points those of the plan, which it may return to */
export function eventText(event: PlanEvent, roles: readonly Role[], points: readonly Point[]): string {
  switch (event.kind) {
    case 'decide':
      return `${event.decisions.length > MOST_TOLD ? decisionsText(event.decisions, roles) : madeText(event, roles)}${replacedText(event.replaces?.length ?? 0)}`
    case 'correct':
      return event.corrections.length > MOST_TOLD
        ? `${count(event.corrections.length, 'slip')} put right`
        : madeText(event, roles)
    case 'insert':
      return event.insertions.length > MOST_TOLD
        ? `${count(event.insertions.length, 'rule')} added`
        : madeText(event, roles)
    case 'confirm':
      return madeText(event, roles)
    case 'take-back':
      return `${count(event.decisions.length, 'decision')} taken back`
    case 'tolerance':
      return `Tolerance set to ΔE00 ${number(event.value)}`
    case 'palette':
      return `Palette: version ${event.version}`
    case 'group':
      return event.colors.length === 1
        ? `${event.colors[0]} set apart`
        : `${count(event.colors.length, 'colour')} put together`
    case 'ungroup':
      return `${count(event.colors.length, 'colour')} clustered by tolerance again`
    case 'lead':
      return `${event.color} stands for its cluster`
    case 'return':
      return `Returned to ${pointText(event.to, points)}`
    case 'point':
      return `Point: ${event.name}`
    case 'undo':
      return 'Undone: the act before'
    case 'redo':
      return 'Redone'
  }
}

function madeText(event: PlanEvent, roles: readonly Role[]): string {
  return madeBy(event, roles)
    .map(({ text }) => text)
    .join('; ')
}

/** @param replaced decisions whose place these take */
function replacedText(replaced: number): string {
  if (replaced === 0) return ''
  return replaced === 1 ? ', in place of what was decided before' : `, in place of ${count(replaced, 'decision')}`
}

/** Many decisions by what they come to: `34 decisions: 11 colours to notice, 8 to ground …`. */
function decisionsText(decisions: readonly Decision[], roles: readonly Role[]): string {
  const groups = [...groupBy(decisions, ({ to }) => JSON.stringify(to)).values()]
    .map((some) => ({
      to: (some[0] as Decision).to,
      colors: new Set(some.flatMap(({ target }) => target.colors)).size,
    }))
    .toSorted((a, b) => b.colors - a.colors)
  const told = groups
    .slice(0, MOST_TOLD)
    .map(({ to, colors }) => `${count(colors, 'colour')} ${becomingText(to, roles, colors)}`)
  return `${count(decisions.length, 'decision')}: ${told.join(', ')}${groups.length > MOST_TOLD ? ' …' : ''}`
}

function pointText(to: number, points: readonly Point[]): string {
  return points.find(({ at }) => at === to)?.name ?? (to === 0 ? 'the beginning' : `act ${to}`)
}
