import { Box, Flex, Text } from '@chakra-ui/react'
import { countBy } from '@undo-ink/core'
import { memo, useMemo } from 'react'
import { Link } from 'react-router'
import { ActButton } from '../../components/act-button.tsx'
import { PopupButton } from '../../components/popup-button.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { SURROUNDS } from '../../components/surround.ts'
import { Swatch } from '../../components/swatch.tsx'
import { count, EVIDENCE_WORDS, shownPath } from '../../components/words.ts'
import type { PlaceOf } from '../../work/places.ts'
import { useView } from '../../work/view-store.ts'
import { useClusters, useCopy } from '../../work/work.tsx'
import { colorPath, lookPath, mappingPath, placesPath } from './paths.ts'
import { WhyThis } from './why-this.tsx'

const MOST_SPELLINGS = 6

/** The color of one place: how often and in which spellings it is written, and the members of its cluster edge to edge. */
export const ColorCard = memo(function ColorCard({ place }: { place: PlaceOf }) {
  const { site, places } = useCopy()
  const { rows } = useClusters()
  const surround = useView((state) => state.surround)
  const same = places.some(places.ofColors([place.color]))
  const spellings = [...countBy(same, ({ raw }) => raw)].toSorted((a, b) => b[1] - a[1])
  const row = rows.find(({ cluster }) => cluster.members.includes(place.color))
  return (
    <Sheet as="section" aria-label="Colour" p="3">
      <Flex gap="3">
        <Box p="2" borderRadius="2px" borderWidth="1px" style={{ background: SURROUNDS[surround] }}>
          <Swatch color={place.color} alpha={place.alpha ?? 1} size="36px" />
        </Box>
        <Box minW="0">
          <Text fontWeight="600" fontSize="13px">
            <Box as="span" textDecoration="underline" asChild>
              <Link to={colorPath(site.id, place.color)}>{place.color}</Link>
            </Box>
            : {count(same.length, 'place')}, {count(spellings.length, 'spelling')}
          </Text>
          <Text fontFamily="mono" fontSize="12px" color="soft" lineClamp={2}>
            {spellings
              .slice(0, MOST_SPELLINGS)
              .map(([raw, times]) => `${raw} ${times}`)
              .join(' · ')}
            {spellings.length > MOST_SPELLINGS ? ' …' : ''}
          </Text>
          <Remarks place={place} />
        </Box>
      </Flex>
      {row && row.cluster.members.length > 1 ? (
        <Box mt="2">
          <Flex h="20px">
            {row.cluster.members.map((member) => (
              <Swatch key={member} color={member} size="100%" borderRadius="0" flex="1" title={member} />
            ))}
          </Flex>
          <Text fontSize="12px" color="soft" mt="1">
            its cluster: {count(row.cluster.members.length, 'colour')}, {count(row.count, 'place')}
          </Text>
        </Box>
      ) : null}
      <WhyThis place={place} />
      <Onward place={place} lead={row?.cluster.lead ?? null} />
    </Sheet>
  )
})

/** One step from a place to where more is known or decided of it. */
function Onward({ place, lead }: { place: PlaceOf; lead: string | null }) {
  const { site, sitePages } = useCopy()
  // There may be a million files of all pages together, and one steps from place to place.
  const pages = useMemo(
    () => sitePages.pages.filter(({ files }) => files.includes(place.path)),
    [sitePages, place.path],
  )
  const [subject] = place.subjects
  return (
    <Flex gap="1.5" mt="2.5" wrap="wrap" align="center" fontSize="13px">
      <Text color="soft" fontSize="12px">
        To
      </Text>
      {lead === null ? null : (
        <ActButton h="26px" px="2" asChild>
          <Link to={mappingPath(site.id, lead)}>its mapping</Link>
        </ActButton>
      )}
      {pages.length === 0 ? null : (
        <PopupButton label="its pages" says={count(pages.length, 'page')} width="240px">
          {() => (
            <Box as="ul" listStyleType="none" maxH="260px" overflow="auto">
              {pages.map(({ path }) => (
                <Text as="li" key={path} fontFamily="mono" fontSize="13px" py="1">
                  <Link to={lookPath(site.id, path)}>{shownPath(path)}</Link>
                </Text>
              ))}
            </Box>
          )}
        </PopupButton>
      )}
      {subject === undefined ? null : (
        <ActButton h="26px" px="2" title={`All places whose selector holds ${subject}`} asChild>
          <Link to={placesPath(site.id, { typed: subject, grouping: 'selector' })}>its states</Link>
        </ActButton>
      )}
    </Flex>
  )
}

/** What else is to be known of one place before it is decided. */
function Remarks({ place }: { place: PlaceOf }) {
  const { variable, computedWith, opacity, alpha, confidence, evidence, literalOnly } = place
  const { variableUses } = useCopy()
  const uses = variable === null ? undefined : variableUses.get(variable)
  const remarks = [
    uses === undefined ? null : `${variable} is taken in ${count(uses, 'place')}`,
    computedWith === null ? null : `${computedWith}( ) makes another colour of it`,
    evidence === null
      ? null
      : `${confidence === 'certain' ? '' : `${confidence} a colour: `}${EVIDENCE_WORDS[evidence]}`,
    literalOnly ? 'no variable can stand here' : null,
    alpha === null ? 'its alpha is a variable' : null,
    opacity === null || opacity === 1 ? null : `the rule dims it: opacity ${opacity}`,
  ].filter((remark) => remark !== null)
  if (remarks.length === 0) return null
  return (
    <Text fontSize="12px" mt="1">
      {remarks.join('; ')}
    </Text>
  )
}
