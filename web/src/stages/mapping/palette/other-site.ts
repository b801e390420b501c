import type { Offer } from '@undo-ink/core'
import type { Chosen } from '../../../api/uploads.ts'

/** Bytes of all texts of a ZIP that are read. */
export const ZIP_TEXT_BYTES = 128 * 1024 * 1024

/** The files of another site, as they are sent to the worker. */
export type OtherSite =
  | { readonly kind: 'zip'; readonly file: File }
  | { readonly kind: 'files'; readonly files: readonly { readonly path: string; readonly file: File }[] }

export type OtherSiteAnswer =
  | { readonly kind: 'read'; readonly files: number; readonly offer: Offer }
  | { readonly kind: 'unreadable' }

/** The most used colors of another site. Computed in a worker, which ends with the signal. Throws what can be told to the person. */
export async function readOtherSite(chosen: Chosen, signal: AbortSignal): Promise<Offer> {
  if ('problem' in chosen) throw new Error(chosen.problem)
  const [first] = chosen.uploads
  const site: OtherSite =
    chosen.kind === 'zip' && first ? { kind: 'zip', file: first.file } : { kind: 'files', files: chosen.uploads }
  const worker = new Worker(new URL('./other-site.worker.ts', import.meta.url), { type: 'module' })
  signal.addEventListener('abort', () => worker.terminate())
  try {
    const answer = await new Promise<OtherSiteAnswer>((resolve) => {
      worker.onmessage = ({ data }: MessageEvent<OtherSiteAnswer>) => resolve(data)
      worker.onerror = () => resolve({ kind: 'unreadable' })
      worker.postMessage(site)
    })
    if (answer.kind === 'unreadable') throw new Error('This is no ZIP that can be read, or a damaged one.')
    if (answer.files === 0)
      throw new Error('There is no stylesheet, page or other text in this that could hold colours.')
    return answer.offer
  } finally {
    worker.terminate()
  }
}
