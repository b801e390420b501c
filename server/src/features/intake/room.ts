import { statfs } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { Refusal } from '../../http/problem.ts'

/** Bytes that are left free beside it, for all that goes on meanwhile. */
const RESERVE = 64 * 1024 * 1024

/**
 * Refuses an intake for which there is no room.
 * @param bytes that are written @param databaseDir folder of the database, where it is on this machine
 */
export async function needRoom(bytes: number, databaseDir: string | undefined): Promise<void> {
  const disks = [
    { folder: tmpdir(), of: 'for temporary files' },
    ...(databaseDir ? [{ folder: databaseDir, of: 'of the database' }] : []),
  ]
  for (const { folder, of } of disks) {
    const { bavail, bsize } = await statfs(folder)
    const [free, need] = [bavail * bsize, bytes + RESERVE]
    if (free < need)
      throw new Refusal(
        'no-space',
        `The disk ${of} is too full for this copy; nothing was taken in`,
        `${megabytes(free)} are free at ${folder}, ${megabytes(need)} are needed.`,
      )
  }
}

function megabytes(bytes: number): string {
  return `${Math.round(bytes / 1024 / 1024).toLocaleString('en')} MB`
}
