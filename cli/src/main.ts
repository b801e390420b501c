import { run } from './run.ts'

// A reader that has seen enough, such as `head`, closes the pipe.
process.stdout.on('error', (error: NodeJS.ErrnoException) => process.exit(error.code === 'EPIPE' ? 0 : 1))

const { output, error, status } = await run(process.argv.slice(2))
process.stderr.write(error)
process.stdout.write(output)
process.exitCode = status
