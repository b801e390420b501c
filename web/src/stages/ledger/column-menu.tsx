import { Flex } from '@chakra-ui/react'
import type { Grouping } from '@undo-ink/core'
import { memo } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { PopupButton } from '../../components/popup-button.tsx'
import { columnsOf, PLACE_COLUMNS } from './place-columns.tsx'

interface ColumnMenuProps {
  /** null: the usual ones. */
  readonly chosen: readonly string[] | null
  readonly grouping: Grouping
  onChoose(columns: readonly string[] | null): void
}

/** Which columns the table of places has. */
export const ColumnMenu = memo(function ColumnMenu({ chosen, grouping, onChoose }: ColumnMenuProps) {
  const shown = columnsOf(chosen, grouping).map(({ key }) => key)
  return (
    <PopupButton label="Columns" width="200px" main={chosen !== null}>
      {() => (
        <>
          {PLACE_COLUMNS.map(({ key, head }) => (
            <Flex as="label" key={key} gap="2" h="26px" align="center" fontSize="13px" cursor="pointer">
              <input
                type="checkbox"
                checked={shown.includes(key)}
                onChange={() => onChoose(shown.includes(key) ? shown.filter((each) => each !== key) : [...shown, key])}
              />
              {head}
            </Flex>
          ))}
          <ActButton mt="2" h="26px" disabled={chosen === null} onClick={() => onChoose(null)}>
            The usual ones
          </ActButton>
        </>
      )}
    </PopupButton>
  )
})
