import { mkdtemp, readdir, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** `undo-ink-PID-…`: whose folder it is. */
const OURS = /^undo-ink-(\d+)-/

/** Does something with a temporary folder of its own, which is gone when that is done. */
export async function withFolder<R>(work: (folder: string) => Promise<R>): Promise<R> {
  const folder = await mkdtemp(join(tmpdir(), `undo-ink-${process.pid}-`))
  try {
    return await work(folder)
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

/** Removes the temporary folders of servers that were killed. */
export async function sweepFolders(): Promise<void> {
  for (const name of await readdir(tmpdir())) {
    const pid = Number(OURS.exec(name)?.[1] ?? 0)
    // Another user's folder stays: it is not ours to remove.
    if (pid > 0 && !isAlive(pid)) await rm(join(tmpdir(), name), { recursive: true, force: true }).catch(() => {})
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM'
  }
}
