import papaparse from 'papaparse'
import { parseColor } from '../../color/literal.ts'
import type { Role } from '../role.ts'
import { type Offer, type Offered, offered, type Refused, refused } from './offer.ts'

const BARE = /^[\da-f]{6}$/i

/** A table (RFC 4180; commas, semicolons or tabs): of each row the first cell that is a color, and the first of the others as its name. A first row without one is the heads. */
export function readCsv(text: string): Offer {
  const { data } = papaparse.parse<string[]>(text.trim(), { delimitersToGuess: [',', ';', '\t'] })
  const colors: Offered[] = []
  const lost: Refused[] = []
  data.forEach((row, i) => {
    const at = row.findIndex((cell) => parseColor(cell) !== null || BARE.test(cell.trim()))
    const cell = row[at]?.trim()
    const name = row.find((other, n) => n !== at && /\p{L}/u.test(other))?.trim() ?? null
    const color = cell === undefined ? null : offered(name, cell, i + 1, BARE.test(cell))
    if (color) colors.push(color)
    else if (i > 0 && row.some((each) => each.trim() !== '')) lost.push(refused(i + 1, row.join(', '), 'no-color'))
  })
  return { format: 'csv', colors, refused: lost }
}

export function writeCsv(roles: readonly Role[]): string {
  const data = roles.map(({ name, color }) => [name, color])
  return `${papaparse.unparse({ fields: ['role', 'color'], data }, { escapeFormulae: true })}\r\n`
}
