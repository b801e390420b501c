import { LIMITS } from '@undo-ink/contracts'
import type { FileWithPath } from 'react-dropzone'
import { bytes, number } from '../components/words.ts'
import type { Upload } from './sites.ts'

export type Chosen =
  | { readonly kind: 'zip' | 'files'; readonly uploads: readonly Upload[] }
  | { readonly problem: string }

/** What was dropped or chosen: one ZIP, or the files of a folder under their paths. Says at once what cannot be taken in. */
export function sortOut(files: readonly FileWithPath[]): Chosen {
  const uploads = files.map((file): Upload => ({ file, path: pathOf(file) }))
  const [first] = uploads
  if (!first) return { problem: 'There are no files in this. Drop the folder that holds the site, or a ZIP of it.' }
  const total = uploads.reduce((sum, { file }) => sum + file.size, 0)
  if (total > LIMITS.totalBytes)
    return {
      problem: `This is ${bytes(total)}; a copy may hold ${bytes(LIMITS.totalBytes)}. Leave out what is no part of the pages.`,
    }
  if (uploads.length > LIMITS.files)
    return { problem: `These are ${number(uploads.length)} files; a copy may hold ${number(LIMITS.files)}.` }
  const isZip = uploads.length === 1 && /\.zip$/i.test(first.path)
  return { kind: isZip ? 'zip' : 'files', uploads }
}

function pathOf(file: FileWithPath): string {
  return (file.path || file.webkitRelativePath || file.name).replace(/^\.?\/+/, '')
}
