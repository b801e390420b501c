import type { Dominant, Offer } from '@undo-ink/core'
import { decodeImage } from './pixels.ts'

/** The main colors of an image as an offer, each named by its rank. Computed in a worker. Throws for what is no image. */
export async function readImagePalette(bytes: Uint8Array, fileName: string): Promise<Offer> {
  const { image } = await decodeImage(bytes, fileName)
  const worker = new Worker(new URL('./dominant.worker.ts', import.meta.url), { type: 'module' })
  try {
    const found = await new Promise<Dominant[]>((resolve, reject) => {
      worker.onmessage = ({ data }: MessageEvent<Dominant[]>) => resolve(data)
      worker.onerror = () => reject(new Error('the colours could not be told'))
      worker.postMessage(image.data, [image.data.buffer])
    })
    const colors = found.map(({ color, share }, i) => ({
      name: `image ${i + 1}, ${percent(share)}`,
      color,
      line: i + 1,
      remark: null,
    }))
    return { format: 'image', colors, refused: [] }
  } finally {
    worker.terminate()
  }
}

function percent(share: number): string {
  return share < 0.01 ? 'under 1 %' : `${Math.round(share * 100)} %`
}
