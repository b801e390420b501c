import { Box, Flex, Text } from '@chakra-ui/react'
import { type OpaqueKey, opaqueKey, parseColor } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { ActButton } from '../../components/act-button.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { type Column, VirtualTable } from '../../components/virtual-table.tsx'
import { count, number, shownPath, stateText } from '../../components/words.ts'
import type { PlaceOf } from '../../work/places.ts'
import { useClusters, useCopy } from '../../work/work.tsx'
import { REACHES } from './address.ts'
import { type ColorFacts, colorFacts, type Neighbour, neighboursOf } from './color-facts.ts'
import { EdgeToEdge } from './edge-to-edge.tsx'
import { colorPath, placePath, placesPath } from './paths.ts'

/** Neighbours that are listed. */
const MOST = 12

/** One color: how it is written, where, for what, and what is near it. */
export function ColorScreen() {
  const { color: named = '' } = useParams()
  const { site, places } = useCopy()
  const { rows } = useClusters()
  const parsed = parseColor(named)
  const color = parsed ? opaqueKey(parsed) : named
  const facts = useMemo(() => colorFacts(places, color), [places, color])
  const neighbours = useMemo(() => neighboursOf(places.ledger, color, MOST), [places, color])
  const [other, setOther] = useState<{ of: OpaqueKey; typed: string } | null>(null)
  const typed = other?.of === color ? other.typed : (neighbours[0]?.color ?? '')
  const row = rows.find(({ cluster }) => cluster.members.includes(color))
  if (!parsed)
    return <StageHead title="Colour" sentence={`${JSON.stringify(named)} is no colour. Choose one from the places.`} />
  return (
    <Flex direction="column" gap="3">
      <StageHead title={color} sentence={sentence(color, facts, row?.cluster.members.length ?? 0)}>
        <ActButton asChild main>
          <Link to={placesPath(site.id, { typed: color, reach: REACHES.least })}>
            See its {count(facts.places.length, 'place')}
          </Link>
        </ActButton>
        {row ? (
          <ActButton asChild>
            <Link to={placesPath(site.id, { stretch: [row.cluster.lead] })}>See its cluster</Link>
          </ActButton>
        ) : null}
      </StageHead>
      <EdgeToEdge color={color} typed={typed} onType={(next) => setOther({ of: color, typed: next })} />
      <Flex gap="3" wrap="wrap" align="stretch">
        <Facts facts={facts} color={color} />
        <Neighbours neighbours={neighbours} onChoose={(next) => setOther({ of: color, typed: next })} />
      </Flex>
      {facts.places.length > 0 ? (
        <VirtualTable
          label={`Places of ${color}`}
          items={facts.places}
          columns={placeColumns(site.id)}
          maxHeight="360px"
          minWidth="720px"
        />
      ) : null}
    </Flex>
  )
}

function sentence(color: OpaqueKey, { places, spellings, files }: ColorFacts, members: number): string {
  if (places.length === 0) return `No place of this copy is written in ${color}; what is nearest to it stands below.`
  const cluster = members > 1 ? ` Its cluster has ${count(members, 'colour')}.` : ''
  return `${count(places.length, 'place')} in ${count(files, 'file')}, in ${count(spellings.length, 'spelling')}.${cluster}`
}

function Facts({ facts, color }: { facts: ColorFacts; color: OpaqueKey }) {
  const { variableUses } = useCopy()
  if (facts.places.length === 0) return null
  return (
    <Sheet as="section" aria-label="How it is used" flex="1 1 420px" p="3" fontSize="13px">
      <List
        title="Written as"
        entries={facts.spellings.map(([raw, times]) => ({ name: raw, mono: true, says: number(times) }))}
      />
      <List
        title="Paints"
        entries={facts.uses.map(({ use, count: times, states }) => ({
          name: use,
          says: `${number(times)}: ${states.map(([state, n]) => `${state} ${number(n)}`).join(', ')}`,
        }))}
      />
      {facts.alphas.length > 1 || facts.alphas[0]?.[0] !== 1 ? (
        <List
          title="Alpha"
          entries={facts.alphas.map(([alpha, times]) => ({
            name: alpha === null ? 'a variable' : String(alpha),
            swatch: <Swatch color={color} alpha={alpha ?? 1} size="14px" />,
            says: number(times),
          }))}
        />
      ) : null}
      {facts.variables.length > 0 ? (
        <List
          title="Carried by"
          entries={facts.variables.map(([name]) => ({
            name,
            mono: true,
            says: `taken in ${count(variableUses.get(name) ?? 0, 'place')}`,
          }))}
        />
      ) : null}
    </Sheet>
  )
}

interface Entry {
  readonly name: string
  readonly says: string
  readonly mono?: boolean
  readonly swatch?: React.ReactNode
}

function List({ title, entries }: { title: string; entries: readonly Entry[] }) {
  return (
    <Box mb="2">
      <Text color="soft" fontSize="12px">
        {title}
      </Text>
      <Box as="dl" maxH="220px" overflow="auto" tabIndex={0} aria-label={title}>
        {entries.map(({ name, says, mono, swatch }) => (
          <Flex key={name} justify="space-between" gap="3" lineHeight="22px">
            <Flex as="dt" gap="2" align="center" fontFamily={mono ? 'mono' : undefined} minW="0">
              {swatch}
              <Text as="span" truncate title={name}>
                {name}
              </Text>
            </Flex>
            <Text as="dd" textAlign="right">
              {says}
            </Text>
          </Flex>
        ))}
      </Box>
    </Box>
  )
}

function Neighbours({ neighbours, onChoose }: { neighbours: readonly Neighbour[]; onChoose(color: OpaqueKey): void }) {
  const { site, places } = useCopy()
  return (
    <Sheet as="section" aria-label="Nearest colours" flex="1 1 320px" p="3" fontSize="13px">
      <Text color="soft" fontSize="12px" mb="1">
        Nearest colours of this copy
      </Text>
      {neighbours.length === 0 ? <Text>There is no other.</Text> : null}
      <Box as="ul" listStyleType="none">
        {neighbours.map(({ color, distance }) => (
          <Flex as="li" key={color} align="center" gap="2" h="28px">
            <Swatch color={color} size="18px" />
            <Text fontFamily="mono" flex="1" truncate asChild>
              <Link to={colorPath(site.id, color)}>{color}</Link>
            </Text>
            <Text>ΔE {distance.toFixed(2)}</Text>
            <Text w="72px" textAlign="right" color="soft">
              {count(places.ofColors([color]).length, 'place')}
            </Text>
            <ActButton
              h="24px"
              px="2"
              fontSize="12px"
              aria-label={`Compare with ${color}`}
              onClick={() => onChoose(color)}
            >
              Compare
            </ActButton>
          </Flex>
        ))}
      </Box>
    </Sheet>
  )
}

function placeColumns(siteId: string): readonly Column<PlaceOf>[] {
  return [
    {
      head: 'Place',
      mono: true,
      path: true,
      cell: (place) => <Link to={placePath(siteId, place)}>{`${place.path}:${place.line}`}</Link>,
      title: ({ path, line }) => `${shownPath(path)}:${line}`,
    },
    { head: 'Written as', mono: true, cell: ({ raw }) => raw, title: ({ raw }) => raw },
    { head: 'State', width: '110px', cell: ({ signals }) => stateText(signals) },
    { head: 'Paints', width: '100px', cell: ({ use }) => use },
    {
      head: 'Subject',
      mono: true,
      cell: ({ variable, subjects }) => variable ?? subjects.join(', '),
      title: ({ selector }) => selector ?? undefined,
    },
  ]
}
