/** Statistics of results, apart from the rest of core: whoever judges or counts needs none of it. */
export * from './compareGraders.ts'
export * from './compareGroups.ts'
export * from './compareVenues.ts'
export * from './kappa.ts'
export * from './passReport.ts'
export * from './rate.ts'
export * from './repeatability.ts'
export * from './sayInsight.ts'
