import { tsImport } from 'tsx/esm/api'

/** The worker, where nothing has been built: in the tests. */
export const { count, write } = await tsImport('./worker.ts', import.meta.url)
