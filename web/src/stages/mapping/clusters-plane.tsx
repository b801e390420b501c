import { parseColor, perceive } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { Segments } from '../../components/segments.tsx'
import type { Row } from '../../work/standing.ts'
import { ColorPlane } from '../ledger/color-plane.tsx'
import { type ColorPoint, PLANES, type Plane } from '../ledger/color-points.ts'
import { EdgeToEdge } from '../ledger/edge-to-edge.tsx'
import { nearestLead } from './apart.ts'

interface ClustersPlaneProps {
  readonly rows: readonly Row[]
  readonly selected: Row
  /** Another row that is marked beside the selected one; null: none. */
  readonly other: Row | null
  onChoose(key: string): void
}

const PLANE_SEGMENTS = (Object.keys(PLANES) as Plane[]).map((value) => ({ value, text: value }))

/** The clusters where an eye would put them, each with the size of its use, and the selected one edge to edge with another. */
export function ClustersPlane({ rows, selected, other, onChoose }: ClustersPlaneProps) {
  const [plane, setPlane] = useState<Plane>('hue and lightness')
  const points = useMemo(
    () =>
      rows.flatMap(({ cluster, count }): ColorPoint[] => {
        const color = parseColor(cluster.lead)
        return color ? [{ color: cluster.lead, places: count, ...perceive(color) }] : []
      }),
    [rows],
  )
  const { lead } = selected.cluster
  const chosen = useMemo(() => new Set([lead]), [lead])
  const nearest = useMemo(() => nearestLead(lead, rows), [lead, rows])
  const [typed, setTyped] = useState<{ readonly lead: string; readonly text: string } | null>(null)
  return (
    <>
      <Segments<Plane> label="Plane" segments={PLANE_SEGMENTS} value={plane} height={26} onChoose={setPlane} />
      <ColorPlane plane={plane} points={points} chosen={chosen} onChoose={onChoose} />
      <EdgeToEdge
        color={lead}
        typed={typed?.lead === lead ? typed.text : (other?.cluster.lead ?? nearest ?? '')}
        onType={(text) => setTyped({ lead, text })}
      />
    </>
  )
}
