import { tsImport } from 'tsx/esm/api'

/** The worker, where nothing has been built: in the tests. */
export const { read, assemble, words, packWords } = await tsImport('./worker.ts', import.meta.url)
