import { LIMITS } from '@undo-ink/contracts'
import { classify, READERS, readSource, syntaxOf, type Used, usedColors } from '@undo-ink/core'
import { unzipSync } from 'fflate'
import { type OtherSite, type OtherSiteAnswer, ZIP_TEXT_BYTES } from './other-site.ts'

interface Text {
  readonly path: string
  bytes(): Promise<Uint8Array> | Uint8Array
}

/** Tells the most used colors of a site whose files it is sent. Nothing of them runs. */
addEventListener('message', ({ data }: MessageEvent<OtherSite>) => {
  tell(data).then(postMessage, () => postMessage({ kind: 'unreadable' } satisfies OtherSiteAnswer))
})

async function tell(site: OtherSite): Promise<OtherSiteAnswer> {
  const texts =
    site.kind === 'zip' ? await unpacked(site.file) : site.files.filter(({ path }) => isRead(path)).map(textOf)
  const used = new Map<string, Used>()
  let read = 0
  for (const { path, bytes } of texts) {
    const { source, skipped } = classify(path, await bytes(), LIMITS.textBytes)
    if (!source || skipped !== null) continue
    read++
    for (const { color, use } of readSource(source).occurrences) {
      const key = `${color} ${use}`
      used.set(key, { color, use, count: (used.get(key)?.count ?? 0) + 1 })
    }
  }
  return { kind: 'read', files: read, offer: usedColors([...used.values()]) }
}

function textOf({ path, file }: { path: string; file: File }): Text {
  return { path, bytes: async () => new Uint8Array(await file.arrayBuffer()) }
}

function isRead(path: string): boolean {
  return READERS[syntaxOf(path)] !== null
}

/** The texts of a ZIP, as long as they are together no longer than is stated. Throws for what is no ZIP. */
async function unpacked(file: File): Promise<Text[]> {
  let total = 0
  const entries = unzipSync(new Uint8Array(await file.arrayBuffer()), {
    filter: ({ name, originalSize }) => {
      if (!isRead(name) || originalSize > LIMITS.textBytes || total + originalSize > ZIP_TEXT_BYTES) return false
      total += originalSize
      return true
    },
  })
  return Object.entries(entries).map(([path, bytes]) => ({ path, bytes: () => bytes }))
}
