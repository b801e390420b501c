import { defineSemanticTokens } from '@chakra-ui/react'

/** The component library's own names, on our greys. */
export const semanticTokens = defineSemanticTokens({
  colors: {
    bg: {
      DEFAULT: { value: '{colors.sheet}' },
      subtle: { value: '{colors.wash}' },
      muted: { value: '{colors.paper}' },
      emphasized: { value: '{colors.tint}' },
      panel: { value: '{colors.sheet}' },
    },
    fg: {
      DEFAULT: { value: '{colors.ink}' },
      muted: { value: '{colors.soft}' },
      subtle: { value: '{colors.faint}' },
      error: { value: '{colors.ink}' },
    },
    border: {
      DEFAULT: { value: '{colors.edge}' },
      muted: { value: '{colors.edge}' },
      emphasized: { value: '{colors.strong}' },
      error: { value: '{colors.ink}' },
    },
    gray: {
      solid: { value: '{colors.ink}' },
      contrast: { value: '{colors.sheet}' },
      fg: { value: '{colors.ink}' },
      focusRing: { value: '{colors.ink}' },
    },
  },
})
