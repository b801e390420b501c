/** One file on its way in; `bytes` is null for one over the limit, which is listed and not kept. */
export interface ReceivedFile {
  readonly path: string
  readonly size: number
  bytes(): Promise<Buffer | null>
}
