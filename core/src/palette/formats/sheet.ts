import { escapeUTF8 } from 'entities'
import { toHex } from '../../color/color.ts'
import { inSrgb, type Role, readRoleColor } from '../role.ts'
import { servesOf } from '../serves.ts'
import { IN_SCHEME } from './offer.ts'

/** A page of HTML that is printed: every role with its swatch, its name, what it is for, and its value as CSS and as hex. It loads nothing and runs nothing. */
export function writeSheet(name: string, roles: readonly Role[]): string {
  const title = escapeUTF8(name)
  const others = (['dark', 'print'] as const).filter((scheme) => roles.some((role) => role[scheme] !== undefined))
  const rows = roles.flatMap((role) => {
    const color = readRoleColor(role.color)
    if (typeof color === 'string') return []
    const hex = toHex(inSrgb(color))
    const values = [hex, ...(role.color.toLowerCase() === hex ? [] : [role.color])].map(escapeUTF8).join('<br>')
    const said = role.description ? `<br><small>${escapeUTF8(role.description)}</small>` : ''
    return [
      `<tr><td><i style="background:${hex}"></i></td><th scope="row">${escapeUTF8(role.name)}${said}</th><td>${servesOf(role)}</td><td><code>${values}</code></td>${others.map((scheme) => otherValue(role[scheme])).join('')}</tr>`,
    ]
  })
  const heads = ['', 'role', 'for', 'value', ...others.map((scheme) => IN_SCHEME[scheme])]
  const head = `<tr>${heads.map((each) => `<th scope="col">${each}</th>`).join('')}</tr>`
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<title>${title}</title>
<style>
  body { font: 12pt/1.4 system-ui, sans-serif; color: #161616; margin: 2em }
  table { border-collapse: collapse; width: 100% }
  th, td { text-align: left; font-weight: normal; padding: 4pt 8pt; border-bottom: 1px solid #ccc }
  tr { break-inside: avoid }
  small { color: #555 }
  i { display: block; width: 40mm; height: 14mm; border: 1px solid #999; print-color-adjust: exact }
</style>
<h1>${title}</h1>
<table>
${head}
${rows.join('\n')}
</table>
`
}

/** The cell of a value in another scheme; empty where there is none of its own. */
function otherValue(text: string | undefined): string {
  const color = text === undefined ? 'not-a-color' : readRoleColor(text)
  if (text === undefined || typeof color === 'string') return '<td></td>'
  return `<td><i style="background:${toHex(inSrgb(color))}"></i><code>${escapeUTF8(text)}</code></td>`
}
