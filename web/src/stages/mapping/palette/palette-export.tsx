import { Flex, Text } from '@chakra-ui/react'
import { PALETTE_FILES, type PaletteFile, writeSheet } from '@undo-ink/core'
import { ActButton } from '../../../components/act-button.tsx'
import { PopupButton } from '../../../components/popup-button.tsx'
import { saveFile } from '../../../components/save-file.ts'
import { useCopy, usePlan } from '../../../work/work.tsx'

const FORMATS: readonly (readonly [PaletteFile, string])[] = [
  ['tokens', 'Design tokens'],
  ['css', 'Custom properties'],
  ['scss', 'SCSS variables'],
  ['gpl', 'Palette file (.gpl)'],
  ['csv', 'CSV, for a table'],
]

/** The palette as a file. */
export function PaletteExport() {
  const { site } = useCopy()
  const { roles } = usePlan()
  return (
    <PopupButton label="Export" width="220px">
      {() => (
        <Flex direction="column" gap="2">
          <Text fontSize="13px" color="soft">
            All roles, in their order.
          </Text>
          {FORMATS.map(([format, name]) => {
            const { ending, write } = PALETTE_FILES[format]
            return (
              <ActButton
                key={format}
                h="28px"
                onClick={() => saveFile(`${site.name} palette.${ending}`, new Blob([write(site.name, roles)]))}
              >
                {name}
              </ActButton>
            )
          })}
          <ActButton
            h="28px"
            onClick={() =>
              saveFile(
                `${site.name} palette.html`,
                new Blob([writeSheet(`${site.name}: palette`, roles)], { type: 'text/html' }),
              )
            }
          >
            Sheet to print
          </ActButton>
        </Flex>
      )}
    </PopupButton>
  )
}
