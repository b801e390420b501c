/** A small seeded generator (mulberry32), so that every run tests the same cases. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** The seed of the first round: `SEED=…` has it begin there. */
const FIRST = Number(process.env.SEED ?? 4711)

/** Rounds of a test, each with a seed of its own; one that fails says with which `SEED` it is the first. */
export async function eachRound(rounds: number, round: (random: () => number) => void | Promise<void>): Promise<void> {
  for (let seed = FIRST; seed < FIRST + rounds; seed++)
    try {
      await round(seeded(seed))
    } catch (error) {
      throw new Error(`SEED=${seed}: ${(error as Error).message}`, { cause: error })
    }
}
