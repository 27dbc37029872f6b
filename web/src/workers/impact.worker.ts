/** Applies two versions to past results away from the page, with progress. */
import {
  decodeText,
  openResultsTable,
  parseStandard,
  readPastResult,
  sayFinding,
  versionImpact,
  type PastResult,
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
    const text = decodeText(new Uint8Array(await file.arrayBuffer()))
    const [heading = [], ...rows] = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' }).data
    const opened = openResultsTable(old, heading, [now])
    if (!opened.ok)
      return {
        ...answer(before, after, [], onProgress),
        refused: rows.length,
        findings: opened.findings.slice(0, MOST_FINDINGS),
      }
    for (const [index, cells] of rows.entries()) {
      const found = opened.table.rowOf(cells, index + 2)
      const read = found.ok ? readPastResult(old, now, found.row, index + 2) : found
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
