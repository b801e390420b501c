import { readSource } from '../../source/read.ts'
import type { Role } from '../role.ts'
import { nameIn, type Offer, type Offered, offered, type Refused, refused } from './offer.ts'

/** Custom properties, or variables of SCSS or Less, whose value is one color; those that name others are none of their own. */
export function readVariables(text: string): Offer {
  const isCss = !/^\s*[$@][\w-]+\s*:/m.test(text)
  // Bare declarations stand in no rule, where a sheet would not be read.
  const isBare = isCss && !text.includes('{')
  const path = isCss ? 'a.css' : /^\s*\$/m.test(text) ? 'a.scss' : 'a.less'
  const { occurrences } = readSource({ path, text: isBare ? `:root{${text}\n}` : text, encoding: 'utf-8' })
  const colors: Offered[] = []
  const lost: Refused[] = []
  for (const { variable, raw, color: key, notation, line, functions, atRules } of occurrences) {
    if (variable === null || functions.length > 0) continue
    const scheme = schemeOf(atRules)
    const name = scheme ? nameIn(scheme, nameOf(variable)) : nameOf(variable)
    // Bare channels are a color only where a function takes them.
    const color = offered(name, notation.endsWith('-channels') ? key : raw, line)
    if (color) colors.push(color)
    else lost.push(refused(line, `${variable}: ${raw}`, 'no-color'))
  }
  return { format: 'variables', colors, refused: lost }
}

/** The other scheme for which a value is, by the conditions around it; null: none, or several. */
function schemeOf(atRules: readonly string[]): 'dark' | 'print' | null {
  const conditions = atRules.flatMap((rule) => /^@media\s+(.*)$/is.exec(rule)?.[1]?.trim() ?? [])
  if (conditions.length !== 1) return null
  if (/^\(\s*prefers-color-scheme\s*:\s*dark\s*\)$/i.test(conditions[0] ?? '')) return 'dark'
  return /^print$/i.test(conditions[0] ?? '') ? 'print' : null
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

/** As custom properties, with what other schemes have in rules of their own. Colors outside sRGB keep their notation. */
export function writeProperties(roles: readonly Role[]): string {
  const names = variableNames(roles)
  const rule = (indent: string, value: (role: Role) => string | undefined, remark = false) => {
    const lines = roles.flatMap((role, i) => {
      const color = value(role)
      if (color === undefined) return []
      const said = remark && role.description ? ` /* ${role.description.replace(/\*\//g, '* /')} */` : ''
      return [`${indent}  --${names[i]}: ${color};${said}`]
    })
    return lines.length === 0 ? null : `${indent}:root {\n${lines.join('\n')}\n${indent}}\n`
  }
  const within = (condition: string, inner: string | null) => (inner ? `\n@media ${condition} {\n${inner}}\n` : '')
  return [
    rule('', ({ color }) => color, true) ?? ':root {\n}\n',
    within(
      '(prefers-color-scheme: dark)',
      rule('  ', ({ dark }) => dark),
    ),
    within(
      'print',
      rule('  ', ({ print }) => print),
    ),
  ].join('')
}

/** As variables of SCSS. Colors outside sRGB keep their notation. */
export function writeScss(roles: readonly Role[]): string {
  const names = variableNames(roles)
  return `${roles.map(({ color }, i) => `$${names[i]}: ${color};`).join('\n')}\n`
}
