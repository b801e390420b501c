import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import type { Page, PageSheet, UnusedFile } from '@undo-ink/core'
import { useState } from 'react'
import { Sheet } from '../../components/sheet.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { type Column, VirtualTable } from '../../components/virtual-table.tsx'
import { are, count, number, shownPath } from '../../components/words.ts'
import { useCopy } from '../../work/work.tsx'

/** Which page is made of what, and which files no page uses. */
export function PagesScreen() {
  const { sitePages } = useCopy()
  const { pages, unused } = sitePages
  const [path, setPath] = useState(pages[0]?.path ?? null)
  const page = pages.find((each) => each.path === path)
  return (
    <Flex direction="column" h="100%" minH="420px">
      <StageHead
        title="Pages"
        sentence={
          pages.length === 0
            ? 'No page was found in this copy: what its files name can still be seen under Files.'
            : `${count(pages.length, 'page')}, with the sheets that each loads, in the order in which a browser takes them. ${count(unused.length, 'file')} ${are(unused.length)} used by none.`
        }
      />
      <Flex gap="4" flex="1" minH="0" align="flex-start" direction={{ base: 'column', lg: 'row' }}>
        <Flex direction="column" gap="4" flex="1" minW="0" w="100%" maxH="100%">
          {pages.length > 0 ? <PageList pages={pages} chosen={path} onChoose={setPath} /> : null}
          <Unused files={unused} />
        </Flex>
        {page ? <PageCard page={page} /> : null}
      </Flex>
    </Flex>
  )
}

interface PageListProps {
  readonly pages: readonly Page[]
  readonly chosen: string | null
  onChoose(path: string): void
}

function PageList({ pages, chosen, onChoose }: PageListProps) {
  const columns: readonly Column<Page>[] = [
    {
      head: 'Page',
      mono: true,
      cell: ({ path }) => (
        <button
          type="button"
          aria-pressed={path === chosen}
          style={{ fontWeight: path === chosen ? 600 : 400, textDecoration: 'underline' }}
          onClick={() => onChoose(path)}
        >
          {shownPath(path)}
        </button>
      ),
      title: ({ path }) => shownPath(path),
    },
    { head: 'Sheets', width: '80px', right: true, cell: ({ sheets }) => number(sheets.length) },
    { head: 'Templates', width: '90px', right: true, cell: ({ parts }) => number(parts.length) },
    { head: 'Scripts', width: '80px', right: true, cell: ({ scripts }) => number(scripts.length) },
    { head: 'Files', width: '70px', right: true, cell: ({ files }) => number(files.length) },
  ]
  return <VirtualTable label="Pages of the copy" items={pages} columns={columns} maxHeight="46vh" minWidth="480px" />
}

const UNUSED: readonly Column<UnusedFile>[] = [
  { head: 'Used by no page', mono: true, cell: ({ path }) => shownPath(path), title: ({ path }) => shownPath(path) },
  { head: 'Named in', mono: true, cell: namesOf, title: namesOf },
]

function namesOf({ namedBy }: UnusedFile): string {
  return namedBy.length === 0 ? '–' : namedBy.join(', ')
}

function Unused({ files }: { files: readonly UnusedFile[] }) {
  return (
    <VirtualTable
      label="Files that no page uses"
      items={files}
      columns={UNUSED}
      maxHeight="36vh"
      minWidth="420px"
      empty={
        <Text p="4" color="soft" fontSize="13px">
          Every file is used by a page.
        </Text>
      }
    />
  )
}

function PageCard({ page: { path, sheets, parts, scripts } }: { page: Page }) {
  return (
    <Sheet
      as="section"
      aria-label={`The page ${shownPath(path)}`}
      p="4"
      w={{ base: '100%', lg: '400px' }}
      flex="none"
      maxH="100%"
      overflow="auto"
      tabIndex={0}
    >
      <Heading as="h2" fontSize="14px" fontFamily="mono" mb="2" wordBreak="break-all">
        {shownPath(path)}
      </Heading>
      <Part title={`${count(sheets.length, 'sheet')}, the later ones win over the earlier`}>
        {sheets.map((sheet, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a sheet may be loaded twice, its place in the order is what it is.
          <Box as="li" key={i} fontSize="13px" py="0.5">
            <Text as="span" fontFamily="mono" wordBreak="break-all">
              {sheet.kind === 'style' ? `style element, line ${sheet.line}` : (sheet.file ?? sheet.target)}
            </Text>
            <Text as="span" color="soft">
              {' '}
              {aboutSheet(sheet, path)}
            </Text>
          </Box>
        ))}
      </Part>
      <Names title="Templates in it" names={parts} />
      <Names title="Scripts" names={scripts} />
    </Sheet>
  )
}

/** What there is to know of a sheet beside its path. */
function aboutSheet({ kind, file, namedIn, media, condition, applies }: PageSheet, page: string): string {
  return [
    kind === 'import' ? `imported by ${namedIn}` : namedIn === page ? null : `named in ${namedIn}`,
    file === null ? 'not in this copy' : null,
    media.length === 0 ? null : `for ${media.join(' and ')}`,
    condition === null ? null : (CONDITIONS[condition] ?? `only where a conditional comment holds: ${condition}`),
    applies === 'always' ? null : applies,
  ]
    .filter((each) => each !== null)
    .join('; ')
}

const CONDITIONS: Readonly<Record<string, string | undefined>> = {
  noscript: 'only without scripts',
  template: 'only when a script takes it',
}

function Names({ title, names }: { title: string; names: readonly string[] }) {
  if (names.length === 0) return null
  return (
    <Part title={title}>
      {names.map((name) => (
        <Text as="li" key={name} fontFamily="mono" fontSize="13px" wordBreak="break-all">
          {name}
        </Text>
      ))}
    </Part>
  )
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box mb="3">
      <Heading as="h3" fontSize="12px" fontWeight="400" color="soft">
        {title}
      </Heading>
      <Box as="ol" listStyleType="decimal" pl="5">
        {children}
      </Box>
    </Box>
  )
}
