import papaparse from 'papaparse'
import { parseColor } from '../../color/literal.ts'
import { csvOf } from '../../text/csv.ts'
import type { Role } from '../role.ts'
import { type Offer, type Offered, offered, type Refused, refused } from './offer.ts'

const BARE = /^[\da-f]{6}$/i

/** Heads of a table that say what stands under them; any other order of cells is read by what they hold. */
const HEADS = ['dark', 'print', 'description'] as const

/**
 * A table (RFC 4180; commas, semicolons or tabs): of each row the first cell that is a color, and the first of the others as its name. A first row without one is the
 * heads; under "dark", "print" and "description" stand those.
 */
export function readCsv(text: string): Offer {
  const { data } = papaparse.parse<string[]>(text.trim(), { delimitersToGuess: [',', ';', '\t'] })
  const colors: Offered[] = []
  const lost: Refused[] = []
  const isColor = (cell: string) => parseColor(cell) !== null || BARE.test(cell.trim())
  const heads = data[0]?.some(isColor) ? [] : (data[0] ?? []).map((cell) => cell.trim().toLowerCase())
  const special = HEADS.map((head) => heads.indexOf(head))
  data.forEach((row, i) => {
    const at = row.findIndex((cell, n) => !special.includes(n) && isColor(cell))
    const cell = row[at]?.trim()
    const name = row.find((other, n) => n !== at && !special.includes(n) && /\p{L}/u.test(other))?.trim() ?? null
    const color = cell === undefined ? null : offered(name, cell, i + 1, BARE.test(cell))
    if (color) colors.push({ ...color, ...underHeads(special.map((n) => row[n] ?? '')) })
    else if (i > 0 && row.some((each) => each.trim() !== '')) lost.push(refused(i + 1, row.join(', '), 'no-color'))
  })
  return { format: 'csv', colors, refused: lost }
}

function underHeads([dark = '', print = '', description = '']: readonly string[]): Partial<Offered> {
  const value = (key: 'dark' | 'print', cell: string) => {
    const color = offered(null, cell.trim(), 1, BARE.test(cell.trim()))
    return color ? { [key]: color.color } : {}
  }
  const said = description.trim()
  return { ...value('dark', dark), ...value('print', print), ...(said === '' ? {} : { description: said }) }
}

export function writeCsv(roles: readonly Role[]): string {
  const rows = roles.map(({ name, color, dark = '', print = '', description = '' }) => {
    return [name, color, dark, print, description]
  })
  return csvOf(['role', 'color', ...HEADS], rows)
}
