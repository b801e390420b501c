import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import type { SiteList, SiteSummary } from '@undo-ink/contracts'
import { Link } from 'react-router'
import { useClients, useSites } from '../api/sites.ts'
import { Loading } from '../components/loading.tsx'
import { Note } from '../components/note.tsx'
import { Sheet } from '../components/sheet.tsx'
import { StageHead } from '../components/stage-head.tsx'
import { HATCHING, Swatch } from '../components/swatch.tsx'
import { count, day, number } from '../components/words.ts'
import { PlainHeader } from '../shell/header.tsx'
import { NewSite } from './new-site.tsx'
import { DeletedSites, SiteActs } from './site-acts.tsx'
import { SitePages, SiteSearchField, useSiteSearch } from './site-search.tsx'

/** All sites, and the form that makes one. */
export function SitesScreen() {
  const [search, setSearch] = useSiteSearch()
  const { data: list, isPending, error } = useSites(search)
  const { data: clients } = useClients()
  return (
    <Flex direction="column" minH="100%">
      <PlainHeader />
      <Box as="main" w="100%" maxW="1080px" mx="auto" p="6">
        <StageHead title="Sites" sentence={list ? sentence(list) : 'The websites in your care'} />
        <Flex gap="5" align="flex-start" wrap="wrap">
          <Box flex="1 1 520px" minW="0">
            {isPending ? <Loading /> : null}
            {error ? (
              <Note shape="▲" title="The sites cannot be shown">
                {error.message}
              </Note>
            ) : null}
            {list?.all === 0 ? <NoSites /> : null}
            {list && list.all > 0 ? <SiteSearchField search={search} found={list.found} onSeek={setSearch} /> : null}
            <Box as="ul" listStyleType="none" display="grid" gap="3">
              {list?.sites.map((site) => (
                <SiteCard key={site.id} site={site} />
              ))}
            </Box>
            {list ? <SitePages search={search} found={list.found} onSeek={setSearch} /> : null}
            <DeletedSites />
          </Box>
          {/* With the clients that it offers at once: nothing moves away under the pointer. */}
          {clients ? <NewSite clients={clients} /> : null}
        </Flex>
      </Box>
    </Flex>
  )
}

function sentence({ all, found }: SiteList): string {
  const cared = `${count(all, 'site')} in your care`
  return found === all ? cared : `${cared}, ${number(found)} shown`
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

function SiteCard({ site }: { site: SiteSummary }) {
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
                <SiteActs site={site} />
              </Box>
            </Flex>
          </Flex>
        </>
      ) : (
        <Flex mt="2" fontSize="13px" justify="space-between" align="center" gap="3">
          <Text>Waiting for the folder or ZIP of the site.</Text>
          <SiteActs site={site} />
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
