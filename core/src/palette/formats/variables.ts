import { readSource } from '../../source/read.ts'
import type { Role } from '../role.ts'
import { type Offer, type Offered, offered, type Refused, refused } from './offer.ts'

/** Custom properties, or variables of SCSS or Less, whose value is one color; those that name others are none of their own. */
export function readVariables(text: string): Offer {
  const isCss = !/^\s*[$@][\w-]+\s*:/m.test(text)
  // Bare declarations stand in no rule, where a sheet would not be read.
  const isBare = isCss && !text.includes('{')
  const path = isCss ? 'a.css' : /^\s*\$/m.test(text) ? 'a.scss' : 'a.less'
  const { occurrences } = readSource({ path, text: isBare ? `:root{${text}\n}` : text, encoding: 'utf-8' })
  const colors: Offered[] = []
  const lost: Refused[] = []
  for (const { variable, raw, color: key, notation, line, functions } of occurrences) {
    if (variable === null || functions.length > 0) continue
    // Bare channels are a color only where a function takes them.
    const color = offered(nameOf(variable), notation.endsWith('-channels') ? key : raw, line)
    if (color) colors.push(color)
    else lost.push(refused(line, `${variable}: ${raw}`, 'no-color'))
  }
  return { format: 'variables', colors, refused: lost }
}

/** `--brand-soft_ground` as words. */
function nameOf(variable: string): string {
  return variable.replace(/^(?:--|[$@])/, '').replace(/[-_]+/g, ' ')
}

/** Names of variables, each of its own: letters and digits of a role's name, with hyphens between. */
export function variableNames(roles: readonly Role[]): string[] {
  const taken = new Set<string>()
  return roles.map(({ name }) => {
    const plain = name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z\d]+/g, '-')
      .replace(/^-+|-+$/g, '')
    const base = plain === '' ? 'role' : plain
    let unique = base
    for (let n = 2; taken.has(unique); n++) unique = `${base}-${n}`
    taken.add(unique)
    return unique
  })
}

/** As custom properties, or as variables of SCSS. Colors outside sRGB keep their notation. */
export function writeVariables(roles: readonly Role[], as: 'css' | 'scss'): string {
  const names = variableNames(roles)
  const lines = roles.map(({ color }, i) => (as === 'css' ? `  --${names[i]}: ${color};` : `$${names[i]}: ${color};`))
  return as === 'css' ? `:root {\n${lines.join('\n')}\n}\n` : `${lines.join('\n')}\n`
}
