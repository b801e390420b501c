import { toHex } from '../../color/color.ts'
import { inSrgb, type Role, readRoleColor } from '../role.ts'
import { type Offer, type Offered, type Refused, refused } from './offer.ts'

const HEAD = 'GIMP Palette'

/** Whether a text is a `.gpl` palette: its first line says so. */
export function isGpl(text: string): boolean {
  return text.trimStart().startsWith(HEAD)
}

/** A `.gpl` palette: after its head, three channels of 0 to 255 and a name on each line; `#` begins a remark. */
export function readGpl(text: string): Offer {
  const colors: Offered[] = []
  const lost: Refused[] = []
  text.split(/\r\n|\r|\n/).forEach((line, i) => {
    if (i === 0 || /^\s*(?:#|$)|^(?:Name|Columns)\s*:/i.test(line)) return
    const [, r, g, b, name = ''] = /^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$/.exec(line) ?? []
    const channels = [Number(r), Number(g), Number(b)]
    if (r === undefined || channels.some((each) => each > 255)) {
      lost.push(refused(i + 1, line, 'no-color'))
      return
    }
    const [red = 0, green = 0, blue = 0] = channels.map((each) => each / 255)
    const said = name.trim()
    colors.push({
      name: said === '' || said === 'Untitled' ? null : said,
      color: toHex({ r: red, g: green, b: blue, alpha: 1 }),
      line: i + 1,
      remark: null,
    })
  })
  return { format: 'gpl', colors, refused: lost }
}

export function writeGpl(name: string, roles: readonly Role[]): string {
  const lines = roles.flatMap((role) => {
    const color = readRoleColor(role.color)
    if (typeof color === 'string') return []
    const hex = toHex(inSrgb(color))
    const channels = [1, 3, 5].map((at) => String(Number.parseInt(hex.slice(at, at + 2), 16)).padStart(3))
    return [`${channels.join(' ')}\t${role.name}`]
  })
  return [HEAD, `Name: ${name.replace(/\s+/g, ' ')}`, 'Columns: 1', '#', ...lines, ''].join('\n')
}
