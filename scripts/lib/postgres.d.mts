export interface Cluster {
  ownerUrl(database: string): string
  appUrl(database: string): string
  superUrl(database?: string): string
  makeDatabase(name: string, template?: string): Promise<void>
  dropDatabase(name: string): Promise<void>
  asSuperuser(
    work: (query: (text: string, values?: unknown[]) => Promise<{ rowCount: number }>) => Promise<void>,
  ): Promise<void>
  readonly wasRunning: boolean
  startAgain(): void
  stop(): void
}
export const openCluster: (bin: string, folder: string, options?: { lasting?: boolean }) => Promise<Cluster>
