import { Flex, Input, Pagination, Text } from '@chakra-ui/react'
import { SITES_ON_PAGE, type SiteSearch } from '@undo-ink/contracts'
import { useSearchParams } from 'react-router'
import { ActButton } from '../components/act-button.tsx'
import { number } from '../components/words.ts'

/** Which sites are listed, kept in the address, so that the way back leads to the same list. */
export function useSiteSearch(): readonly [SiteSearch, (search: SiteSearch) => void] {
  const [address, setAddress] = useSearchParams()
  const text = (address.get('seek') ?? '').slice(0, 120)
  const page = Math.max(1, Math.trunc(Number(address.get('page'))) || 1)
  const seek = (search: SiteSearch) =>
    setAddress(
      { ...(search.text ? { seek: search.text } : {}), ...(search.page > 1 ? { page: `${search.page}` } : {}) },
      { replace: true },
    )
  return [{ text, page }, seek]
}

interface SiteSearchProps {
  readonly search: SiteSearch
  /** Sites that are found. */
  readonly found: number
  onSeek(search: SiteSearch): void
}

export function SiteSearchField({ search: { text }, found, onSeek }: SiteSearchProps) {
  return (
    <Flex role="search" mb="3" gap="3" align="center" fontSize="13px">
      <Input
        type="search"
        aria-label="Find a site by its name or its client"
        placeholder="Name of a site or client"
        value={text}
        maxLength={120}
        onChange={(event) => onSeek({ text: event.target.value, page: 1 })}
        w="260px"
        bg="sheet"
      />
      <Text role="status" color="soft">
        {found === 0 ? 'No site is called so, nor its client' : ''}
      </Text>
    </Flex>
  )
}

/** Leads from one page of the list to the others, where there are more than one. */
export function SitePages({ search: { text, page }, found, onSeek }: SiteSearchProps) {
  if (found <= SITES_ON_PAGE && page === 1) return null
  const pages = Math.max(1, Math.ceil(found / SITES_ON_PAGE))
  return (
    <Pagination.Root
      count={found}
      pageSize={SITES_ON_PAGE}
      page={page}
      onPageChange={({ page }) => {
        onSeek({ text, page })
        scrollTo({ top: 0 })
      }}
      translations={{
        rootLabel: 'Pages of the list',
        prevTriggerLabel: 'Newer sites',
        nextTriggerLabel: 'Older sites',
      }}
      mt="3"
    >
      <Flex gap="2" align="center" fontSize="13px">
        <Pagination.PrevTrigger asChild>
          <ActButton>Newer sites</ActButton>
        </Pagination.PrevTrigger>
        <Text>
          page {number(page)} of {number(pages)}
        </Text>
        <Pagination.NextTrigger asChild>
          <ActButton>Older sites</ActButton>
        </Pagination.NextTrigger>
      </Flex>
    </Pagination.Root>
  )
}
