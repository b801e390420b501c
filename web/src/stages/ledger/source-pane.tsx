import { Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { useFileText } from '../../api/copies.ts'
import { Loading } from '../../components/loading.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { type MarginNote, type SourceMark, SourceView } from '../../components/source-view.tsx'
import { shownPath } from '../../components/words.ts'

interface SourcePaneProps {
  readonly path: string
  readonly fileId: string
  readonly marks: readonly SourceMark[]
  readonly notes: readonly MarginNote[]
  /** The place that is scrolled to. */
  readonly focus: Pick<SourceMark, 'line' | 'column'>
  /** Pixels */
  readonly marginWidth: number
  readonly label: string
  /** What stands above the text. */
  readonly children: ReactNode
}

/** A received text under its head, loaded when it is looked at. */
export function SourcePane({ fileId, label, children, ...view }: SourcePaneProps) {
  const { data, error } = useFileText(fileId)
  return (
    <Sheet
      flex={{ base: 'none', lg: '1' }}
      h={{ base: '360px', lg: 'auto' }}
      minH={{ base: '320px', lg: '180px' }}
      display="flex"
      flexDirection="column"
      as="section"
      aria-label={label}
    >
      {children}
      {error ? <Text p="4">{error.message}</Text> : null}
      {data ? (
        <SourceView text={data.text} label={`${label}: ${shownPath(view.path)}`} {...view} />
      ) : error ? null : (
        <Loading />
      )}
    </Sheet>
  )
}
