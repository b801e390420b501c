/** The pixels of an image, as they are picked from. */
export interface Pixels {
  readonly image: ImageData
  /** Its own width, where it is larger than what is shown. */
  readonly scaledFrom: number | null
}

/** Longest side, in pixels, that is kept: enough to point at anything, and never more than a few megabytes. */
const LONGEST_SIDE = 1600

const TYPES: Readonly<Record<string, string>> = {
  ...{ png: 'image/png', jpg: 'image/jpeg', jpeg: 'image/jpeg', gif: 'image/gif', webp: 'image/webp' },
  ...{ avif: 'image/avif', bmp: 'image/bmp', ico: 'image/x-icon', svg: 'image/svg+xml' },
}

/** Whether a file may be an image, by its name. */
export function isImageName(name: string): boolean {
  return typeOf(name) !== undefined
}

function typeOf(name: string): string | undefined {
  return TYPES[/\.([^./]+)$/.exec(name)?.[1]?.toLowerCase() ?? '']
}

/** How much smaller an image is shown: by its own sides, in pixels. */
export function shownSize(fullWidth: number, fullHeight: number) {
  const scale = Math.min(1, LONGEST_SIDE / Math.max(fullWidth, fullHeight))
  const [width, height] = [fullWidth, fullHeight].map((side) => Math.max(1, Math.round(side * scale))) as [
    number,
    number,
  ]
  return { width, height, scaledFrom: scale < 1 ? fullWidth : null }
}

/**
 * Decodes an image as a browser shows it, in a worker; a drawing in an image element, where nothing of it runs or is loaded from elsewhere. Larger ones are
 * shown smaller, each pixel one of the image's own. Throws for what is no image.
 */
export async function decodeImage(bytes: Uint8Array, name: string): Promise<Pixels> {
  const type = typeOf(name) ?? ''
  const blob = new Blob([bytes as Uint8Array<ArrayBuffer>], { type })
  return type === TYPES.svg ? decodeDrawing(blob) : decodeInWorker(blob)
}

async function decodeInWorker(blob: Blob): Promise<Pixels> {
  const worker = new Worker(new URL('./pixels.worker.ts', import.meta.url), { type: 'module' })
  try {
    return await new Promise<Pixels>((resolve, reject) => {
      worker.onmessage = ({ data }: MessageEvent<Pixels | null>) =>
        data ? resolve(data) : reject(new Error('no image'))
      worker.onerror = () => reject(new Error('no image'))
      worker.postMessage(blob)
    })
  } finally {
    worker.terminate()
  }
}

async function decodeDrawing(blob: Blob): Promise<Pixels> {
  const url = URL.createObjectURL(blob)
  try {
    const image = new Image()
    image.src = url
    await image.decode()
    // A drawing that tells no size of its own has none.
    const { width, height, scaledFrom } = shownSize(image.naturalWidth || 300, image.naturalHeight || 300)
    const canvas = document.createElement('canvas')
    Object.assign(canvas, { width, height })
    const context = canvas.getContext('2d', { willReadFrequently: true })
    if (!context) throw new Error('This browser draws no images')
    context.drawImage(image, 0, 0, width, height)
    return { image: context.getImageData(0, 0, width, height), scaledFrom }
  } finally {
    URL.revokeObjectURL(url)
  }
}

/** The color of one pixel as a hex value; null: nothing is painted there. */
export function colorAt({ width, data }: Pick<ImageData, 'width' | 'data'>, x: number, y: number): string | null {
  const at = 4 * (y * width + x)
  if ((data[at + 3] ?? 0) === 0) return null
  return `#${[0, 1, 2].map((i) => (data[at + i] ?? 0).toString(16).padStart(2, '0')).join('')}`
}
