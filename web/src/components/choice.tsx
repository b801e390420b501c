import { chakra } from '@chakra-ui/react'

interface ChoiceProps {
  readonly label: string
  /** What it is called where the label alone does not tell it from others: it has the label in it. */
  readonly name?: string
  /** Whether the choice goes below its label where there is no room beside it. */
  readonly wraps?: boolean
  readonly value: string
  readonly options: readonly (readonly [string, string])[]
  onChoose(value: string): void
}

/** One of many, by name. */
export function Choice({ label, name, wraps = false, value, options, onChoose }: ChoiceProps) {
  return (
    <chakra.label
      display="flex"
      flexWrap={wraps ? 'wrap' : 'nowrap'}
      alignItems="center"
      columnGap="2"
      fontSize="12px"
      color="soft"
      whiteSpace={wraps ? 'normal' : 'nowrap'}
      minW="0"
    >
      {label}
      <chakra.select
        aria-label={name}
        value={value}
        onChange={(event) => onChoose(event.target.value)}
        h="30px"
        px="2"
        maxW={wraps ? '100%' : '420px'}
        minW="0"
        fontFamily="mono"
        fontSize="13px"
        color="ink"
        bg="sheet"
        borderWidth="1px"
        borderColor="strong"
        borderRadius="3px"
      >
        {options.map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </chakra.select>
    </chakra.label>
  )
}
