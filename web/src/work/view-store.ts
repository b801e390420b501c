import { create } from 'zustand'

export type Surround = 'white' | 'grey' | 'black'

interface ViewState {
  /** Leads of the chosen stretch of the bands; null: everything. */
  readonly stretch: readonly string[] | null
  readonly surround: Surround
  /** ΔE00 that is tried while a slider is dragged; null: that of the plan. */
  readonly triedTolerance: number | null
  /** Key of the row of Mapping that was selected last; null: none. */
  readonly mappingRow: string | null
  /** WCAG 2.1.4: keys that are one letter can be switched off. */
  readonly letterKeys: boolean
  chooseStretch(leads: readonly string[] | null): void
  judgeOn(surround: Surround): void
  tryTolerance(tolerance: number | null): void
  keepRow(key: string | null): void
  switchLetterKeys(on: boolean): void
}

const LETTER_KEYS = 'undo-ink-letter-keys'

/** What the person looks at, in this window only. */
export const useView = create<ViewState>((set) => ({
  stretch: null,
  surround: 'white',
  triedTolerance: null,
  mappingRow: null,
  letterKeys: localStorage.getItem(LETTER_KEYS) !== 'off',
  chooseStretch: (stretch) => set({ stretch }),
  judgeOn: (surround) => set({ surround }),
  tryTolerance: (triedTolerance) => set({ triedTolerance }),
  keepRow: (mappingRow) => set({ mappingRow }),
  switchLetterKeys: (letterKeys) => {
    localStorage.setItem(LETTER_KEYS, letterKeys ? 'on' : 'off')
    set({ letterKeys })
  },
}))
