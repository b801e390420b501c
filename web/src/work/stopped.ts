/** A worker that answers no more, which something on the screen waits for. */
export interface Stopped {
  /** What does not come. */
  readonly what: string
  /** As the browser says it. */
  readonly message: string
  /** Begins anew. */
  readonly again: () => void
}
