import { useEffect } from 'react'
import { useView } from './view-store.ts'

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && (target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  )
}

/** Undo and redo by the keys of every editor, anywhere but in a text field, which has an undo of its own. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey || isTyping(event.target)) return
      const key = event.key.toLowerCase()
      if (key === 'z' && !event.shiftKey) undo()
      else if (key === 'y' || (key === 'z' && event.shiftKey)) redo()
      else return
      event.preventDefault()
    }
    addEventListener('keydown', listen)
    return () => removeEventListener('keydown', listen)
  }, [undo, redo])
}

/** The letter or digit of a key press that acts in a list, or null: letters act only with no other key held, and can be switched off. */
export function letterOf(event: React.KeyboardEvent | KeyboardEvent): string | null {
  if (!useView.getState().letterKeys || isTyping(event.target)) return null
  if (event.ctrlKey || event.metaKey || event.altKey || event.key.length !== 1) return null
  return event.key.toLowerCase()
}

/** Letters of a stage that has one thing to act on, wherever the focus is but in a dialog. @param act whether the letter was its own */
export function useLetters(act: (letter: string) => boolean): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const letter = letterOf(event)
      if (letter === null || (event.target as Element).closest('[role=dialog]')) return
      if (act(letter)) event.preventDefault()
    }
    addEventListener('keydown', listen)
    return () => removeEventListener('keydown', listen)
  }, [act])
}

/** The key of each stage, with Alt: the first letter of its name that is free. */
export const STAGE_KEYS = { intake: 'I', ledger: 'L', mapping: 'M', look: 'K', handover: 'H' } as const
export type StageName = keyof typeof STAGE_KEYS

/** Alt with a letter jumps to a stage, wherever the focus is. */
export function useStageKeys(jump: (stage: StageName) => void): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (!event.altKey || event.ctrlKey || event.metaKey || event.shiftKey) return
      // By the place of the key: with Alt some systems give another letter.
      const stage = (Object.keys(STAGE_KEYS) as StageName[]).find((name) => event.code === `Key${STAGE_KEYS[name]}`)
      if (stage === undefined) return
      event.preventDefault()
      jump(stage)
    }
    addEventListener('keydown', listen)
    return () => removeEventListener('keydown', listen)
  }, [jump])
}
