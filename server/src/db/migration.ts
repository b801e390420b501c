export interface Migration {
  /** Begins with its date. */
  readonly name: string
  /** SQL */
  readonly up: string
}
