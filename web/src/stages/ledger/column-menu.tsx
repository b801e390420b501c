import { Flex, Popover, Portal } from '@chakra-ui/react'
import type { Grouping } from '@undo-ink/core'
import { ActButton } from '../../components/act-button.tsx'
import { columnsOf, PLACE_COLUMNS } from './place-columns.tsx'

interface ColumnMenuProps {
  /** null: the usual ones. */
  readonly chosen: readonly string[] | null
  readonly grouping: Grouping
  onChoose(columns: readonly string[] | null): void
}

/** Which columns the table of places has. */
export function ColumnMenu({ chosen, grouping, onChoose }: ColumnMenuProps) {
  const shown = columnsOf(chosen, grouping).map(({ key }) => key)
  return (
    <Popover.Root lazyMount unmountOnExit positioning={{ placement: 'bottom-start' }}>
      <Popover.Trigger asChild>
        <ActButton h="26px" px="2">
          Columns <span aria-hidden>▾</span>
        </ActButton>
      </Popover.Trigger>
      <Portal>
        <Popover.Positioner>
          <Popover.Content w="200px" borderRadius="3px" aria-label="Columns">
            <Popover.Body p="2">
              {PLACE_COLUMNS.map(({ key, head }) => (
                <Flex as="label" key={key} gap="2" h="26px" align="center" fontSize="13px" cursor="pointer">
                  <input
                    type="checkbox"
                    checked={shown.includes(key)}
                    onChange={() =>
                      onChoose(shown.includes(key) ? shown.filter((each) => each !== key) : [...shown, key])
                    }
                  />
                  {head}
                </Flex>
              ))}
              <ActButton mt="2" h="26px" disabled={chosen === null} onClick={() => onChoose(null)}>
                The usual ones
              </ActButton>
            </Popover.Body>
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  )
}
