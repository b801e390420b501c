import type { Becoming, OpaqueKey, Suggestion } from '@undo-ink/core'
import { useCallback } from 'react'
import { VirtualGrid } from '../../components/virtual-grid.tsx'
import type { Row } from '../../work/standing.ts'
import { useWork } from '../../work/work.tsx'
import { ClusterRow, COLUMNS, canOpen, rowId } from './cluster-row.tsx'
import { decidedApart, roleAt } from './deciding.ts'
import { reasonText, suggestionsOf, suggestionText } from './suggesting.ts'

const CLUSTER_ROW = 62
const PART_ROW = 42

const HEADS = [{ text: 'Cluster', span: 2 }, { text: 'Used for' }, { text: 'Becomes', span: 3 }]

interface ClusterListProps {
  readonly rows: readonly Row[]
  readonly selected: Row | null
  readonly opened: ReadonlySet<string>
  readonly suggested: ReadonlyMap<OpaqueKey, readonly Suggestion[]>
  onSelect(key: string): void
  onGive(row: Row, to: Becoming): void
  onLeaveOpen(row: Row): void
  onTake(row: Row): void
  onScope(row: Row): void
  onToggle(row: Row): void
}

/** The clusters, most used first, each with what becomes of it. The list has the focus; keys act on its selected row. */
export function ClusterList({
  rows,
  selected,
  opened,
  suggested,
  onSelect,
  onGive,
  onLeaveOpen,
  onTake,
  onScope,
  onToggle,
}: ClusterListProps) {
  const { roles, state } = useWork()
  const at = rows.findIndex(({ key }) => key === selected?.key)
  const heightOf = useCallback((index: number) => (rows[index]?.use === null ? CLUSTER_ROW : PART_ROW), [rows])
  const onLetter = (letter: string): boolean => {
    if (!selected) return false
    const role = roleAt(roles, letter)
    if (role) onGive(selected, { kind: 'role', role: role.id })
    else if (letter === 'k') onGive(selected, { kind: 'keep' })
    else if (letter === 'o') onLeaveOpen(selected)
    else if (letter === 't') onTake(selected)
    else if (letter === 's') onScope(selected)
    else if (letter === 'u' && canOpen(selected)) onToggle(selected)
    else return false
    return true
  }
  return (
    <VirtualGrid
      label="Clusters: arrow keys move, digits give a role"
      columns={COLUMNS}
      heads={HEADS}
      count={rows.length}
      heightOf={heightOf}
      at={at}
      activeId={selected ? rowId(selected) : undefined}
      page={8}
      onMove={(step) => {
        const next = rows[Math.min(rows.length - 1, Math.max(0, at + step))]
        if (next) onSelect(next.key)
      }}
      onLetter={onLetter}
      row={(index) => {
        const row = rows[index] as Row
        const found = row.open === row.count ? suggestionsOf(row, suggested) : []
        return (
          <ClusterRow
            row={row}
            rowIndex={index + 2}
            selected={row.key === selected?.key}
            opened={opened.has(row.cluster.lead)}
            apart={decidedApart(row, state).join('; ')}
            suggestion={found.map((each) => suggestionText(each, roles)).join('; ')}
            reason={reasonText(found)}
            onTake={onTake}
            onSelect={onSelect}
            onToggle={onToggle}
          />
        )
      }}
    />
  )
}
