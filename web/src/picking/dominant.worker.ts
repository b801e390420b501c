import { dominantColors } from '@undo-ink/core'

/** Tells the main colors of an image that it is sent. */
addEventListener('message', ({ data }: MessageEvent<Uint8ClampedArray>) => postMessage(dominantColors(data)))
