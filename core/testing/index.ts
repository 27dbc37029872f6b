export * from './standards.ts'
export * from './handWorkedCases.ts'
export * from './capturesOf.ts'
