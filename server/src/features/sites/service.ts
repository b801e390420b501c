import type { Client, NewSite, Site, SiteFile, SiteSummary } from '@undo-ink/contracts'
import { generatedFrom } from '@undo-ink/core'
import type { Sequelize } from 'sequelize'
import type { FileRow, SiteRow, Tally } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'
import { findTallies, isAudited } from '../audit/store.ts'
import { describeJob, openJob } from '../jobs/store.ts'
import { progressOf } from '../rewrite/standing.ts'
import {
  copiesLike,
  countFiles,
  createSite,
  findClient,
  findSite,
  latestSnapshot,
  listFiles,
  listSites,
} from './store.ts'

export async function makeSite(sequelize: Sequelize, { name, client = { name } }: NewSite): Promise<Site> {
  const site = await createSite(sequelize, { name, client, roles: [] })
  if (site === 'name-taken')
    throw new Refusal('conflict', `There is a site called ${name} already`, 'Give this one another name.')
  if (site === 'client-taken')
    throw new Refusal(
      'client-exists',
      `There is a client called ${'name' in client ? client.name : name} already`,
      'Choose that client, or give the new one another name.',
    )
  if (site === 'no-client') throw new Refusal('not-found', 'There is no such client')
  return describeSite(site)
}

export async function getSite(id: string): Promise<Site> {
  const site = await findSite(id)
  if (!site) throw new Refusal('not-found', 'There is no such site')
  return describeSite(site)
}

async function describeSite(site: SiteRow): Promise<Site> {
  // In this order: a job that ends in between is told as running once more, never a copy that is there as missing.
  const job = await openJob(site.id)
  const latest = await latestSnapshot(site.id)
  return {
    id: site.id,
    name: site.name,
    client: await describeClient(site),
    createdAt: site.createdAt.toISOString(),
    job: job && describeJob(job),
    snapshot: latest && {
      id: latest.snapshot.id,
      receivedAt: latest.snapshot.receivedAt.toISOString(),
      planId: latest.plan.id,
      digest: latest.snapshot.digest,
      read: await isAudited(latest.snapshot.id),
      sameAs: (await copiesLike(latest.snapshot)).map(({ receivedAt, ...copy }) => ({
        ...copy,
        receivedAt: receivedAt.toISOString(),
      })),
      files: describeFiles(await listFiles(latest.snapshot.id)),
    },
  }
}

async function describeClient({ clientId }: SiteRow): Promise<Client> {
  const { id, name } = await findClient(clientId)
  return { id, name }
}

function describeFiles(files: readonly FileRow[]): SiteFile[] {
  const made = generatedFrom(files.map(({ path }) => path))
  return files.map(({ id, path, size, sha256, syntax, encoding, skipped, thirdParty, choice }) => {
    const generatedFrom = made.get(path) ?? null
    return { id, path, size: Number(size), sha256, syntax, encoding, skipped, thirdParty, choice, generatedFrom }
  })
}

/** Every site, newest first, with how far its work is. */
export async function summarizeSites(): Promise<SiteSummary[]> {
  return Promise.all((await listSites()).map(summarize))
}

async function summarize(site: SiteRow): Promise<SiteSummary> {
  const client = await describeClient(site)
  const base = { id: site.id, name: site.name, client, createdAt: site.createdAt.toISOString() }
  const latest = await latestSnapshot(site.id)
  if (!latest) return { ...base, receivedAt: null, files: 0, places: 0, decided: 0, possible: 0, lead: [] }
  const tallies = (await findTallies(latest.snapshot.id)) ?? []
  return {
    ...base,
    receivedAt: latest.snapshot.receivedAt.toISOString(),
    files: await countFiles(latest.snapshot.id),
    places: sum(tallies),
    ...((await isAudited(latest.snapshot.id)) ? await progressOf(latest.plan, tallies) : { decided: 0, possible: 0 }),
    lead: mostUsed(tallies, 8),
  }
}

function sum(tallies: readonly Tally[]): number {
  return tallies.reduce((total, { count }) => total + count, 0)
}

function mostUsed(tallies: readonly Tally[], most: number): string[] {
  const counts = new Map<string, number>()
  for (const { color, count } of tallies) counts.set(color, (counts.get(color) ?? 0) + count)
  return [...counts]
    .toSorted(([a, m], [b, n]) => n - m || (a < b ? -1 : 1))
    .slice(0, most)
    .map(([color]) => color)
}
