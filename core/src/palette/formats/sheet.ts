import { escapeUTF8 } from 'entities'
import { toHex } from '../../color/color.ts'
import { inSrgb, type Role, readRoleColor, servesOf } from '../role.ts'

/** A page of HTML that is printed: every role with its swatch, its name, what it is for, and its value as CSS and as hex. It loads nothing and runs nothing. */
export function writeSheet(name: string, roles: readonly Role[]): string {
  const title = escapeUTF8(name)
  const rows = roles.flatMap((role) => {
    const color = readRoleColor(role.color)
    if (typeof color === 'string') return []
    const hex = toHex(inSrgb(color))
    const values = [hex, ...(role.color.toLowerCase() === hex ? [] : [role.color])].map(escapeUTF8).join('<br>')
    return [
      `<tr><td><i style="background:${hex}"></i></td><th scope="row">${escapeUTF8(role.name)}</th><td>${servesOf(role)}</td><td><code>${values}</code></td></tr>`,
    ]
  })
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<title>${title}</title>
<style>
  body { font: 12pt/1.4 system-ui, sans-serif; color: #161616; margin: 2em }
  table { border-collapse: collapse; width: 100% }
  th, td { text-align: left; font-weight: normal; padding: 4pt 8pt; border-bottom: 1px solid #ccc }
  tr { break-inside: avoid }
  i { display: block; width: 40mm; height: 14mm; border: 1px solid #999; print-color-adjust: exact }
</style>
<h1>${title}</h1>
<table>
${rows.join('\n')}
</table>
`
}
