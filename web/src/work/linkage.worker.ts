import { link } from '@undo-ink/core'

/** Takes the colors of a site and those of them that are grounds, gives their tree of clusters. */
addEventListener('message', ({ data: { colors, grounds } }: MessageEvent<Record<'colors' | 'grounds', string[]>>) => {
  postMessage(link(colors, new Set(grounds)))
})
