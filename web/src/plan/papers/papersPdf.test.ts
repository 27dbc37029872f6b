import { makeTimetable, planFor, timetableTask } from '@able-gauge/core'
import { afterEach, expect, test } from 'vitest'
import { closeDays, entry, openDay } from '../../../testing/openDay.ts'
import { wavesOnGround } from '../../day/day.ts'
import { papersPdf } from './papersPdf.ts'

const textsOf = (node: unknown): string[] => {
  if (typeof node === 'string') return [node]
  if (Array.isArray(node)) return node.flatMap(textsOf)
  if (typeof node !== 'object' || node === null) return []
  const { text, stack, columns, table } = node as Record<string, unknown>
  if (text !== undefined) return [textsOf(text).join('')]
  return [stack, columns, Object(table).body].flatMap(textsOf)
}

afterEach(closeDays)

test('all papers of a day are one document: lists, cards with boxes, strike-off sheets, the site and its ways', async () => {
  const { day } = await openDay({ entries: [entry(1), entry(2)] })
  const plan = {
    ...planFor(day.standard, day.plan?.plan ?? null),
    site: {
      widthMm: 50_000,
      depthMm: 30_000,
      marks: [{ id: 'aed', kind: 'defibrillator' as const, xMm: 10_000, yMm: 20_000 }],
      ways: [],
    },
  }
  const timetable = makeTimetable(timetableTask(plan, day.standard, wavesOnGround(day)))
  const document = papersPdf({ day, plan, timetable, codes: [], kit: undefined, mark: '' })
  const texts = textsOf(document.content)
  for (const title of [
    'Run sheet',
    'Site plan',
    'Starting lists',
    'Station cards',
    'Strike-off sheets',
    'Score cards',
    'Kit list',
  ])
    expect(texts).toContain(title)
  expect(texts).toContain('D Defibrillator')
  expect(texts).toContain('D')
  expect(texts.some((text) => text.startsWith('refused: '))).toBe(true)
  expect(texts).toContain('caution 3, ends it')
  // plain data alone reaches the worker that makes the file
  expect(JSON.parse(JSON.stringify(document))).toEqual(document)
})
