import { Flex, Table, Text } from '@chakra-ui/react'
import { Dialog } from '../components/dialog.tsx'
import { KeyCap } from '../components/key-cap.tsx'
import { useView } from '../work/view-store.ts'

const KEYS: readonly (readonly [string, string])[] = [
  ['Ctrl Z', 'undo, anywhere'],
  ['Ctrl Y', 'redo, anywhere'],
  ['Alt I L M K H', 'to Intake, Ledger, Mapping, Look, Handover'],
  ['← →', 'along the bands, when the focus is there; Enter chooses, Esc shows everything again'],
  ['↑ ↓', 'along a list'],
  ['1 … 9', 'in Mapping: give the row this role'],
  ['R', 'in Mapping: type the name of a role; Enter gives it'],
  ['Space', 'in Mapping: mark the row, so that acts are about several; Shift with an arrow marks on'],
  ['A', 'in Mapping: mark all rows of the list, or none'],
  ['K', 'in Mapping: keep the colour'],
  ['O', 'in Mapping: leave it open'],
  ['S', 'in Mapping: decide about some of its places only'],
  ['T', 'in Mapping: take what is suggested'],
  ['U', 'in Mapping: open the row into its uses'],
  ['1 2 3', 'in the Ledger: step along a colour, a cluster, a file'],
  ['N', 'in the Ledger: next place of that; in Handover: next change'],
  ['P', 'the same, backwards'],
  ['R', 'in Findings: put the slip right, or take that back'],
]

/** All keys, and the switch for those that are a single letter. */
export function KeysDialog({ open, onClose }: { open: boolean; onClose(): void }) {
  const { letterKeys, switchLetterKeys } = useView()
  return (
    <Dialog title="Keys" open={open} width="600px" onClose={onClose}>
      <Table.Root size="sm">
        <Table.Body>
          {KEYS.map(([key, act]) => (
            <Table.Row key={key}>
              <Table.Cell w="150px">
                <KeyCap>{key}</KeyCap>
              </Table.Cell>
              <Table.Cell>{act}</Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
      <Flex as="label" gap="2" align="center" mt="4" cursor="pointer">
        <input type="checkbox" checked={letterKeys} onChange={(event) => switchLetterKeys(event.target.checked)} />
        <Text fontSize="13px">Single letters and digits act as keys while the focus is in a list</Text>
      </Flex>
    </Dialog>
  )
}
