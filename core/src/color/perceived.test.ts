import Color from 'colorjs.io'
import { expect, it } from 'vitest'
import { parseColor } from './literal.ts'
import { perceive } from './perceived.ts'

it.each(['#7a2433', '#0b6e74', '#e0a526', '#ff0000', '#808080', '#fefefe', '#000000', '#010002'])(
  '%s is perceived as a second library has it (colorjs.io, OKLCH)',
  (key) => {
    const [l, c, h] = new Color(key).to('oklch').coords as [number, number, number | null]
    const { lightness, chroma, hue } = perceive(parseColor(key) as never)
    expect(lightness).toBeCloseTo(l, 5)
    expect(chroma).toBeCloseTo(c, 5)
    if (c < 0.004) expect(hue).toBeNull()
    else expect(hue).toBeCloseTo(h as number, 2)
  },
)
