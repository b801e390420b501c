import { defineTokens } from '@chakra-ui/react'

/** Achromatic throughout: the only hues on screen are the client's. */
export const tokens = defineTokens({
  colors: {
    paper: { value: '#f1f1f1' },
    sheet: { value: '#ffffff' },
    ink: { value: '#161616' },
    soft: { value: '#575757' },
    faint: { value: '#767676' },
    edge: { value: '#d4d4d4' },
    strong: { value: '#8a8a8a' },
    tint: { value: '#e6e6e6' },
    wash: { value: '#fafafa' },
  },
  fonts: {
    body: { value: '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif' },
    heading: { value: '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif' },
    mono: { value: '"Atkinson Hyperlegible Mono Variable", ui-monospace, monospace' },
  },
  radii: { sheet: { value: '4px' } },
})
