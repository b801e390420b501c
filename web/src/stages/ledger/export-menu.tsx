import { Flex, Text } from '@chakra-ui/react'
import type { LedgerView } from '@undo-ink/core'
import { useState } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { PopupButton } from '../../components/popup-button.tsx'
import type { ExportFormat } from '../../work/ledger-desk.ts'
import { useWork } from '../../work/work.tsx'

const FORMATS: readonly (readonly [ExportFormat, string])[] = [
  ['csv', 'CSV, for a table'],
  ['json', 'JSON, for a program'],
]

/** The places of the view as a file. */
export function ExportMenu({ view }: { view: LedgerView }) {
  const { desk, site } = useWork()
  const [busy, setBusy] = useState(false)
  const save = async (format: ExportFormat) => {
    if (!desk) return
    setBusy(true)
    const file = await desk.export(view, format)
    const link = document.createElement('a')
    link.href = URL.createObjectURL(file)
    link.download = `${site.name} places.${format}`
    link.click()
    URL.revokeObjectURL(link.href)
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
