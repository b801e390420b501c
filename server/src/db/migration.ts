export interface Migration {
  /** Begins with its date. */
  readonly name: string
  /** SQL */
  readonly up: string
  /** SQL that takes `up` back. */
  readonly down: string
}
