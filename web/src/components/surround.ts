import type { Surround } from '../work/view-store.ts'

/** The grounds that swatches are judged on. */
export const SURROUNDS: Readonly<Record<Surround, string>> = { white: '#ffffff', grey: '#777777', black: '#000000' }
