import { type Pixels, shownSize } from './pixels.ts'

/** Decodes the image that it is sent; null: it is none. */
addEventListener('message', ({ data }: MessageEvent<Blob>) => {
  decode(data).then(
    (pixels) => postMessage(pixels, { transfer: [pixels.image.data.buffer] }),
    () => postMessage(null),
  )
})

async function decode(blob: Blob): Promise<Pixels> {
  const bitmap = await createImageBitmap(blob)
  const { width, height, scaledFrom } = shownSize(bitmap.width, bitmap.height)
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })
  if (!context) throw new Error('This browser draws no images')
  // Each pixel stays one of the image's own.
  context.imageSmoothingEnabled = false
  context.drawImage(bitmap, 0, 0, width, height)
  bitmap.close()
  return { image: context.getImageData(0, 0, width, height), scaledFrom }
}
