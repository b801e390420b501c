import { link } from '@undo-ink/core'

/** Takes the colors of a site, gives their tree of clusters. */
addEventListener('message', ({ data }: MessageEvent<string[]>) => {
  postMessage(link(data))
})
