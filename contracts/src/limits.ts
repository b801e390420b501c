/** Limits of intake, stated on the screen. */
export const LIMITS = {
  /** Bytes; a larger file is listed, not kept. */
  fileBytes: 32 * 1024 * 1024,
  /** Bytes; a longer text is kept, not read. */
  textBytes: 8 * 1024 * 1024,
  /** Bytes of all files together, unpacked. */
  totalBytes: 512 * 1024 * 1024,
  files: 10_000,
  /** UTF-16 units */
  pathLength: 512,
} as const

/**
 * For V8, where readers run in threads: each compiles them for itself, which by default costs as much as a third of their work. Functions that
 * take less of others into themselves are compiled in half the time, and run as fast (measured).
 */
export const INLINE_LESS = '--max-inlined-bytecode-size-cumulative=400'
