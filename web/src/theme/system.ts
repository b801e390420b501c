import { createSystem, defaultConfig, defineConfig } from '@chakra-ui/react'
import { input } from './input.ts'
import { semanticTokens } from './semantic-tokens.ts'
import { tokens } from './tokens.ts'

const config = defineConfig({
  theme: { tokens, semanticTokens, recipes: { input } },
  globalCss: {
    'html, body, #root': { height: '100%' },
    // The browser's own hues would stand beside the client's.
    html: {
      accentColor: '{colors.ink}',
      '--global-font-mono': 'fonts.mono',
      '--global-font-body': 'fonts.body',
      '--global-color-border': 'colors.border',
    },
    '::selection': { bg: 'edge', color: 'ink' },
    body: { bg: 'paper', color: 'ink', fontSize: '14px', lineHeight: 1.4 },
    '*:focus-visible': { outline: '2px solid {colors.ink}', outlineOffset: '2px' },
    '*, *::before, *::after': {
      _motionReduce: { animationDuration: '0s !important', transitionDuration: '0s !important' },
    },
  },
})

/**
 * The library gives every element two dozen properties so that it could have a ring or a filter, of which there are none here: a third of the time in
 * which the styles of a screen are worked out. The three that are used are inherited from the document.
 */
const { '*': _, ...globalCss } = defaultConfig.globalCss ?? {}

export const system = createSystem({ ...defaultConfig, globalCss }, config)
