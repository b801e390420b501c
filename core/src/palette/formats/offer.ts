import { inSrgbGamut } from '../../color/color.ts'
import { parseColor } from '../../color/literal.ts'
import type { Role } from '../role.ts'

/** What was understood of a color that was sent, and should be said: a `#` was missing, its alpha was left out, sRGB cannot show it. */
export type Remark = 'hash-added' | 'alpha-left-out' | 'outside-srgb'

/** A color that somebody sent, as it could become a role. */
export interface Offered {
  /** What it is called; null: nothing says. */
  readonly name: string | null
  /** Opaque, in a CSS notation. */
  readonly color: string
  /** From 1, in what was sent. */
  readonly line: number
  readonly remark: Remark | null
  readonly description?: string
  /** It is there in a small part only, and so is not taken unasked. */
  readonly minor?: boolean
  /** What goes with it in other schemes; opaque, in a CSS notation. */
  readonly dark?: string
  readonly print?: string
}

/** Why something that was sent is no color: nothing in it is one, a token leads to itself, to nothing, or to what is no color. */
export type Refusal = 'no-color' | 'leads-to-itself' | 'leads-to-nothing'

export interface Refused {
  readonly line: number
  /** At most 60 UTF-16 units. */
  readonly text: string
  readonly why: Refusal
}

/** What was sent, read as a palette. */
export interface Offer {
  readonly format: PaletteFormat
  readonly colors: readonly Offered[]
  readonly refused: readonly Refused[]
}

export type PaletteFormat = 'text' | 'tokens' | 'variables' | 'gpl' | 'csv' | 'image' | 'site' | 'proposal'

/** A color as an offer has it, opaque; null: it is none. @param isBare whether its `#` was missing */
export function offered(name: string | null, written: string, line: number, isBare = false): Offered | null {
  const text = isBare ? `#${written}` : written.trim()
  const color = parseColor(text)
  if (!color) return null
  const opaque = color.alpha === 1 ? text : withoutAlpha(text)
  const remark = isBare ? 'hash-added' : color.alpha < 1 ? 'alpha-left-out' : inSrgbGamut(color) ? null : 'outside-srgb'
  return parseColor(opaque)?.alpha === 1 ? { name: name || null, color: opaque, line, remark } : null
}

/** The same notation without its alpha. */
function withoutAlpha(text: string): string {
  if (text.startsWith('#')) return text.slice(0, text.length === 5 ? 4 : 7)
  const bare = text.replace(/\s*\/[^)]*\)$/, ')')
  if (bare !== text) return bare
  return text.replace(/^(rgb|hsl)a\(/i, '$1(').replace(/,[^,]*\)$/, ')')
}

export function refused(line: number, text: string, why: Refusal): Refused {
  return { line, text: text.trim().slice(0, 60), why }
}

/** What is written behind the name of a role for its value in another scheme, where a format has no way of its own to say that. */
export const IN_SCHEME = { dark: 'in dark scheme', print: 'in print' } as const

export function nameIn(scheme: 'dark' | 'print', name: string): string {
  return `${name} ${IN_SCHEME[scheme]}`
}

/** An offer whose colors "primary in dark scheme" and "primary in print" are values of "primary", where that is offered too. */
export function withSchemes(offer: Offer): Offer {
  const named = new Map(offer.colors.map(({ name }, i) => [plain(name), i]))
  const joined = new Map<number, Partial<Pick<Offered, 'dark' | 'print'>>>()
  const rest = offer.colors.map((each, i): Offered | null => {
    for (const scheme of ['dark', 'print'] as const) {
      const name = plain(each.name)
      const at = name.endsWith(` ${IN_SCHEME[scheme]}`)
        ? named.get(name.slice(0, -IN_SCHEME[scheme].length - 1))
        : undefined
      if (at === undefined || at === i || joined.get(at)?.[scheme] !== undefined) continue
      joined.set(at, { ...joined.get(at), [scheme]: each.color })
      return null
    }
    return each
  })
  if (joined.size === 0) return offer
  return { ...offer, colors: rest.flatMap((each, i) => (each ? [{ ...each, ...joined.get(i) }] : [])) }
}

function plain(name: string | null): string {
  return (name ?? '').trim().replace(/\s+/g, ' ').toLowerCase()
}

/** Roles with those of their values in other schemes behind them, named so that `withSchemes` finds them again. */
export function withSchemeRoles(roles: readonly Role[]): Role[] {
  return roles.flatMap((role) => [
    role,
    ...(['dark', 'print'] as const).flatMap((scheme) => {
      const color = role[scheme]
      if (color === undefined) return []
      return [{ id: `${role.id} ${scheme}`, name: nameIn(scheme, role.name), color }]
    }),
  ])
}
