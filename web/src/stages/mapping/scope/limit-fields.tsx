import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { ActButton } from '../../../components/act-button.tsx'
import { number } from '../../../components/words.ts'
import { DIMENSIONS, type Dimension, type Limits, type Option } from './scope-options.ts'

const WORDS: Readonly<Record<Dimension, { readonly label: string; readonly any: string }>> = {
  use: { label: 'Used as', any: 'anything' },
  alpha: { label: 'See-through at', any: 'any alpha' },
  selector: { label: 'Selector', any: 'any of its rule' },
  state: { label: 'State', any: 'any' },
  region: { label: 'Within', any: 'the whole page' },
  page: { label: 'Page', any: 'every page' },
  width: { label: 'Width of the window', any: 'any' },
  heading: { label: 'Under the heading', any: 'any' },
  file: { label: 'File', any: 'any' },
}

interface LimitFieldsProps {
  readonly options: Readonly<Record<Dimension, readonly Option[]>>
  readonly limits: Limits
  onChange(limits: Limits): void
}

/** One choice for each dimension in which the places differ, from what the audit found. */
export function LimitFields({ options, limits, onChange }: LimitFieldsProps) {
  const [isWhole, setWhole] = useState(false)
  const possible = DIMENSIONS.filter((dimension) => isOffered(dimension, options[dimension]))
  // What tells these places apart comes first: few values, each of several places.
  const first = possible.filter((dimension) => FIRST.has(dimension) || limits[dimension] !== undefined)
  const offered = isWhole || first.length === 0 ? possible : first
  const others = possible.length - offered.length
  return (
    <Flex
      as="fieldset"
      direction="column"
      gap="2"
      w={{ base: '100%', md: '290px' }}
      flex="none"
      css={{ '& select': { fontFamily: 'mono' } }}
    >
      <Text as="legend" fontSize="13px" fontWeight="600" mb="1">
        Limit it to
      </Text>
      {offered.map((dimension) => (
        <Box key={dimension}>
          <chakra.label display="block" fontSize="12px" color="soft">
            {WORDS[dimension].label}
            <chakra.select
              value={limits[dimension] ?? ''}
              onChange={({ target: { value } }) => onChange(changed(limits, dimension, value === '' ? null : value))}
              display="block"
              w="100%"
              h="30px"
              px="2"
              fontSize="13px"
              color="ink"
              bg={limits[dimension] === undefined ? 'sheet' : 'tint'}
              border="1px solid"
              borderColor={limits[dimension] === undefined ? 'strong' : 'ink'}
              borderRadius="3px"
            >
              <option value="">{WORDS[dimension].any}</option>
              {options[dimension].map(([value, times]) => (
                <option key={value} value={value}>
                  {dimension === 'alpha' ? `${Math.round(Number(value) * 100)} %` : value} ({number(times)})
                </option>
              ))}
            </chakra.select>
          </chakra.label>
        </Box>
      ))}
      {others > 0 ? (
        <ActButton h="28px" onClick={() => setWhole(true)}>
          {number(others)} more ways to limit it …
        </ActButton>
      ) : null}
    </Flex>
  )
}

/** What people think in first: what it is used as, in which state, where on the page. */
const FIRST: ReadonlySet<Dimension> = new Set(['use', 'state', 'region', 'page'])

/** What all places have in common limits nothing; regions and widths limit more than the sheets say. */
function isOffered(dimension: Dimension, options: readonly Option[]): boolean {
  return dimension === 'region' || dimension === 'width' ? options.length > 0 : options.length > 1
}

function changed(limits: Limits, dimension: Dimension, value: string | null): Limits {
  const { [dimension]: _, ...others } = limits
  return value === null ? others : { ...others, [dimension]: value }
}
