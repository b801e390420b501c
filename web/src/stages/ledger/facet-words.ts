import type { Confidence, Facet, Syntax } from '@undo-ink/core'
import { SYNTAX_WORDS } from '../../components/words.ts'

export const FACET_WORDS: Readonly<Record<Facet, string>> = {
  use: 'Paints',
  state: 'State',
  standing: 'Decided',
  syntax: 'Syntax',
  notation: 'Notation',
  confidence: 'Sureness',
  origin: 'Whose code',
  file: 'File',
  heading: 'Heading',
}

const STANDING_WORDS: Readonly<Record<string, string>> = { open: 'open', decided: 'takes a role', kept: 'kept' }

const ORIGIN_WORDS: Readonly<Record<string, string>> = {
  own: 'the site’s',
  'third-party': 'third-party',
  generated: 'made from others',
}

const SURENESS_WORDS: Readonly<Record<Confidence, string>> = {
  certain: 'certain',
  likely: 'likely a colour',
  possible: 'possibly a colour',
}

/** How a value of a facet is shown. */
export function facetValueText(facet: Facet, value: string): string {
  switch (facet) {
    case 'standing':
      return STANDING_WORDS[value] ?? value
    case 'origin':
      return ORIGIN_WORDS[value] ?? value
    case 'confidence':
      return SURENESS_WORDS[value as Confidence] ?? value
    case 'syntax':
      return SYNTAX_WORDS[value as Syntax] ?? value
    case 'heading':
      return value === '' ? 'no heading' : value
    default:
      return value
  }
}
