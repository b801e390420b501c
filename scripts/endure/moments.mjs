import { createHash, randomUUID } from 'node:crypto'
import { setTimeout as wait } from 'node:timers/promises'

/** Files of one copy: sheets with a color each, different in every copy, so that all of them are read. */
export function copyOf(seed) {
  const sheet = (i) =>
    `/* ${seed} ${i} */\n${`.a${i} { color: #7a2433; background: rgb(${i % 256} 20 40) }\n`.repeat(300)}`
  return Object.fromEntries(Array.from({ length: 24 }, (_, i) => [`css/${i}.css`, sheet(i)]))
}

export async function send(world, siteId, files) {
  const form = new FormData()
  for (const [path, text] of Object.entries(files)) form.append('files', new Blob([text]), path)
  return world.json(`/api/sites/${siteId}/copy`, { method: 'POST', body: form })
}

/** The site, when no job works on it any more. */
export async function whenDone(world, siteId) {
  for (;;) {
    const site = await world.json(`/api/sites/${siteId}`)
    if (!['waiting', 'running'].includes(site.job?.state)) return site
    await wait(50)
  }
}

const keep = () => ({
  kind: 'decide',
  decisions: [{ id: randomUUID(), target: { colors: ['#7a2433'] }, to: { kind: 'keep' } }],
})

/**
 * What is done while something is killed. Each goes on until it fails or `told.isOver`, and remembers in `told` what was acknowledged.
 * `copy`: a site with a copy and a plan, the same in all rounds; `fresh`: a new site without one, with the files that it gets.
 */
export const MOMENTS = {
  async intake(world, { fresh, told }) {
    await send(world, fresh.id, fresh.files)
    told.sent = true
  },
  async reading(world, { fresh, told }) {
    await send(world, fresh.id, fresh.files)
    told.sent = true
    await whenDone(world, fresh.id)
  },
  async decisions(world, { copy, told }) {
    while (!told.isOver) {
      const id = randomUUID()
      const { version } = await world.post(`/api/plans/${copy.planId}/events`, {
        id,
        version: copy.version,
        event: keep(),
      })
      copy.version = version
      told.events.push(id)
    }
  },
  async looking(world, { copy, told }) {
    while (!told.isOver) {
      await (await world.ask(`/api/snapshots/${copy.snapshotId}/ledger`)).arrayBuffer()
      await (await world.ask(`/api/snapshots/${copy.snapshotId}/words`)).arrayBuffer()
    }
  },
  async download(world, { copy, told }) {
    while (!told.isOver) await digest(world, copy.planId)
  },
}

/** Of the recoloured copy, in hex. */
export async function digest(world, planId) {
  const answer = await world.ask(`/api/plans/${planId}/copy.zip`)
  if (!answer.ok) throw new Error(`the copy: ${answer.status}`)
  return createHash('sha256')
    .update(Buffer.from(await answer.arrayBuffer()))
    .digest('hex')
}
