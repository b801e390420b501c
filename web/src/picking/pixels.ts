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

/**
 * Decodes an image as a browser shows it: in an image element nothing of a drawing runs or is loaded from elsewhere. Larger ones are shown smaller,
 * each pixel one of the image's own. Throws for what is no image.
 */
export async function decodeImage(bytes: Uint8Array, name: string): Promise<Pixels> {
  const url = URL.createObjectURL(new Blob([bytes as Uint8Array<ArrayBuffer>], { type: typeOf(name) ?? '' }))
  try {
    const image = new Image()
    image.src = url
    await image.decode()
    // A drawing that tells no size of its own has none.
    const [fullWidth, fullHeight] = [image.naturalWidth || 300, image.naturalHeight || 300]
    const scale = Math.min(1, LONGEST_SIDE / Math.max(fullWidth, fullHeight))
    const [width, height] = [Math.max(1, Math.round(fullWidth * scale)), Math.max(1, Math.round(fullHeight * scale))]
    const canvas = document.createElement('canvas')
    Object.assign(canvas, { width, height })
    const context = canvas.getContext('2d', { willReadFrequently: true })
    if (!context) throw new Error('This browser draws no images')
    context.imageSmoothingEnabled = false
    context.drawImage(image, 0, 0, width, height)
    return { image: context.getImageData(0, 0, width, height), scaledFrom: scale < 1 ? fullWidth : null }
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
