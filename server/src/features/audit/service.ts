import type { Audit, FileText } from '@undo-ink/contracts'
import { decode, type FileReading, linkChannels, listPages, listVariables, type Reading } from '@undo-ink/core'
import { Piscina } from 'piscina'
import type { Sequelize } from 'sequelize'
import { SnapshotRow, type Tally } from '../../db/models.ts'
import { Refusal } from '../../http/problem.ts'
import { listFiles } from '../sites/store.ts'
import { type AuditedFile, findFile, findReadings, isAudited, loadBytes, saveAudit } from './store.ts'
import type { FileToRead, ReadFile } from './worker.ts'

/** Reads snapshots in worker threads. */
export interface Auditor {
  /** Audits a snapshot that has no audit by today's readers; an audit that was cut off begins anew. */
  audit(snapshotId: string): Promise<void>
  close(): Promise<void>
}

/** The worker is built beside the server; run from source, it is the source. */
const FROM_SOURCE = import.meta.url.endsWith('.ts')
const WORKER = new URL(FROM_SOURCE ? './worker.ts' : './audit-worker.js', import.meta.url)

export function makeAuditor(sequelize: Sequelize): Auditor {
  const pool = new Piscina<FileToRead, ReadFile>({
    filename: WORKER.href,
    execArgv: FROM_SOURCE ? ['--import', 'tsx'] : [],
    maxThreads: 2,
    idleTimeout: 10_000,
  })
  return {
    async audit(snapshotId) {
      if (await isAudited(snapshotId)) return
      const files = (await listFiles(snapshotId)).filter(({ sha256 }) => sha256 !== null)
      const read: AuditedFile[] = []
      // Two at a time, so that the bytes of a large site are never all in memory.
      for (let at = 0; at < files.length; at += 2) {
        const pair = files.slice(at, at + 2).map(async (file) => {
          const bytes = await loadBytes(file.sha256 as string)
          return { fileId: file.id, ...(await pool.run({ path: file.path, bytes, choice: file.choice })) }
        })
        read.push(...(await Promise.all(pair)))
      }
      const linked = linkChannels(read)
      const tallies = tally(linked.flatMap(({ reading }) => reading ?? []))
      await saveAudit(sequelize, snapshotId, tallies, linked)
    },
    close: () => pool.destroy(),
  }
}

function tally(readings: readonly Reading[]): Tally[] {
  const counts = new Map<string, Tally>()
  for (const { occurrences } of readings) {
    for (const { color, use } of occurrences) {
      const key = `${color} ${use}`
      counts.set(key, { color, use, count: (counts.get(key)?.count ?? 0) + 1 })
    }
  }
  return [...counts.values()]
}

/** What every file of a snapshot holds, by path. */
export async function getAudit(auditor: Auditor, snapshotId: string): Promise<Audit> {
  if (!(await SnapshotRow.findByPk(snapshotId))) throw new Refusal('not-found', 'There is no such copy')
  await auditor.audit(snapshotId)
  const rows = new Map((await findReadings(snapshotId)).map(({ fileId, body }) => [fileId, body]))
  const all = await listFiles(snapshotId)
  const files = all.flatMap(({ id, path }) => {
    const reading = rows.get(id)
    return reading ? [{ path, reading }] : []
  })
  const pages = listPages(
    files,
    all.map(({ path }) => path),
  )
  return { readings: files.flatMap(answerOf), variables: listVariables(files), pages }
}

/** What is sent of one file; nothing where it holds nothing. */
function answerOf({ path, reading }: FileReading): Audit['readings'] {
  const { occurrences, keywords, computed, behaviors, findings } = reading
  if (occurrences.length + keywords.length + computed.length + behaviors.length + findings.length === 0) return []
  return [
    {
      path,
      occurrences: [...occurrences],
      keywords: [...keywords],
      computed: [...computed],
      behaviors: [...behaviors],
      findings: [...findings],
    },
  ]
}

export async function getFileText(fileId: string): Promise<FileText> {
  const file = await findFile(fileId)
  if (!file?.sha256 || file.skipped !== null) throw new Refusal('not-found', 'There is no such text')
  const source = decode(file.path, await loadBytes(file.sha256))
  if (typeof source === 'string') throw new Refusal('not-found', 'There is no such text')
  return { path: file.path, text: source.text }
}
