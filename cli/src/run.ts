import { parseArgs } from 'node:util'
import { Misuse } from './misuse.ts'
import { printable } from './printable.ts'
import type { ReadOptions } from './read-folder.ts'
import { type Unopened, unopenedText } from './walk.ts'

/** What each command is called with, and what it does. */
const COMMANDS = {
  audit: {
    usage: 'undo-ink audit FOLDER [--format text|json|csv] [--include-vendor]',
    help: `Lists every colour that is written by hand in a folder.

  --format text|json|csv  how it is printed; text if left out
  --include-vendor        third-party code too

What cannot be opened is told on the error stream. Status 0.`,
  },
  rewrite: {
    usage: 'undo-ink rewrite FOLDER --plan PLAN.json --out FOLDER [--include possible] [--any-copy] [--include-vendor]',
    help: `Writes a recoloured copy of a folder; every byte that no decision touches is the byte that came in.

  --plan PLAN.json    the plan, as the interface exports it or written by hand
  --out FOLDER        where the copy goes: new or empty, neither within the input nor around it
  --include possible  places that are only possibly colours take part too, confirmed or not
  --any-copy          takes a plan that was made of other files
  --include-vendor    third-party code too, besides what the plan takes in

Status 0; 2 where the plan is of another copy, or finds nothing.`,
  },
  check: {
    usage: 'undo-ink check FOLDER --palette PALETTE [--format text|json|sarif] [--include-vendor]',
    help: `Lists every colour of a folder that is not of a palette, with its nearest role.

  --palette PALETTE         roles and their colours as JSON, or a palette as the interface exports it:
                            design tokens (.json), .css, .scss, .gpl, .csv
  --format text|json|sarif  how it is printed; text if left out
  --include-vendor          third-party code too

Status 0 where there is none, 1 where there are some.`,
  },
} as const
type Command = keyof typeof COMMANDS

const USAGE = Object.values(COMMANDS)
  .map(({ usage }, i) => `${i === 0 ? 'usage: ' : '       '}${usage}`)
  .join('\n')

function isCommand(name: string | undefined): name is Command {
  return name !== undefined && Object.hasOwn(COMMANDS, name)
}

/** What a call prints, and its exit status: 0 done or clean, 1 check found something, 2 the call is wrong. */
export interface Result {
  /** In pieces: a large audit is many times its text. */
  readonly output: Iterable<string | Uint8Array>
  readonly error: string
  readonly status: 0 | 1 | 2
}

/** @param progress told of each file before it is read */
export async function run(args: readonly string[], progress: ReadOptions['progress'] = () => {}): Promise<Result> {
  try {
    return await dispatch(args, progress)
  } catch (error) {
    if (!(error instanceof Misuse)) throw error
    return { output: [], error: `undo-ink: ${error.message}\n`, status: 2 }
  }
}

/** A command is loaded when it is called: one that only says how it is called starts at once. */
async function dispatch(args: readonly string[], progress: ReadOptions['progress']): Promise<Result> {
  const [command, ...rest] = args
  if (isCommand(command) && rest.some((each) => each === '--help' || each === '-h'))
    return done([`usage: ${COMMANDS[command].usage}\n\n${COMMANDS[command].help}\n`])
  switch (command) {
    case '--help':
    case '-h':
    case 'help':
      return done([`${USAGE}\n\nundo-ink COMMAND --help says more.\n`])
    case 'audit': {
      const { folder, values, includeVendor } = call(rest, ['format'])
      const { audit } = await import('./commands/audit.ts')
      const format = oneOf(values.format ?? 'text', ['text', 'json', 'csv'])
      const { output, unopened } = await audit(folder, format, { includeVendor, progress })
      // A table is data for programs, to the letter.
      return done(format === 'csv' ? output : printed(output), unopened)
    }
    case 'rewrite': {
      const { folder, values, flags, includeVendor } = call(rest, ['plan', 'out', 'include'], ['any-copy'])
      const includePossible = values.include !== undefined && oneOf(values.include, ['possible']) === 'possible'
      const how = { includeVendor, includePossible, anyCopy: flags.has('any-copy'), progress }
      const { rewrite } = await import('./commands/rewrite.ts')
      const { output, unopened } = await rewrite(folder, required(values, 'plan'), required(values, 'out'), how)
      return done(printed(output), unopened)
    }
    case 'check': {
      const { folder, values, includeVendor } = call(rest, ['palette', 'format'])
      const format = oneOf(values.format ?? 'text', ['text', 'json', 'sarif'])
      const { check } = await import('./commands/check.ts')
      const { output, unopened, clean } = await check(folder, required(values, 'palette'), format, {
        includeVendor,
        progress,
      })
      return { ...done(printed(output), unopened), status: clean ? 0 : 1 }
    }
    default:
      throw new Misuse(`${command === undefined ? 'which command?' : `there is no command ${command}`}\n${USAGE}`)
  }
}

function done(output: Iterable<string | Uint8Array>, unopened: readonly Unopened[] = []): Result {
  return { output, error: unopenedText(unopened), status: 0 }
}

/** What comes as bytes is JSON: no control character stands in it as it is. */
function* printed(output: Iterable<string | Uint8Array>): Generator<string | Uint8Array> {
  for (const piece of output) yield typeof piece === 'string' ? printable(piece) : piece
}

type Values = Readonly<Record<string, string | undefined>>

function call(
  args: readonly string[],
  options: readonly string[],
  flags: readonly string[] = [],
): { folder: string; values: Values; flags: ReadonlySet<string>; includeVendor: boolean } {
  const known = {
    ...Object.fromEntries(options.map((name) => [name, { type: 'string' as const }])),
    ...Object.fromEntries(['include-vendor', ...flags].map((name) => [name, { type: 'boolean' as const }])),
  }
  let parsed: ReturnType<typeof parseArgs>
  try {
    parsed = parseArgs({ args: [...args], allowPositionals: true, options: known })
  } catch (error) {
    throw new Misuse(`${(error as Error).message}\n${USAGE}`)
  }
  const [folder, ...more] = parsed.positionals
  if (folder === undefined || more.length > 0) throw new Misuse(`one folder is wanted\n${USAGE}`)
  const given = new Set(Object.keys(parsed.values).filter((name) => parsed.values[name] === true))
  return { folder, values: parsed.values as Values, flags: given, includeVendor: given.has('include-vendor') }
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
