import { tsImport } from 'tsx/esm/api'

/** The thread, where nothing has been built: in the tests. */
export const { default: draft } = await tsImport('./thread.ts', import.meta.url)
export default draft
