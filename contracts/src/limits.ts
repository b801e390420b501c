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
