import { apartIn } from '@undo-ink/contracts'
import { follower, readingsApart, unpackLedger, variablesApart } from '@undo-ink/core'
import { SitePlaces, takingOf } from '../work/places.ts'
import { consequenceOf, consequenceOfRoles, type Deciding, reachedBy } from './consequence.ts'
import type { JudgeAsk, JudgedCopy } from './judge-desk.ts'
import { ThroughPlaces } from './through-places.ts'

/** What is judged: its places, and all that is known of it beside them. */
let opened: { readonly places: SitePlaces; readonly known: Pick<Deciding, 'pages' | 'taking' | 'through'> } | null =
  null

addEventListener('message', ({ data }: MessageEvent<JudgeAsk>) => {
  if (data.kind === 'open') {
    opened = open(data.copy)
    return
  }
  if (!opened) throw new Error('there is no ledger to judge by')
  const { places, known } = opened
  const deciding = { ...data.plan, ...known }
  if (data.kind === 'roles') postMessage(consequenceOfRoles(data.roles, places, deciding))
  else postMessage((data.isJudged ? consequenceOf : reachedBy)(data.trials, places, deciding))
})

function open({ bytes, apart: sent, pages }: JudgedCopy): typeof opened {
  const ledger = unpackLedger(bytes)
  if (!ledger) return null
  // Files are told by their paths here: nothing asks for their ids.
  const places = new SitePlaces(ledger, { files: [] })
  const apart = apartIn(sent)
  const taking = takingOf(readingsApart(apart))
  return { places, known: { pages, taking, through: new ThroughPlaces(places, follower(variablesApart(apart))) } }
}
