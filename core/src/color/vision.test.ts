import { filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit } from 'culori'
import { describe, expect, it } from 'vitest'
import { deltaE2000, labOf } from './difference.ts'
import { parseColor } from './literal.ts'
import { fromSpace, toSpace } from './space.ts'
import { seenBy, VISIONS } from './vision.ts'

const color = (text: string) => parseColor(text) as NonNullable<ReturnType<typeof parseColor>>
const apart = (a: string, b: string, see = (c: ReturnType<typeof color>) => c) =>
  deltaE2000(labOf(see(color(a))), labOf(see(color(b))))

describe('how colours look to others', () => {
  it('keeps greys grey: the rows of each matrix add up to one', () => {
    for (const vision of VISIONS)
      for (const grey of ['#000000', '#777777', '#ffffff'])
        expect(deltaE2000(labOf(seenBy(vision, color(grey))), labOf(color(grey)))).toBeLessThan(0.05)
  })

  it('has the matrices of a second library, which applies them to encoded values', () => {
    const filters = {
      protanopia: filterDeficiencyProt(1),
      deuteranopia: filterDeficiencyDeuter(1),
      tritanopia: filterDeficiencyTrit(1),
    }
    for (const vision of VISIONS)
      for (const channels of [
        [0.3, 0.4, 0.5],
        [0.5, 0.3, 0.3],
        [0.6, 0.6, 0.4],
      ] as const) {
        const [r, g, b] = channels
        const theirs = filters[vision]({ mode: 'rgb', r, g, b })
        const ours = toSpace('srgb-linear', seenBy(vision, fromSpace('srgb-linear', channels, 1)))
        for (const [i, value] of [theirs.r, theirs.g, theirs.b].entries()) expect(ours[i]).toBeCloseTo(value, 5)
      }
  })

  it('brings a red and a green of one lightness together, and leaves them apart for those who lack other cones', () => {
    const [red, green] = ['#b0413e', '#4f7a28']
    expect(apart(red, green)).toBeGreaterThan(40)
    expect(apart(red, green, (c) => seenBy('deuteranopia', c))).toBeLessThan(20)
    expect(apart(red, green, (c) => seenBy('tritanopia', c))).toBeGreaterThan(40)
  })
})
