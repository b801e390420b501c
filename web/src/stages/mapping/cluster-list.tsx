import type { Becoming, OpaqueKey, Suggestion } from '@undo-ink/core'
import { useCallback } from 'react'
import { VirtualGrid } from '../../components/virtual-grid.tsx'
import type { Row } from '../../work/standing.ts'
import { useStable } from '../../work/use-stable.ts'
import { usePlan } from '../../work/work.tsx'
import { ClusterRow, COLUMNS, canOpen, type Room, rowId } from './cluster-row.tsx'
import { decidedApart, roleAt } from './deciding.ts'
import { reasonText, suggestionsOf, suggestionsText } from './suggesting.ts'
import type { Selection } from './use-selection.ts'

const CLUSTER_ROW = 62
const PART_ROW = 42

const HEADS = {
  wide: [{ text: 'Cluster', span: 2 }, { text: 'Used for' }, { text: 'Becomes', span: 3 }],
  narrow: [
    { text: 'Cluster', span: 2 },
    { text: 'Becomes', span: 3 },
  ],
}

interface ClusterListProps {
  readonly rows: readonly Row[]
  readonly selection: Selection
  readonly opened: ReadonlySet<string>
  readonly suggested: ReadonlyMap<OpaqueKey, readonly Suggestion[]>
  readonly acts: Acts
  readonly room: Room
}

/** What keys and buttons of the list do. */
export interface Acts {
  /** To what is selected. */
  give(to: Becoming): void
  leaveOpen(): void
  /** Takes what is suggested. */
  take(rows: readonly Row[]): void
  /** Opens what decides about some places of a row only. */
  scope(row: Row): void
  toggle(row: Row): void
  /** Goes to where a role's name is typed. */
  typeRole(): void
}

/** The clusters, most used first, each with what becomes of it. The list has the focus; keys act on what is selected. */
export function ClusterList({ rows, selection, opened, suggested, acts, room }: ClusterListProps) {
  const { roles, state } = usePlan()
  const { selected, marked, acting } = selection
  const takeOne = useStable((row: Row) => acts.take([row]))
  const at = rows.findIndex(({ key }) => key === selected?.key)
  const heightOf = useCallback((index: number) => (rows[index]?.use === null ? CLUSTER_ROW : PART_ROW), [rows])
  const onLetter = (letter: string): boolean => {
    if (!selected) return false
    const role = roleAt(roles, letter)
    if (role) acts.give({ kind: 'role', role: role.id })
    else if (letter === 'k') acts.give({ kind: 'keep' })
    else if (letter === 'o') acts.leaveOpen()
    else if (letter === 't') acts.take(acting)
    else if (letter === 's') acts.scope(selected)
    else if (letter === 'r') acts.typeRole()
    else if (letter === ' ') selection.mark()
    else if (letter === 'a') selection.markAll()
    else if (letter === 'u' && canOpen(selected)) acts.toggle(selected)
    else return false
    return true
  }
  return (
    <VirtualGrid
      label="Clusters: arrow keys move, space marks, digits give a role"
      columns={COLUMNS[room]}
      heads={HEADS[room]}
      count={rows.length}
      heightOf={heightOf}
      at={at}
      activeId={selected ? rowId(selected) : undefined}
      page={8}
      many
      onMove={selection.move}
      onLetter={onLetter}
      row={(index) => {
        const row = rows[index] as Row
        const found = row.open === row.count ? suggestionsOf(row, suggested) : []
        return (
          <ClusterRow
            row={row}
            rowIndex={index + 2}
            selected={row.key === selected?.key}
            marked={marked.has(row.key)}
            room={room}
            opened={opened.has(row.cluster.lead)}
            apart={decidedApart(row, state).join('; ')}
            suggestion={suggestionsText(found, roles)}
            reason={reasonText(found)}
            onTake={takeOne}
            onSelect={selection.choose}
            onToggle={acts.toggle}
          />
        )
      }}
    />
  )
}
