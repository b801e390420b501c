import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import type { SiteSummary } from '@undo-ink/contracts'
import { Link } from 'react-router'
import { useSites } from '../api/sites.ts'
import { Loading } from '../components/loading.tsx'
import { Note } from '../components/note.tsx'
import { Sheet } from '../components/sheet.tsx'
import { StageHead } from '../components/stage-head.tsx'
import { HATCHING, Swatch } from '../components/swatch.tsx'
import { count, day, number } from '../components/words.ts'
import { PlainHeader } from '../shell/header.tsx'
import { NewSite } from './new-site.tsx'
import { DeletedSites, SiteActs } from './site-acts.tsx'

/** All sites, and the form that makes one. */
export function SitesScreen() {
  const { data: sites, isPending, error } = useSites()
  return (
    <Flex direction="column" minH="100%">
      <PlainHeader />
      <Box as="main" w="100%" maxW="1080px" mx="auto" p="6">
        <StageHead title="Sites" sentence={sites ? sentence(sites) : 'The websites in your care'} />
        <Flex gap="5" align="flex-start" wrap="wrap">
          <Box flex="1 1 520px" minW="0">
            {isPending ? <Loading /> : null}
            {error ? (
              <Note shape="▲" title="The sites cannot be shown">
                {error.message}
              </Note>
            ) : null}
            {sites?.length === 0 ? <NoSites /> : null}
            <Box as="ul" listStyleType="none" display="grid" gap="3">
              {sites?.map((site) => (
                <SiteCard
                  key={site.id}
                  site={site}
                  ofClient={sites.filter(({ client }) => client.id === site.client.id)}
                />
              ))}
            </Box>
            <DeletedSites />
          </Box>
          {/* With the clients that it offers at once: nothing moves away under the pointer. */}
          {isPending ? null : <NewSite sites={sites ?? []} />}
        </Flex>
      </Box>
    </Flex>
  )
}

function sentence(sites: readonly SiteSummary[]): string {
  const open = sites.filter(
    ({ places, decided, possible, receivedAt }) => receivedAt === null || decided < places - possible,
  ).length
  return `${count(sites.length, 'site')} in your care, ${number(open)} with work open`
}

function NoSites() {
  return (
    <Sheet p="6">
      <Heading as="h2" fontSize="16px">
        No sites yet
      </Heading>
      <Text mt="1" color="soft">
        Name the first one, then drop the folder or the ZIP that you were given. What comes in is never changed: all
        work is done on top of it.
      </Text>
    </Sheet>
  )
}

function SiteCard({ site, ofClient }: { site: SiteSummary; ofClient: readonly SiteSummary[] }) {
  const { decided } = site
  const places = site.places - site.possible
  const share = places === 0 ? 0 : decided / places
  return (
    <Sheet as="li" position="relative" px="5" py="4" _hover={{ borderColor: 'strong' }}>
      <Flex justify="space-between" align="baseline" gap="4" wrap="wrap">
        <Heading as="h2" fontSize="17px" fontWeight="600">
          {/* The whole card is the link's target; its name is its text. */}
          <Box asChild _after={{ content: '""', position: 'absolute', inset: 0 }}>
            <Link to={`/sites/${site.id}/${site.receivedAt ? 'mapping' : 'intake'}`}>{site.name}</Link>
          </Box>
        </Heading>
        <Text fontSize="13px" color="soft">
          {site.client.name === site.name ? '' : `for ${site.client.name} · `}
          {site.receivedAt ? `copy of ${day(site.receivedAt)}, ${count(site.files, 'file')}` : 'no copy yet'}
        </Text>
      </Flex>
      {site.receivedAt ? (
        <>
          <Flex my="2.5" h="12px" borderWidth="1px" borderRadius="2px" overflow="hidden" aria-hidden>
            <Box bg="ink" style={{ width: `${share * 100}%` }} />
            <Box flex="1" style={{ background: HATCHING }} />
          </Flex>
          <Flex justify="space-between" align="center" gap="4" wrap="wrap">
            <Text fontSize="13px">{progress(site)}</Text>
            <Flex gap="1" align="center">
              {site.lead.map((color) => (
                <Swatch key={color} color={color} size="16px" />
              ))}
              <Box ml="3">
                <SiteActs site={site} ofClient={ofClient} />
              </Box>
            </Flex>
          </Flex>
        </>
      ) : (
        <Flex mt="2" fontSize="13px" justify="space-between" align="center" gap="3">
          <Text>Waiting for the folder or ZIP of the site.</Text>
          <SiteActs site={site} ofClient={ofClient} />
        </Flex>
      )}
    </Sheet>
  )
}

function progress({ places: all, possible, decided }: SiteSummary): string {
  const places = all - possible
  if (places === 0) return 'no colours written by hand'
  if (decided === places) return `all ${number(places)} places decided`
  return `${number(decided)} of ${count(places, 'place')} decided, ${number(places - decided)} open`
}
