import type { Cluster } from './postgres.mjs'

export const TEMPLATE: string
export const openTestCluster: () => Promise<Cluster>
export const prepareTemplate: () => Promise<Cluster>
