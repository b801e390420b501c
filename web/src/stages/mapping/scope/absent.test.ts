import { expect, it } from 'vitest'
import { absentSelectors } from './absent.ts'
import type { ScopeReach } from './scope-reach.ts'

const part = (...selectors: [string, string[]][]) => ({
  ...{ place: {} as ScopeReach['part'][number]['place'], says: '' },
  part: { selectors: selectors.map(([text, within], at) => ({ at, text, within })), width: null },
})
const reach = { all: [], none: [], unwritable: [], part: [part(['a', ['.foot']], ['b', ['.foot']]), part(['c', []])] }
const seen = (isWhole: boolean) => ({
  isWhole,
  on: (selector: string) => (selector === 'a' ? 2 : 0),
  together: () => false,
})

it('are those that no page has, where all pages were looked at', () => {
  expect(absentSelectors(reach, seen(true))).toEqual(['b'])
  expect(absentSelectors(reach, seen(false))).toEqual([])
  expect(absentSelectors(reach, null)).toEqual([])
})
