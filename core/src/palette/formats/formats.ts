import type { Role } from '../role.ts'
import { readCsv, writeCsv } from './csv.ts'
import { isGpl, readGpl, writeGpl } from './gpl.ts'
import { type Offer, withSchemeRoles, withSchemes } from './offer.ts'
import { readText } from './text.ts'
import { readTokens, writeTokens } from './tokens.ts'
import { readVariables, writeProperties, writeScss } from './variables.ts'

/**
 * Reads whatever was pasted or sent as a palette: by what it says of itself, else by the name of its file, else as the text of a mail.
 * @param fileName empty: it was pasted
 */
export function readPalette(text: string, fileName = ''): Offer {
  return withSchemes(readAs(text, fileName))
}

function readAs(text: string, fileName: string): Offer {
  const ending = /\.([^.]+)$/.exec(fileName)?.[1]?.toLowerCase() ?? ''
  if (isGpl(text)) return readGpl(text)
  const tokens = /^\s*\{/.test(text) && ending !== 'css' ? readTokens(text) : null
  if (tokens) return tokens
  if (ending === 'csv' || ending === 'tsv') return readCsv(text)
  if (/^(?:css|scss|sass|less|styl)$/.test(ending) || /(?:^|[{;])\s*(?:--|[$@])[\w-]+\s*:/m.test(text))
    return readVariables(text)
  return readText(text)
}

/** How a palette is written out. */
export const PALETTE_FILES = {
  tokens: {
    ending: 'tokens.json',
    write: (_name: string, roles: readonly Role[]) => writeTokens(withSchemeRoles(roles)),
  },
  css: { ending: 'css', write: (_name: string, roles: readonly Role[]) => writeProperties(roles) },
  scss: { ending: 'scss', write: (_name: string, roles: readonly Role[]) => writeScss(withSchemeRoles(roles)) },
  gpl: { ending: 'gpl', write: (name: string, roles: readonly Role[]) => writeGpl(name, withSchemeRoles(roles)) },
  csv: { ending: 'csv', write: (_name: string, roles: readonly Role[]) => writeCsv(roles) },
} as const
export type PaletteFile = keyof typeof PALETTE_FILES
