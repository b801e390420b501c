import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import type { OpaqueKey, Use } from '@undo-ink/core'
import { formatHex, oklch, parse } from 'culori'
import less from 'less'
import { compileString } from 'sass'

/** A published theme with the sources in which its author names its colors. */
export interface NamedTheme {
  readonly package: string
  /** What declares the variables, and what must stand before it, in their order. */
  readonly sources: readonly string[]
}

/** What an author calls a color, and the roles that this says, the more telling names first. Common practice, no source. */
const CALLED: readonly (readonly [RegExp, readonly string[]])[] = [
  [/inverse|on-primary|contrast/, ['text on primary', 'text']],
  [/success|positive/, ['success']],
  [/danger|error|negative|invalid/, ['danger']],
  [/warning|caution/, ['warning']],
  [/-text$/, ['text', 'text on primary']],
  [/muted|placeholder|disabled/, ['soft text']],
  [/link|^a-/, ['link', 'primary']],
  [/primary|brand|(?:^|-)main/, ['primary']],
  [/secondary|accent|info|highlight/, ['accent', 'soft text', 'soft ground']],
  [/border|line|rule|divider|hr(?:-|$)/, ['line', 'soft ground']],
  [/body-bg|page-bg|global-background$/, ['ground']],
  [/bg|background/, ['ground', 'soft ground']],
  // On dark pages, it is the text.
  [/white/, ['ground', 'text on primary', 'text']],
  [/(?:body|text|font|base|headings?|global)-?(?:font-)?colou?r|emphasis|black|dark|text/, ['text']],
  [/light/, ['soft ground', 'text on primary']],
]

/** What a grey that is called by a number alone is for, by its OKLCH lightness. Common practice, no source. */
function rolesOfGrey(lightness: number): readonly string[] {
  if (lightness > 0.9) return ['soft ground', 'line', 'ground', 'text on primary']
  if (lightness > 0.75) return ['line', 'soft text', 'soft ground', 'text on primary']
  return lightness > 0.5 ? ['soft text', 'line', 'text'] : ['text', 'soft text']
}

/** Names of a component's parts say what that part takes, not what the color is for. */
const COMPONENT =
  /^(?:alert|badge|breadcrumb|btn|button|card|carousel|close|code|component|custom|dropdown|figure|footer|form|input|jumbotron|kbd|label|list|mark|modal|nav|navbar|offcanvas|pager|pagination|panel|picker|popover|pre|progress|spinner|state|table|tag|thumbnail|toast|tooltip|well)s?-/

function rolesCalled(name: string, lightness: number): readonly string[] {
  const plain = name.toLowerCase().replaceAll('_', '-')
  if (COMPONENT.test(plain)) return []
  if (/gr[ae]y/.test(plain)) return rolesOfGrey(lightness)
  return CALLED.find(([pattern]) => pattern.test(plain))?.[1] ?? []
}

/** Of each color, the roles that its author's names for it say. */
export type AuthorKey = ReadonlyMap<OpaqueKey, ReadonlySet<string>>

const require = createRequire(import.meta.url)

/** The key of a theme: its variables as its own language evaluates them, by the general-purpose libraries for it. */
export async function authorKey(theme: NamedTheme): Promise<AuthorKey> {
  const key = new Map<OpaqueKey, Set<string>>()
  for (const [name, value] of await variablesOf(theme)) {
    const color = parse(value)
    if (!color || (color.alpha ?? 1) < 1) continue
    const roles = rolesCalled(name, oklch(color).l)
    if (roles.length === 0) continue
    const hex = formatHex(color)
    key.set(hex, new Set([...(key.get(hex) ?? []), ...roles]))
  }
  return key
}

async function variablesOf({ package: name, sources }: NamedTheme): Promise<Map<string, string>> {
  const root = dirname(require.resolve(`${name}/package.json`))
  const paths = sources.map((path) => join(root, path))
  const isLess = paths.some((path) => path.endsWith('.less'))
  const texts = paths.map((path) => readFileSync(path, 'utf8'))
  const sigil = isLess ? '@' : '$'
  const declared = texts.flatMap((text) => [...text.matchAll(isLess ? /^@([\w-]+)\s*:/gm : /^\$([\w-]+)\s*:/gm)])
  const names = [...new Set(declared.map(([, name = '']) => name))]
  const asked = (value: (name: string) => string) =>
    `.k { ${names.map((name) => `--${name}: ${value(name)};`).join('\n')} }`
  const css = isLess
    ? (
        await less.render(
          `${texts.join('\n')}\n.k { ${names.map((name) => `x-${name}: ${sigil}${name};`).join('\n')} }`,
        )
      ).css
    : compileString(`${texts.join('\n')}\n${asked((name) => `#{inspect($${name})}`)}`, {
        loadPaths: [...new Set(paths.map((path) => dirname(path)))],
        logger: { warn() {}, debug() {} },
      }).css
  return new Map([...css.matchAll(/(?:--|x-)([\w-]+):\s*([^;]+);/g)].map(([, name = '', value = '']) => [name, value]))
}

/** The roles among those of a color that fit a use; none: the author's names say nothing of that use. A white text stands on the primary color, a white ground does not. */
export function rolesForUse(roles: ReadonlySet<string>, use: Use): Set<string> {
  if (use === 'ground') return new Set([...roles].filter((role) => role !== 'text on primary'))
  return use === 'variable' ? new Set(roles) : new Set([...roles].filter((role) => !/ground$/.test(role)))
}
