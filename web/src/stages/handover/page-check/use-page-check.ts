import { type AddedRule, type AgentAsk, agentSaysSchema, type Visit } from '@undo-ink/contracts'
import { addressOf, type OpaqueKey } from '@undo-ink/core'
import { useEffect, useState } from 'react'
import type { Surveyed } from './survey.ts'

/** More pages than are looked at in one go. */
export const MOST_CHECKED = 300

/** Milliseconds after which a page is given up that does not answer. */
const LONGEST = 20_000

/** The window that the pages believe to have. */
const WINDOW = { width: 1280, height: 900 }

export interface PageCheck {
  /** By path of the page. */
  readonly surveys: ReadonlyMap<string, Surveyed>
  /** Pages that did not answer. */
  readonly silent: readonly string[]
  /** Whether all pages have answered or been given up. */
  readonly isDone: boolean
}

const NOTHING: PageCheck = { surveys: new Map(), silent: [], isDone: false }

/**
 * Opens page after page of the copy as the plan has it, out of sight, and asks the agent there which elements show some colors.
 * @param key when it changes, all pages are looked at anew; null: nothing is looked at
 */
export function usePageCheck(
  visit: Visit | undefined,
  pages: readonly string[],
  colors: readonly OpaqueKey[],
  rules: readonly AddedRule[],
  key: string | null,
): PageCheck {
  const [check, setCheck] = useState<{ key: string | null; told: PageCheck }>({ key: null, told: NOTHING })
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for pages and colors
  useEffect(() => {
    if (!visit || key === null) return
    const stop = new AbortController()
    const surveys = new Map<string, Surveyed>()
    const silent: string[] = []
    const run = async () => {
      for (const page of pages.slice(0, MOST_CHECKED)) {
        const said = await surveyPage(
          visit.after,
          page,
          { kind: 'survey', colors: [...colors], rules: [...rules] },
          stop.signal,
        )
        if (stop.signal.aborted) return
        if (said) surveys.set(page, said)
        else silent.push(page)
        setCheck({ key, told: { surveys: new Map(surveys), silent: [...silent], isDone: false } })
      }
      setCheck({ key, told: { surveys, silent, isDone: true } })
    }
    void run()
    return () => stop.abort()
  }, [visit, key])
  return check.key === key ? check.told : NOTHING
}

/** What the agent tells of one page; null: it did not answer in time, or was not waited for any more. */
function surveyPage(origin: string, page: string, ask: AgentAsk, signal: AbortSignal): Promise<Surveyed | null> {
  const frame = document.createElement('iframe')
  frame.setAttribute('sandbox', 'allow-scripts allow-same-origin')
  frame.setAttribute('aria-hidden', 'true')
  frame.title = 'A page that is checked'
  frame.tabIndex = -1
  frame.style.cssText = `position:fixed;left:-9999px;top:0;border:0;width:${WINDOW.width}px;height:${WINDOW.height}px;pointer-events:none`
  const tell = (ask: AgentAsk) => frame.contentWindow?.postMessage(ask, origin)
  return new Promise((resolve) => {
    const end = (said: Surveyed | null) => {
      removeEventListener('message', listen)
      clearTimeout(timer)
      signal.removeEventListener('abort', leave)
      frame.remove()
      resolve(said)
    }
    const leave = () => end(null)
    const listen = ({ source, origin: from, data }: MessageEvent) => {
      if (source !== frame.contentWindow || from !== origin) return
      const said = agentSaysSchema.safeParse(data).data
      if (said?.kind === 'surveyed') end(said)
    }
    const timer = setTimeout(leave, LONGEST)
    signal.addEventListener('abort', leave)
    addEventListener('message', listen)
    frame.addEventListener('load', () => {
      tell({ kind: 'hello' })
      tell(ask)
    })
    frame.src = origin + addressOf(page)
    document.body.append(frame)
  })
}
