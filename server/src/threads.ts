import { Piscina } from 'piscina'

/**
 * Threads in which a worker's exported functions run: nothing that grows with a file's size is computed where requests are answered.
 * @param built name of the built worker, beside the server @param source of the worker, where nothing has been built
 */
export function threads(built: string, source: URL, most: number): Piscina {
  const fromSource = import.meta.url.endsWith('.ts')
  const filename = fromSource ? source.href : new URL(`./${built}.js`, import.meta.url).href
  return new Piscina({ filename, maxThreads: most, idleTimeout: 10_000 })
}
