import { once } from 'node:events'
import { printable } from './printable.ts'
import { run } from './run.ts'

// A reader that has seen enough, such as `head`, closes the pipe.
process.stdout.on('error', (error: NodeJS.ErrnoException) => process.exit(error.code === 'EPIPE' ? 0 : 1))

const CLEAR_LINE = '\r\u001b[K'
const terminal = process.stderr.isTTY === true
const { output, error, status } = await run(process.argv.slice(2), (path, done, of) => {
  if (terminal) process.stderr.write(`${CLEAR_LINE}reading ${done + 1} of ${of}  ${printable(path.slice(-60))}`)
})
if (terminal) process.stderr.write(CLEAR_LINE)
process.stderr.write(printable(error))
for (const piece of output)
  if (!process.stdout.write(process.stdout.isTTY && typeof piece === 'string' ? printable(piece) : piece))
    await once(process.stdout, 'drain')
process.exitCode = status
