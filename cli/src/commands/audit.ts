import { draftFile, FORMATS, type Format, type SomeDraft } from '../audit/formats.ts'
import { draftThreads, threadsFor } from '../audit/threads.ts'
import { type FileReader, type ReadOptions, readWalked } from '../read-folder.ts'
import type { Printed } from '../text.ts'
import { walk } from '../walk.ts'

/** Lists every hard-coded color of a folder. */
export async function audit(folder: string, format: Format, how: ReadOptions): Promise<Printed> {
  const walked = await walk(folder)
  const count = threadsFor(walked.files)
  const threads = count > 0 ? await draftThreads(count, format) : null
  const here: FileReader<SomeDraft> = { atOnce: 2, read: (file) => draftFile({ ...file, format }) }
  try {
    const read = await readWalked(walked, how, threads ?? here)
    return { output: FORMATS[format].print(read, folder), unopened: read.unopened }
  } finally {
    await threads?.close()
  }
}
