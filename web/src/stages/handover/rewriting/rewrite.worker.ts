import { fileTextSchema } from '@undo-ink/contracts'
import { type Ledger, type SourceText, unpackLedger } from '@undo-ink/core'
import { ask } from '../../../api/client.ts'
import { type PlanData, rewriteSite, type SiteRewrite } from './rewrite-site.ts'

/** What the worker that writes plans is told and asked. */
export type RewriteAsk =
  | { readonly kind: 'open'; readonly bytes: Uint8Array; readonly files: ReadonlyMap<string, string> }
  | { readonly kind: 'rewrite'; readonly id: number; readonly plan: PlanData }

export type RewriteAnswer =
  | { readonly kind: 'rewritten'; readonly id: number; readonly rewrite: SiteRewrite }
  | { readonly kind: 'failed'; readonly id: number; readonly message: string }

let opened: { readonly ledger: Ledger; readonly files: ReadonlyMap<string, string> } | null = null
let latest = 0
/** Texts of files that a plan has changed: they never change. */
const texts = new Map<string, Promise<SourceText>>()

function load(fileId: string): Promise<SourceText> {
  const known = texts.get(fileId)
  if (known) return known
  const loading = ask(fileTextSchema, `/files/${fileId}/text`).then(
    ({ path, text }): SourceText => ({ path, text, encoding: 'utf-8' }),
  )
  texts.set(fileId, loading)
  // What failed is asked for again.
  loading.catch(() => texts.delete(fileId))
  return loading
}

/** Writes plans into the files of a copy, out of the way of the page. Only the latest plan is answered. */
addEventListener('message', async ({ data }: MessageEvent<RewriteAsk>) => {
  if (data.kind === 'open') {
    const ledger = unpackLedger(data.bytes)
    opened = ledger && { ledger, files: data.files }
    return
  }
  const { id, plan } = data
  latest = id
  if (!opened) return
  const tell = (answer: RewriteAnswer) => postMessage(answer)
  try {
    const rewrite = await rewriteSite(opened.ledger, plan, opened.files, load, () => latest !== id)
    if (rewrite) tell({ kind: 'rewritten', id, rewrite })
  } catch (error) {
    tell({ kind: 'failed', id, message: (error as Error).message })
  }
})
