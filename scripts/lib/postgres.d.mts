/** A running cluster: its address, how to stop it, and how to end it as a crash would. */
export interface Cluster {
  readonly url: string
  stop(): Promise<void>
  kill(): void
}
export function startCluster(folder: string, options?: { throwAway?: boolean }): Promise<Cluster>
