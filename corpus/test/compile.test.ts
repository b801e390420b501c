import { expect, it } from 'vitest'
import { compileBeforeAndAfter } from '../src/compile.ts'

/** `npm run verify` takes the large ones too. */
const SHEETS: readonly (readonly [string, string])[] = [
  ['bootstrap-3', 'less/bootstrap.less'],
  ['materialize-css', 'sass/materialize.scss'],
  ['picnic', 'src/picnic.scss'],
]

const LARGE: typeof SHEETS = [
  ['uikit', 'src/less/uikit.theme.less'],
  ['bootstrap', 'scss/bootstrap.scss'],
]

it.each([...SHEETS, ...(process.env.VERIFY === 'all' ? LARGE : [])])(
  '%s/%s: compiled before and after, only the planned colors differ',
  async (name, entry) => {
    const { rewritten, changed, unplanned } = await compileBeforeAndAfter(name, entry)
    process.stdout.write(`${name}/${entry}: ${rewritten} literals rewritten, ${changed} compiled colors changed\n`)
    expect(unplanned).toEqual([])
    expect(changed).toBeGreaterThan(0)
  },
)
