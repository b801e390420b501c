import Color from 'colorjs.io'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../test/random.ts'
import { toHex } from '../color/color.ts'
import { contrast } from '../color/contrast.ts'
import { deltaE2000, labOf } from '../color/difference.ts'
import { parseColor } from '../color/literal.ts'
import { fromSpace, toSpace } from '../color/space.ts'
import { legibilities, nearestReadable, nearRoles } from './readability.ts'
import { inSrgb, type Role } from './role.ts'
import { groundsOf, servesOf } from './serves.ts'

const color = (text: string) => parseColor(text) as NonNullable<ReturnType<typeof parseColor>>
const role = (name: string, value: string, more: Partial<Role> = {}): Role => ({
  id: name,
  name,
  color: value,
  ...more,
})

const ROLES = [
  role('primary', '#0b6e74'),
  role('text on primary', '#ffffff'),
  role('ground', '#fbfaf6'),
  role('soft ground', '#e8eef0'),
  role('text', '#1f2a30'),
  role('soft text', '#8a9aa4'),
  role('line', '#c9d3d8'),
]

describe('what a role is for', () => {
  it.each([
    ['soft text', 'text'],
    ['text on primary', 'text'],
    ['link, visited', 'text'],
    ['line', 'line'],
    ['focus', 'line'],
    ['soft ground', 'ground'],
    ['primary', 'ground'],
  ])('%s is a %s by its name', (name, serves) => expect(servesOf({ name })).toBe(serves))

  it.each([
    [{ name: 'Oat', description: 'the light text' }, 'text'],
    [{ name: 'Pine', description: 'the buttons and the links' }, 'ground'],
    [{ name: 'Ink' }, 'text'],
    [{ name: 'Reed', description: 'borders' }, 'line'],
    [{ name: 'Oat' }, 'ground'],
  ])('$name, $description, is a %s by what is said of it', (role, serves) => expect(servesOf(role)).toBe(serves))

  it("stands on what is said to be the ground, whatever the client's names are", () => {
    const roles = [
      { ...role('Pine', '#0e5a4f'), description: 'the buttons' },
      { ...role('Night', '#14211f'), description: 'the ground' },
    ]
    expect(groundsOf({ name: 'Oat' }, roles).map(({ name }) => name)).toEqual(['Night'])
  })

  it('and what it says goes before', () => expect(servesOf({ name: 'text', serves: 'ground' })).toBe('ground'))

  it('texts stand on the ground that they name, on those that they are given, else on those that are called grounds', () => {
    const on = (name: string, more: Partial<Role> = {}) =>
      groundsOf({ ...(ROLES.find((each) => each.name === name) as Role), ...more }, ROLES).map((each) => each.name)
    expect(on('text on primary')).toEqual(['primary'])
    expect(on('text')).toEqual(['ground', 'soft ground'])
    expect(on('text', { on: ['primary', 'gone'] })).toEqual(['primary'])
    expect(groundsOf({ name: 'text' }, [role('paper', '#fff'), role('text', '#000')]).map(({ name }) => name)).toEqual([
      'paper',
    ])
  })
})

describe('readability', () => {
  it('is told of every text and line on each of its grounds, those that fail first', () => {
    const told = legibilities(ROLES).map(({ role, ground, level }) => `${ground.name}: ${role.name} ${level}`)
    expect(told).toEqual([
      'primary: text on primary enough',
      'ground: line fails',
      'ground: soft text fails',
      'ground: text best',
      'soft ground: line fails',
      'soft ground: soft text fails',
      'soft ground: text best',
    ])
  })

  it('has the ratios of a second library (WCAG 2.2, contrast ratio)', () => {
    for (const { role, ground, ratio } of legibilities(ROLES))
      expect(ratio).toBeCloseTo(new Color(role.color).contrast(new Color(ground.color), 'WCAG21'), 3)
  })

  it('is judged by the limits of WCAG 2.2: #777777 on white is short of 4.5, #767676 is not', () => {
    // 4.48 and 4.54: common practice, as told in the techniques to 1.4.3.
    const level = (text: string) => legibilities([role('ground', '#fff'), role('text', text)])[0]?.level
    expect([level('#777777'), level('#767676'), level('#595959'), level('#949494'), level('#959595')]).toEqual([
      'large',
      'enough',
      'best',
      'large',
      'fails',
    ])
  })
})

describe('the nearest readable colour', () => {
  const random = seeded(17)
  const any = () =>
    `#${Math.floor(random() * 0x1000000)
      .toString(16)
      .padStart(6, '0')}`

  it('is readable, and none on a dense grid of the same hue is nearer by what an eye could see', () => {
    for (let round = 0; round < 12; round++) {
      const [from, ground, ratio] = [color(any()), color(any()), round % 2 === 0 ? 4.5 : 3]
      const found = nearestReadable(from, [ground], ratio)
      if (!found) throw new Error('black or white has every ratio up to 4.5')
      expect(contrast(found, ground)).toBeGreaterThanOrEqual(ratio)
      const [, chroma, hue] = toSpace('oklch', from)
      let least = Number.POSITIVE_INFINITY
      for (let l = 0; l <= 1; l += 0.004)
        for (let share = 0; share <= 1; share += 0.02) {
          const tried = color(toHex(inSrgb(fromSpace('oklch', [l, chroma * share, hue], 1))))
          if (contrast(tried, ground) >= ratio) least = Math.min(least, deltaE2000(labOf(from), labOf(tried)))
        }
      expect(deltaE2000(labOf(from), labOf(found)) - least, `${toHex(from)} on ${toHex(ground)}`).toBeLessThan(0.3)
    }
  })

  it('is the colour itself where that is readable, and nothing where no colour is', () => {
    expect(toHex(nearestReadable(color('#123456'), [color('#ffffff')], 4.5) as ReturnType<typeof color>)).toBe(
      '#123456',
    )
    expect(nearestReadable(color('#888888'), [color('#777777')], 15)).toBeNull()
  })
})

it('a colour is found that is readable on several grounds at once, where there is one', () => {
  const on = (...grounds: string[]) => nearestReadable(color('#7a8a90'), grounds.map(color), 4.5)
  const found = on('#ffffff', '#e8eef0', '#c8d8e0')
  if (!found) throw new Error('black is readable on all of them')
  for (const ground of ['#ffffff', '#e8eef0', '#c8d8e0'])
    expect(contrast(found, color(ground))).toBeGreaterThanOrEqual(4.5)
  expect(on('#ffffff', '#000000')).not.toBeNull()
  expect(on('#ffffff', '#555555')).toBeNull()
})

describe('roles that are nearly the same', () => {
  it('are pairs of one sort, nearest first', () => {
    const roles = [
      role('ground', '#ffffff'),
      role('soft ground', '#fdfdfd'),
      role('text', '#fefefe'),
      role('line', '#111111'),
    ]
    expect(nearRoles(roles, 3).map(({ a, b }) => [a.name, b.name])).toEqual([['ground', 'soft ground']])
  })
})
