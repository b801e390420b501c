import { Flex, Text } from '@chakra-ui/react'
import { useMemo } from 'react'
import { useFileText } from '../../api/copies.ts'
import { colorDots } from '../../components/color-dots.ts'
import { Loading } from '../../components/loading.tsx'
import { Sheet } from '../../components/sheet.tsx'
import { type MarginNote, type SourceMark, SourceView } from '../../components/source-view.tsx'
import { withAlpha } from '../../components/swatch.tsx'
import { count } from '../../components/words.ts'
import { groupBy } from '../../work/places.ts'
import { markOf } from '../ledger/place-source.tsx'
import type { RoleChange } from './changes.ts'

interface ProofSourceProps {
  /** The change that is looked at. */
  readonly change: RoleChange
  readonly group: readonly RoleChange[]
  readonly all: readonly RoleChange[]
}

/** A file as it came, each old literal struck, its correction in the margin with both swatches. */
export function ProofSource({ change, group, all }: ProofSourceProps) {
  const { path, fileId, heading } = change.occurrence
  const { data, error } = useFileText(fileId)
  const here = useMemo(() => all.filter(({ occurrence }) => occurrence.fileId === fileId), [all, fileId])
  const marks = useMemo(
    () =>
      here.map(
        (each): SourceMark => markOf(each.occurrence, each.occurrence === change.occurrence ? 'struck-here' : 'struck'),
      ),
    [here, change.occurrence],
  )
  const notes = useMemo(
    () =>
      [...groupBy(here, ({ occurrence }) => occurrence.line)].map(
        ([at, changes]): MarginNote => ({
          line: at,
          key: changes.map(({ occurrence, replacement }) => `${occurrence.raw} ${replacement}`).join('\n'),
          rows: changes.length,
          render: () => corrections(changes),
        }),
      ),
    [here],
  )
  return (
    <Sheet
      flex={{ base: 'none', lg: '1' }}
      h={{ base: '420px', lg: 'auto' }}
      minH="240px"
      display="flex"
      flexDirection="column"
      as="section"
      aria-label="Changes in the source"
    >
      <Flex px="3" py="1.5" gap="3" borderBottom="1px solid" borderColor="edge" bg="wash" fontSize="13px">
        <Text fontFamily="mono" fontWeight="600" truncate>
          {path}
        </Text>
        {heading ? (
          <Text color="soft" truncate>
            under the heading “{heading}”
          </Text>
        ) : null}
        <Text ml="auto" color="soft" whiteSpace="nowrap">
          {group.indexOf(change) + 1} of {count(group.length, 'change')}
        </Text>
      </Flex>
      {error ? <Text p="4">{error.message}</Text> : null}
      {data ? (
        <SourceView
          path={path}
          text={data.text}
          marks={marks}
          notes={notes}
          focus={change.occurrence}
          marginWidth={224}
          label={`Changes in ${path}`}
        />
      ) : error ? null : (
        <Loading />
      )}
    </Sheet>
  )
}

/** The corrections of one line, one below the other: both colors, the new text, and a word where the notation had to change. */
function corrections(changes: readonly RoleChange[]): HTMLElement {
  const box = document.createElement('div')
  for (const { occurrence, replacement, color: becomes, role, keptNotation } of changes) {
    const row = document.createElement('div')
    row.style.cssText =
      'display:flex;gap:6px;height:22px;align-items:center;padding-left:8px;color:var(--chakra-colors-ink)'
    row.title = `${occurrence.raw} becomes ${replacement}: ${role.name}`
    const { color, alpha } = occurrence
    const text = document.createElement('span')
    text.style.cssText = 'font-weight:600;overflow:hidden;text-overflow:ellipsis;white-space:nowrap;min-width:0'
    text.textContent = replacement
    row.append(
      colorDots([
        { paint: withAlpha(color, alpha ?? 1), title: occurrence.raw },
        { paint: withAlpha(becomes, alpha ?? 1), title: role.name },
      ]),
      text,
    )
    if (!keptNotation) {
      const word = document.createElement('span')
      word.style.cssText = 'flex:none;font-size:11px;color:var(--chakra-colors-soft)'
      word.textContent = 'as hex'
      row.append(word)
    }
    box.append(row)
  }
  return box
}
