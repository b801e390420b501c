import { create } from 'zustand'

export type Surround = 'white' | 'grey' | 'black'

interface ViewState {
  /** Leads of the chosen stretch of the bands; null: everything. */
  readonly stretch: readonly string[] | null
  readonly surround: Surround
  /** WCAG 2.1.4: keys that are one letter can be switched off. */
  readonly letterKeys: boolean
  chooseStretch(leads: readonly string[] | null): void
  judgeOn(surround: Surround): void
  switchLetterKeys(on: boolean): void
}

const LETTER_KEYS = 'undo-ink-letter-keys'

/** What the person looks at, in this window only. */
export const useView = create<ViewState>((set) => ({
  stretch: null,
  surround: 'white',
  letterKeys: localStorage.getItem(LETTER_KEYS) !== 'off',
  chooseStretch: (stretch) => set({ stretch }),
  judgeOn: (surround) => set({ surround }),
  switchLetterKeys: (letterKeys) => {
    localStorage.setItem(LETTER_KEYS, letterKeys ? 'on' : 'off')
    set({ letterKeys })
  },
}))
