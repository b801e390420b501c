import { tsImport } from 'tsx/esm/api'

/** The worker, where nothing has been built: in the tests. */
export const { read, assemble } = await tsImport('./worker.ts', import.meta.url)
