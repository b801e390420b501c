import { Text } from '@chakra-ui/react'
import type { SiteFile } from '@undo-ink/contracts'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { ActButton } from '../../components/act-button.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { type Column, VirtualTable } from '../../components/virtual-table.tsx'
import { are, bytes, count, encodingText, number, SKIP_WORDS, SYNTAX_WORDS } from '../../components/words.ts'
import { countBy } from '../../work/places.ts'
import { useWork } from '../../work/work.tsx'

/** The copy: every file with what was made of it. */
export function IntakeScreen() {
  const { snapshot, site, places } = useWork()
  const { files } = snapshot
  const columns = useMemo((): Column<SiteFile>[] => {
    const perFile = countBy(places, ({ fileId }) => fileId)
    return [
      { head: 'File', mono: true, cell: ({ path }) => path, title: ({ path }) => path },
      { head: 'Size', width: '90px', right: true, cell: ({ size }) => bytes(size) },
      { head: 'Syntax', width: '90px', cell: ({ syntax }) => SYNTAX_WORDS[syntax] },
      { head: 'Encoding', width: '130px', cell: ({ encoding }) => (encoding ? encodingText(encoding) : '–') },
      {
        head: 'Places',
        width: '80px',
        right: true,
        cell: ({ id, skipped }) => (skipped === null ? number(perFile.get(id) ?? 0) : '–'),
      },
      {
        head: 'Read',
        width: '38%',
        cell: (file) => <Reading file={file} />,
        title: ({ skipped }) => (skipped ? SKIP_WORDS[skipped] : undefined),
      },
    ]
  }, [places])
  const read = files.filter(({ skipped }) => skipped === null).length
  const total = files.reduce((sum, { size }) => sum + size, 0)
  const unread = files.length - read
  return (
    <>
      <StageHead
        title="Intake"
        sentence={`${count(files.length, 'file')}, ${bytes(total)}, kept as received. ${number(read)} ${are(read)} read; ${number(unread)} ${are(unread)} not, each with its reason.`}
      >
        <ActButton main asChild>
          <Link to={`/sites/${site.id}/ledger`}>See the {count(places.length, 'place')}</Link>
        </ActButton>
      </StageHead>
      <VirtualTable label="Files of the copy" items={files} columns={columns} maxHeight="calc(100vh - 230px)" />
    </>
  )
}

function Reading({ file: { skipped } }: { file: SiteFile }) {
  if (skipped === null)
    return (
      <>
        <span aria-hidden>■</span> read
      </>
    )
  return (
    <Text as="span" color="soft">
      <span aria-hidden>□</span> {SKIP_WORDS[skipped]}
    </Text>
  )
}
