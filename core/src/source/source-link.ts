import type { Place } from './place.ts'

/** What a link of one file to another is for. */
export type LinkKind =
  /** `<link rel="stylesheet">`, or a sheet's processing instruction. */
  | 'sheet'
  /** A style element: a sheet in its place; it has no target. */
  | 'style'
  /** `@import` of CSS: loads a sheet before what follows it. */
  | 'import'
  /** `@use`, `@forward`, `@import` of a preprocessor: becomes a part of what is compiled. */
  | 'compiled'
  | 'script'
  /** A template that is put in the place of the link. */
  | 'partial'
  /** The template around this one. */
  | 'layout'
  /** `<base href>`: what all addresses of the page start from. */
  | 'base'
  /** An image, a font, a manifest, another page: loaded or led to. */
  | 'asset'

/** A place of one file that names another. */
export interface SourceLink extends Place {
  readonly kind: LinkKind
  /** The address or name as its author means it, references and escapes decoded; empty for a style element. */
  readonly target: string
  /** The media query under which a sheet applies; null: all. */
  readonly media: string | null
  /** Of the conditional comment around it, `lt IE 9`; null: none. */
  readonly condition: string | null
  /** `alternate`: shown only when a visitor chooses it; `disabled`: not until a script enables it. */
  readonly applies: 'always' | 'alternate' | 'disabled'
}

/** What a link says beside its place. */
export type LinkFacts = Omit<SourceLink, keyof Place>

const ALWAYS = { media: null, condition: null, applies: 'always' } as const

export function asset(target: string): LinkFacts {
  return { ...ALWAYS, kind: 'asset', target }
}

export function partial(target: string): LinkFacts {
  return { ...ALWAYS, kind: 'partial', target }
}

export function plainLink(kind: LinkKind, target: string): LinkFacts {
  return { ...ALWAYS, kind, target }
}
