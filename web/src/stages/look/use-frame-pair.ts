import { type AgentAsk, agentSaysSchema, type Visit } from '@undo-ink/contracts'
import { type RefObject, useEffect, useRef, useState } from 'react'
import type { Reached } from '../../work/use-reached.ts'

/** The frames of the copy before and after, kept at one page and one scroll position. */
export interface FramePair {
  readonly before: RefObject<HTMLIFrameElement | null>
  readonly after: RefObject<HTMLIFrameElement | null>
  /** The page that both show, as the agents say. */
  readonly path: string
  /** Whether something lies over one of the pages, as a preloader does that only a script takes away. */
  readonly covered: boolean
  /** Takes away what covers the page, here and whenever it is loaded anew. */
  uncover(): void
  greet(frame: HTMLIFrameElement | null): void
}

/**
 * Talks with the agents of two frames. Each message is taken only from a frame's own window and origin, and checked.
 * @param reached what the frame of the copy after shows: when that changes, it is loaded anew, in place
 */
export function useFramePair(visit: Visit, page: string, reached: Reached): FramePair {
  const before = useRef<HTMLIFrameElement>(null)
  const after = useRef<HTMLIFrameElement>(null)
  const [path, setPath] = useState(page)
  const [covered, setCovered] = useState(false)
  const uncovered = useRef(false)
  /** Where each frame is or has been told to go; null: it has not answered yet. */
  const at = useRef<Record<'before' | 'after', string | null>>({ before: null, after: null })
  const latest = useRef(reached.version)
  const scrolled = useRef<{ path: string | null; x: number; y: number } | null>(null)

  useEffect(() => {
    const listen = ({ source, origin, data }: MessageEvent) => {
      const fromBefore = source === before.current?.contentWindow && origin === visit.before
      const fromAfter = source === after.current?.contentWindow && origin === visit.after
      const said = agentSaysSchema.safeParse(data)
      if (!(fromBefore || fromAfter) || !said.success) return
      const [here, other] = fromBefore ? (['before', 'after'] as const) : (['after', 'before'] as const)
      const frame = fromBefore ? after.current : before.current
      if (said.data.kind === 'scrolled') {
        const { x, y } = said.data
        scrolled.current = { path: at.current[here], x, y }
        tell(frame, visit[other], { kind: 'scroll', x, y })
        return
      }
      if (said.data.kind !== 'at') return
      const { path, version } = said.data
      // A page that was on its way while the plan moved on has heard nothing of that.
      if (fromAfter && version !== null && version < latest.current) tell(after.current, visit.after, RELOAD)
      if (uncovered.current && said.data.covered)
        tell(fromBefore ? before.current : after.current, visit[here], UNCOVER)
      setCovered(said.data.covered && !uncovered.current)
      at.current[here] = path
      // Whoever comes later to a page that the other has scrolled goes to the same place.
      if (scrolled.current?.path === path) {
        const { x, y } = scrolled.current
        tell(fromBefore ? before.current : after.current, visit[here], { kind: 'scroll', x, y })
      }
      setPath(path)
      // A link followed in one frame is followed in the other.
      if (at.current[other] !== null && at.current[other] !== path) {
        at.current[other] = path
        tell(frame, visit[other], { kind: 'go', path })
      }
    }
    addEventListener('message', listen)
    return () => removeEventListener('message', listen)
  }, [visit])

  const { key, version } = reached
  const known = useRef(key)
  useEffect(() => {
    latest.current = version
    if (known.current === key) return
    known.current = key
    tell(after.current, visit.after, RELOAD)
  }, [key, version, visit])

  return {
    before,
    after,
    path,
    covered,
    uncover: () => {
      uncovered.current = true
      for (const [frame, origin] of [
        [before.current, visit.before],
        [after.current, visit.after],
      ] as const)
        tell(frame, origin, UNCOVER)
    },
    greet: (frame) => tell(frame, frame === before.current ? visit.before : visit.after, { kind: 'hello' }),
  }
}

const UNCOVER: AgentAsk = { kind: 'uncover' }
const RELOAD: AgentAsk = { kind: 'reload' }

function tell(frame: HTMLIFrameElement | null, origin: string, ask: AgentAsk): void {
  frame?.contentWindow?.postMessage(ask, origin)
}
