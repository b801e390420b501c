import type { Client, NewSite, Site, SiteFile, SiteList, SiteSearch, Snapshot } from '@undo-ink/contracts'
import { generatedFrom } from '@undo-ink/core'
import type { Sequelize } from 'sequelize'
import type { FileRow, SiteRow, SnapshotRow } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'
import { twoAtATime } from '../audit/reader.ts'
import { isAudited } from '../audit/store.ts'
import { describeJob, openJob } from '../jobs/store.ts'
import { countProgress } from '../rewrite/standing.ts'
import type { Writer } from '../rewrite/writer.ts'
import { copiesLike, createSite, findClient, findSite, latestSnapshot, listFiles, listSites } from './store.ts'

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
  const files = latest ? await listFiles(latest.snapshot.id) : []
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
      names: describeNames(latest.snapshot, files),
      read: await isAudited(latest.snapshot.id),
      sameAs: (await copiesLike(latest.snapshot)).map(({ receivedAt, ...copy }) => ({
        ...copy,
        receivedAt: receivedAt.toISOString(),
      })),
      files: describeFiles(files),
    },
  }
}

async function describeClient({ clientId }: SiteRow): Promise<Client> {
  const { id, name } = await findClient(clientId)
  return { id, name }
}

function describeNames({ nameEncoding }: SnapshotRow, files: readonly FileRow[]): Snapshot['names'] {
  return nameEncoding && { encoding: nameEncoding, files: files.filter(({ rawName }) => rawName !== null).length }
}

function describeFiles(files: readonly FileRow[]): SiteFile[] {
  const made = generatedFrom(files.map(({ path }) => path))
  return files.map(({ id, path, size, sha256, syntax, encoding, skipped, thirdParty, choice }) => {
    const generatedFrom = made.get(path) ?? null
    return { id, path, size: Number(size), sha256, syntax, encoding, skipped, thirdParty, choice, generatedFrom }
  })
}

/** One page of the sites, each with how far its work is. Asked once for all; only plans that moved since are counted anew. */
export async function summarizeSites(
  sequelize: Sequelize,
  search: SiteSearch,
  writer: Writer,
  signal: AbortSignal,
): Promise<SiteList> {
  const { found, all, sites: listed } = await listSites(sequelize, search)
  const sites = await twoAtATime(
    listed,
    async ({ planId, isRead, of, isPlanned, counted, client, clientId, createdAt, ...site }) => {
      signal.throwIfAborted()
      const known = counted?.of === of ? counted : null
      const progress =
        planId && isRead && isPlanned ? (known ?? (await countProgress(planId, of, writer, signal))) : null
      return {
        ...{ id: site.id, name: site.name, client: { id: clientId, name: client } },
        createdAt: createdAt.toISOString(),
        receivedAt: site.receivedAt?.toISOString() ?? null,
        ...{ files: site.files, places: site.places, lead: [...site.lead], ofClient: site.ofClient },
        decided: progress?.decided ?? 0,
        possible: progress?.possible ?? (isRead ? site.possible : 0),
      }
    },
  )
  return { sites, found, all }
}
