import type { Decision, OpaqueKey, Suggestion } from '@undo-ink/core'
import type { Judgement } from '../../judging/consequence.ts'
import type { Row } from '../../work/standing.ts'
import { decisionsFor } from './suggesting.ts'

/** A row with what is suggested for it. */
export interface Suggested {
  readonly row: Row
  readonly taken: readonly Suggestion[]
}

/** The rows of which nothing is decided yet, with what can be taken for each. @param all suggestions by the lead of their row */
export function offeredOf(rows: readonly Row[], all: ReadonlyMap<OpaqueKey, readonly Suggestion[]>): Suggested[] {
  const some = rows.flatMap((row): Suggested[] => {
    const taken = row.open === row.count ? (all.get(row.cluster.lead) ?? []) : []
    return taken.length > 0 ? [{ row, taken }] : []
  })
  const leads = leadsOf(some, rows)
  return some.filter((each) => missingLead(each, leads) === null)
}

/** The colors that others can follow once these are taken: of the rows that lead already, and of those that take a role. */
export function leadsOf(some: readonly Suggested[], rows: readonly Pick<Row, 'cluster' | 'leads'>[]): Set<OpaqueKey> {
  return new Set([
    ...rows.flatMap(({ cluster, leads }) => (leads ? [cluster.lead] : [])),
    ...some.flatMap(({ row, taken }) => (taken.some(({ to }) => to.kind === 'role') ? [row.cluster.lead] : [])),
  ])
}

/** What a suggestion is to follow that takes nothing itself; null: all of it can be taken. */
export function missingLead({ taken }: Suggested, leads: ReadonlySet<OpaqueKey>): OpaqueKey | null {
  return taken.flatMap(({ to }) => (to.kind === 'follow' && !leads.has(to.lead) ? [to.lead] : []))[0] ?? null
}

/** What taking a suggestion together with the others would do that cannot be wanted. */
export interface Trouble {
  /** The greater the worse: text that vanishes, a state or a line that is lost, text that is hard to read. */
  readonly severity: 3 | 2 | 1
  readonly says: string
}

/** The decisions of some suggestions, as they would be tried. */
export function trialsOf(some: readonly Suggested[]): Decision[] {
  let next = 0
  return some.flatMap(({ row, taken }) => decisionsFor(row, taken, () => `trial ${next++}`))
}

/** Some trouble, and the rows of which it takes a place that meets there: one, if the other place stays as it is. */
interface Meeting {
  readonly leads: readonly OpaqueKey[]
  readonly trouble: Trouble
}

function meetings({ vanishing, lost, dimmed }: Judgement, some: readonly Suggested[]): Meeting[] {
  const leadOf = new Map(
    some.flatMap(({ row: { cluster } }) => cluster.members.map((key) => [key, cluster.lead] as const)),
  )
  const meeting = (colors: readonly string[], trouble: Trouble): Meeting => ({
    leads: [...new Set(colors.flatMap((color) => leadOf.get(color) ?? []))],
    trouble,
  })
  return [
    ...vanishing.map(({ takes, subject }) =>
      meeting(takes, { severity: 3, says: `text of ${shortened(subject)} would vanish` }),
    ),
    ...lost.map(({ takes, kind, subject, state }) =>
      meeting(takes, {
        severity: 2,
        says:
          kind === 'state-like-rest'
            ? `${shortened(subject)} would look the same when ${state}`
            : `the line of ${shortened(subject)} would be lost`,
      }),
    ),
    ...dimmed.map(({ takes, after, subject }) =>
      meeting(takes, {
        severity: 1,
        says: `text of ${shortened(subject)} would be hard to read (${after.ratio.toFixed(1)})`,
      }),
    ),
  ]
}

/** A list by its first selector, in the room of a line. */
function shortened(list: string): string {
  const [first = ''] = list.split(/\s*,\s*/)
  return first.length > LONGEST ? `${first.slice(0, LONGEST)}…` : first
}

const LONGEST = 40

/** Some suggestions judged together. */
export interface Together {
  /** Of each row, by its lead, the worst that taking all of them would do with it. */
  readonly troubles: ReadonlyMap<OpaqueKey, Trouble>
  /** What can be taken without trouble: wherever two meet in some, the less sure is left out; both, where they are as sure. */
  readonly safe: readonly Suggested[]
}

/** @param judge tells what some decisions would do, of what some page has */
export async function judgeTogether(
  some: readonly Suggested[],
  judge: (trials: readonly Decision[]) => Promise<Judgement>,
): Promise<Together> {
  const sureness = new Map(
    some.map(({ row, taken }) => [row.cluster.lead, Math.min(...taken.map((each) => each.sureness))] as const),
  )
  const meetingsOf = async (kept: readonly Suggested[]) => meetings(await judge(trialsOf(kept)), kept)
  const all = await meetingsOf(some)
  let safe = [...some]
  // Each round leaves something out, so there are not more of them than rows.
  for (let left = all; left.length > 0; left = await meetingsOf(safe)) {
    const out = new Set(
      left.flatMap(({ leads }) => {
        const least = Math.min(...leads.map((lead) => sureness.get(lead) ?? 0))
        return leads.filter((lead) => (sureness.get(lead) ?? 0) === least)
      }),
    )
    if (out.size === 0) break
    safe = safe.filter(({ row }) => !out.has(row.cluster.lead))
  }
  return { troubles: worstOf(all), safe }
}

function worstOf(some: readonly Meeting[]): Map<OpaqueKey, Trouble> {
  const found = new Map<OpaqueKey, Trouble>()
  for (const { leads, trouble } of some)
    for (const lead of leads) if ((found.get(lead)?.severity ?? 0) < trouble.severity) found.set(lead, trouble)
  return found
}

/** Of each row, by its lead, the worst that taking these would do with it. @param judgement of them together */
export function troublesOf(judgement: Judgement, some: readonly Suggested[]): Map<OpaqueKey, Trouble> {
  return worstOf(meetings(judgement, some))
}
