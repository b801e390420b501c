import { type Offer, readPalette } from '@undo-ink/core'
import type { FileWithPath } from 'react-dropzone'
import { sortOut } from '../../../api/uploads.ts'
import { bytes, number } from '../../../components/words.ts'
import { readImagePalette } from '../../../picking/image-palette.ts'
import { isImageName } from '../../../picking/pixels.ts'
import { readOtherSite } from './other-site.ts'

/** Longer files are no palettes. */
const MOST_BYTES = 2 * 1024 * 1024
const MOST_IMAGE_BYTES = 30 * 1024 * 1024

/** What some files say, and what they are called. */
export interface FileOffer {
  readonly name: string
  readonly offer: Offer
  /** What a text file holds, so that it can be mended; empty: it is none. */
  readonly text: string
  /** What should be said of how it was read. */
  readonly note: string
}

/** Reads what was chosen or dropped: one palette file or image, or the folder or ZIP of another site. Throws what can be told to the person. */
export async function offerOfFiles(files: readonly FileWithPath[], signal: AbortSignal): Promise<FileOffer> {
  const [file] = files
  if (!file || files.length > 1 || /\.zip$/i.test(file.name)) {
    const name = files.length === 1 && file ? file.name : 'The other site'
    return { name, offer: await readOtherSite(sortOut(files), signal), text: '', note: '' }
  }
  const { name } = file
  const isImage = isImageName(name)
  const most = isImage ? MOST_IMAGE_BYTES : MOST_BYTES
  if (file.size > most) throw new Error(`${name} is too large for a palette: up to ${bytes(most)} is read.`)
  if (!isImage) {
    const text = await file.text()
    return { name, offer: readPalette(text, name), text, note: '' }
  }
  try {
    const { offer, scaledFrom } = await readImagePalette(new Uint8Array(await file.arrayBuffer()), name)
    const note = scaledFrom === null ? '' : ` It is ${number(scaledFrom)} pixels wide, and was read smaller.`
    return { name, offer, text: '', note }
  } catch {
    throw new Error(`${name} cannot be shown: it is no image that this browser knows, or a broken one.`)
  }
}
