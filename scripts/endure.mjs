import { createHash } from 'node:crypto'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { copyOf, digest, MOMENTS, send, whenDone } from './endure/moments.mjs'
import { World } from './endure/world.mjs'
import { build } from './lib/build.mjs'
import { ensurePackages, say } from './lib/packages.mjs'

/**
 * Kills the server, the thread that reads, one that serves a connection of the database, or the whole database at random points of a contractor's work, and looks whether
 * everything that was acknowledged is there, nothing half, and nothing left over. `npm run endure [-- ROUNDS [SEED]]`
 */
const ROUNDS = Number(process.argv[2] ?? 30)
const seed = Number(process.argv[3] ?? Date.now() % 1e6)
const VICTIMS = ['server', 'thread', 'postmaster', 'backend']

ensurePackages()
await build()
const folder = mkdtempSync(join(tmpdir(), 'undo-ink-endure-'))
chmodSync(folder, 0o755)
const world = new World(folder)
let failed = 0
try {
  await world.start()
  const copy = await firstCopy()
  const moments = Object.keys(MOMENTS)
  say(`${ROUNDS} rounds, seed ${seed}`)
  for (let round = 0; round < ROUNDS; round++) {
    // They are as many as have no divisor in common: each victim at each moment, before any comes again.
    const [victim, moment] = [VICTIMS[round % VICTIMS.length], moments[round % moments.length]]
    const after = Math.round(chance(round) * 900)
    const faults = await endure(copy, victim, moment, after, round)
    if (faults.length > 0) failed++
    console.log(
      `${String(round + 1).padStart(3)}  ${victim.padEnd(10)}  ${moment.padEnd(9)}  after ${String(after).padStart(3)} ms  ${copy.events.length} acknowledged  ${faults.join('; ') || 'all there'}`,
    )
  }
} finally {
  await world.stop()
  rmSync(folder, { recursive: true, force: true })
}
say(
  failed === 0
    ? 'everything acknowledged was there, nothing half, nothing left over'
    : `${failed} of ${ROUNDS} rounds failed, seed ${seed}`,
)
process.exit(failed === 0 ? 0 : 1)

async function firstCopy() {
  const site = await world.post('/api/sites', { name: 'Kept' })
  await send(world, site.id, copyOf('kept'))
  const { snapshot } = await whenDone(world, site.id)
  const kept = { snapshotId: snapshot.id, planId: snapshot.planId, version: 0, events: [] }
  return { ...kept, digest: await digest(world, snapshot.planId) }
}

/** One round; gives what is not as it should be. */
async function endure(copy, victim, moment, after, round) {
  const fresh = { ...(await world.post('/api/sites', { name: `Round ${round}` })), files: copyOf(`${seed} ${round}`) }
  const told = { isOver: false, sent: false, events: copy.events }
  const work = MOMENTS[moment](world, { copy, fresh, told }).catch(() => {})
  await wait(after)
  await world.kill(victim)
  told.isOver = true
  await work
  await world.mend(victim)
  return [...(await faultsOf(copy)), ...(await faultsOfIntake(fresh, told)), ...(await leftOver())]
}

async function faultsOf(copy) {
  const { events } = await world.json(`/api/plans/${copy.planId}`)
  const there = new Set(events.map(({ id }) => id))
  const lost = copy.events.filter((id) => !there.has(id))
  // What was recorded and never answered is there too: the next act is made on it.
  copy.version = events.at(-1)?.seq ?? 0
  const faults = lost.length > 0 ? [`${lost.length} acknowledged acts are lost`] : []
  if (new Set(events.map(({ id }) => id)).size !== events.length) faults.push('an act is there twice')
  if ((await digest(world, copy.planId)) !== copy.digest) faults.push('the copy is another')
  return faults
}

/** A copy that was taken is whole in the end; one that was not is none, and can be sent again. */
async function faultsOfIntake({ id, files }, { sent }) {
  const site = await whenDone(world, id)
  // Its thread is ended by stopping its job.
  if (!site.snapshot && sent && site.job?.state !== 'cancelled')
    return [`a copy that was taken is not there: ${JSON.stringify(site.job)}`]
  if (!site.snapshot) {
    await send(world, id, files)
    const again = await whenDone(world, id)
    return again.snapshot ? [] : [`the copy cannot be sent again: ${JSON.stringify(again.job)}`]
  }
  const { snapshot } = site
  const half = snapshot.files.length !== Object.keys(files).length || !snapshot.read
  return half ? [`the copy is half there: ${snapshot.files.length} files, read: ${snapshot.read}`] : []
}

async function leftOver() {
  const [counts] = await world.sql(`SELECT
    (SELECT count(*) FROM upload_files)::integer AS uploads,
    (SELECT count(*) FROM blobs WHERE NOT EXISTS (SELECT FROM files WHERE files.sha256 = blobs.sha256))::integer AS blobs,
    (SELECT count(*) FROM jobs WHERE state IN ('waiting', 'running'))::integer AS jobs`)
  const folders = world.leftFolders()
  return [
    ...(counts.uploads > 0 ? [`${counts.uploads} uploads are left over`] : []),
    ...(counts.blobs > 0 ? [`${counts.blobs} files are left over that no copy holds`] : []),
    ...(counts.jobs > 0 ? [`${counts.jobs} jobs go on for ever`] : []),
    ...(folders.length > 0 ? [`temporary folders are left over: ${folders.join(', ')}`] : []),
  ]
}

/** 0 to 1: the same for the same seed and round. */
function chance(round) {
  return createHash('sha256').update(`${seed} ${round}`).digest().readUInt32BE() / 2 ** 32
}
