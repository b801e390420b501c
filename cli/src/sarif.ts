import type { CheckDocument } from '@undo-ink/contracts'
import { addressOf } from '@undo-ink/core'
import { nearestText } from './text.ts'

/** A check as a log of SARIF 2.1.0 (OASIS), for the build servers that show it beside the code. */
export function sarifOf({ places }: CheckDocument): object {
  return {
    version: '2.1.0',
    runs: [
      {
        tool: {
          driver: {
            name: 'undo-ink',
            rules: [{ id: 'color-not-in-palette', shortDescription: { text: 'A color that is not of the palette' } }],
          },
        },
        columnKind: 'utf16CodeUnits',
        results: places.map((place) => ({
          ruleId: 'color-not-in-palette',
          ruleIndex: 0,
          level: 'warning',
          message: { text: `${place.raw} is not of the palette${nearestText(place)}` },
          locations: [
            {
              physicalLocation: {
                artifactLocation: { uri: addressOf(place.file).slice(1) },
                region: { startLine: place.line, startColumn: place.column, snippet: { text: place.raw } },
              },
            },
          ],
        })),
      },
    ],
  }
}
