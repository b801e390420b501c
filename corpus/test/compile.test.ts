import { expect, it } from 'vitest'
import { seeded } from '../../core/test/random.ts'
import { compileAfterPlans, compileBeforeAndAfter } from '../src/compile.ts'

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

it.each([...SHEETS, ...(process.env.VERIFY === 'all' ? LARGE : [])])(
  '%s/%s: compiles after plans in which everything meets',
  async (name, entry) => {
    let edits = 0
    for (let seed = 1; seed <= (process.env.VERIFY === 'all' ? 12 : 4); seed++)
      edits += await compileAfterPlans(name, entry, seeded(seed))
    expect(edits).toBeGreaterThan(20)
  },
)
