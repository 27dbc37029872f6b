/** Applies two versions to past results away from the page, with progress. */
import {
  parseStandard,
  readPastResult,
  sayFinding,
  versionImpact,
  type PastResult,
  type ResultRow,
  type RowFinding,
  type Standard,
  type VersionImpact,
} from '@able-gauge/core'
import { expose } from 'comlink'
import Papa from 'papaparse'

export interface ImpactAnswer {
  readonly impact: VersionImpact
  /** Rows of the file that could not be read. */
  readonly refused: number
  readonly findings: readonly RowFinding[]
}

const MOST_FINDINGS = 20
const MOST_CHANGED = 200

const standardFrom = (content: unknown): Standard => {
  const parsed = parseStandard(content)
  if (!parsed.ok) throw new Error(parsed.findings.map(sayFinding).join(' '))
  return parsed.value
}

const worker = {
  /** @param address where the server gives past results */
  ofServer: async (
    before: unknown,
    after: unknown,
    address: string,
    onProgress: (done: number, of: number) => void,
  ): Promise<ImpactAnswer> => {
    const response = await fetch(address)
    if (!response.ok) throw new Error('The past results could not be read. Nothing was changed.')
    const { results } = (await response.json()) as { results: PastResult[] } // the server's promise
    return answer(before, after, results, onProgress)
  },

  ofFile: async (
    before: unknown,
    after: unknown,
    file: File,
    onProgress: (done: number, of: number) => void,
  ): Promise<ImpactAnswer> => {
    const [old, now] = [standardFrom(before), standardFrom(after)]
    const results: PastResult[] = []
    const findings: RowFinding[] = []
    let refused = 0
    const { data } = Papa.parse<ResultRow>((await file.text()).replace(/^\uFEFF/, ''), {
      header: true,
      skipEmptyLines: 'greedy',
    })
    for (const [index, row] of data.entries()) {
      const read = readPastResult(old, now, row, index + 2)
      if (read.ok) results.push(read.result)
      else {
        refused += 1
        if (findings.length < MOST_FINDINGS) findings.push(...read.findings)
      }
    }
    return { ...answer(before, after, results, onProgress), refused, findings }
  },
}

const answer = (
  before: unknown,
  after: unknown,
  results: readonly PastResult[],
  onProgress: (done: number, of: number) => void,
): ImpactAnswer => ({
  impact: versionImpact(standardFrom(before), standardFrom(after), results, {
    mostChanged: MOST_CHANGED,
    onProgress: (done) => onProgress(done, results.length),
  }),
  refused: 0,
  findings: [],
})

export type ImpactWorker = typeof worker

expose(worker)
