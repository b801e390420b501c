import type { Dominant, Offer } from '@undo-ink/core'
import { decodeImage } from './pixels.ts'

/** Smaller shares of an image are most often the soft edges of its shapes. */
const MINOR = 0.01

/** The main colors of an image as an offer, each named by its rank, and its width where it was read smaller. Computed in workers. Throws for what is no image. */
export async function readImagePalette(
  bytes: Uint8Array,
  fileName: string,
): Promise<{ offer: Offer; scaledFrom: number | null }> {
  const { image, scaledFrom } = await decodeImage(bytes, fileName)
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
      ...(share < MINOR ? { minor: true } : {}),
    }))
    return { offer: { format: 'image', colors, refused: [] }, scaledFrom }
  } finally {
    worker.terminate()
  }
}

function percent(share: number): string {
  return share < MINOR ? 'under 1 %' : `${Math.round(share * 100)} %`
}
