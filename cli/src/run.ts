import { parseArgs } from 'node:util'
import { audit } from './commands/audit.ts'
import { check } from './commands/check.ts'
import { rewrite } from './commands/rewrite.ts'
import { Misuse } from './misuse.ts'
import type { ReadOptions } from './read-folder.ts'

const USAGE = `usage: undo-ink audit FOLDER [--format text|json|csv] [--include-vendor]
       undo-ink rewrite FOLDER --plan PLAN.json --out FOLDER [--include-vendor]
       undo-ink check FOLDER --palette PALETTE.json [--format text|json|sarif] [--include-vendor]`

/** What a call prints, and its exit status: 0 done or clean, 1 check found something, 2 the call is wrong. */
export interface Result {
  readonly output: string
  readonly error: string
  readonly status: 0 | 1 | 2
}

/** @param progress told of each file before it is read */
export async function run(args: readonly string[], progress: ReadOptions['progress'] = () => {}): Promise<Result> {
  try {
    return await dispatch(args, progress)
  } catch (error) {
    if (!(error instanceof Misuse)) throw error
    return { output: '', error: `undo-ink: ${error.message}\n`, status: 2 }
  }
}

async function dispatch(args: readonly string[], progress: ReadOptions['progress']): Promise<Result> {
  const [command, ...rest] = args
  switch (command) {
    case 'audit': {
      const { folder, values, includeVendor } = call(rest, ['format'])
      return done(
        await audit(folder, oneOf(values.format ?? 'text', ['text', 'json', 'csv']), { includeVendor, progress }),
      )
    }
    case 'rewrite': {
      const { folder, values, includeVendor } = call(rest, ['plan', 'out'])
      return done(await rewrite(folder, required(values, 'plan'), required(values, 'out'), { includeVendor, progress }))
    }
    case 'check': {
      const { folder, values, includeVendor } = call(rest, ['palette', 'format'])
      const format = oneOf(values.format ?? 'text', ['text', 'json', 'sarif'])
      const { output, clean } = await check(folder, required(values, 'palette'), format, { includeVendor, progress })
      return { output, error: '', status: clean ? 0 : 1 }
    }
    default:
      throw new Misuse(`${command === undefined ? 'which command?' : `there is no command ${command}`}\n${USAGE}`)
  }
}

function done(output: string): Result {
  return { output, error: '', status: 0 }
}

type Values = Readonly<Record<string, string | undefined>>

function call(
  args: readonly string[],
  options: readonly string[],
): { folder: string; values: Values; includeVendor: boolean } {
  const known = Object.fromEntries(options.map((name) => [name, { type: 'string' as const }]))
  let parsed: ReturnType<typeof parseArgs>
  try {
    parsed = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: { ...known, 'include-vendor': { type: 'boolean' } },
    })
  } catch (error) {
    throw new Misuse(`${(error as Error).message}\n${USAGE}`)
  }
  const [folder, ...more] = parsed.positionals
  if (folder === undefined || more.length > 0) throw new Misuse(`one folder is wanted\n${USAGE}`)
  return { folder, values: parsed.values as Values, includeVendor: parsed.values['include-vendor'] === true }
}

function required(values: Values, name: string): string {
  const value = values[name]
  if (value === undefined) throw new Misuse(`--${name} is wanted\n${USAGE}`)
  return value
}

function oneOf<T extends string>(value: string, formats: readonly T[]): T {
  const found = formats.find((format) => format === value)
  if (found === undefined) throw new Misuse(`there is no format ${value}; there are ${formats.join(', ')}`)
  return found
}
