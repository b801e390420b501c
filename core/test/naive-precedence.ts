import type { Decision, Target } from '../src/plan/decision.ts'

/**
 * Which decision holds, from the definition in words alone: of those that match, those fall out that another matching one is narrower than; of the rest
 * the latest. Nothing of it is what the product computes with.
 */

const DIMENSIONS = ['use', 'alphas', 'file', 'heading', 'selector', 'state', 'region', 'page', 'width']

/** Whether all that one value takes the other takes too; a value that is not given takes everything. */
function takesNoMore(dimension: string, a: unknown, b: unknown): boolean {
  if (b === undefined) return true
  if (a === undefined) return false
  if (dimension === 'alphas') return (a as number[]).every((each) => (b as number[]).includes(each))
  if (dimension === 'selector') return (b as string).split(/,\s*/).includes(a as string) || a === b
  if (dimension !== 'width') return a === b
  const [x, y] = [a, b].map((text) => Number(/\d+/.exec(String(text))?.[0])) as [number, number]
  const [isMax, isOther] = [a, b].map((text) => String(text).includes('max'))
  return isMax === isOther && (isMax ? x <= y : x >= y)
}

function isTighter(a: Target, b: Target): boolean {
  const of = (one: Target, dimension: string) => ({ ...one, ...one.scope })[dimension as keyof Target] as unknown
  const asTight = (one: Target, other: Target) =>
    DIMENSIONS.every((each) => takesNoMore(each, of(one, each), of(other, each)))
  return asTight(a, b) && !asTight(b, a)
}

/** @param matching in the order in which they were made */
export function naiveHolder(matching: readonly Decision[]): Decision | null {
  const left = matching.filter((one) => !matching.some((other) => isTighter(other.target, one.target)))
  return left.at(-1) ?? null
}
