import { expect, it } from 'vitest'
import { propertyKind } from './property.ts'

it.each([
  ['color', 'color', 'text'],
  ['BACKGROUND', 'color', 'ground'],
  ['background-image', 'image', 'ground'],
  ['background-position', 'unknown', 'other'],
  ['border-top', 'color', 'line'],
  ['border-inline-start-color', 'color', 'line'],
  ['border-radius', 'none', 'other'],
  ['outline-offset', 'none', 'other'],
  ['-webkit-box-shadow', 'color', 'shadow'],
  ['-webkit-tap-highlight-color', 'color', 'other'],
  ['fill', 'color', 'fill'],
  ['stop-color', 'color', 'fill'],
  ['stroke', 'color', 'stroke'],
  ['stroke-width', 'unknown', 'other'],
  ['animation-name', 'none', 'other'],
  ['grid-area', 'none', 'other'],
  ['font', 'none', 'other'],
  ['--brand', 'custom', 'variable'],
  ['initial-value', 'custom', 'other'],
  ['text-decoration-color', 'color', 'text'],
  ['scrollbar-face-color', 'color', 'other'],
])('%s takes %s and paints %s', (property, takes, use) => expect(propertyKind(property)).toMatchObject({ takes, use }))
