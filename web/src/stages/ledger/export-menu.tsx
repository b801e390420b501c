import { Flex, Text } from '@chakra-ui/react'
import type { LedgerView } from '@undo-ink/core'
import { useState } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { PopupButton } from '../../components/popup-button.tsx'
import { saveFile } from '../../components/save-file.ts'
import type { ExportFormat } from '../../work/ledger-desk.ts'
import { useCopy, usePlan } from '../../work/work.tsx'

const FORMATS: readonly (readonly [ExportFormat, string])[] = [
  ['csv', 'CSV, for a table'],
  ['json', 'JSON, for a program'],
]

/** The places of the view as a file. */
export function ExportMenu({ view }: { view: LedgerView }) {
  const { site } = useCopy()
  const { desk } = usePlan()
  const [busy, setBusy] = useState(false)
  const save = async (format: ExportFormat) => {
    if (!desk) return
    setBusy(true)
    saveFile(`${site.name} places.${format}`, await desk.export(view, format))
    setBusy(false)
  }
  return (
    <PopupButton label="Export" width="240px">
      {() => (
        <Flex direction="column" gap="2">
          <Text fontSize="13px" color="soft">
            The places that are shown, in their order, with everything that is known of each.
          </Text>
          {FORMATS.map(([format, name]) => (
            <ActButton key={format} h="28px" disabled={busy} onClick={() => void save(format)}>
              {name}
            </ActButton>
          ))}
        </Flex>
      )}
    </PopupButton>
  )
}
