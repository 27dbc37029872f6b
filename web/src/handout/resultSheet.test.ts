import { judgeDay, type RecordedCapture } from '@able-gauge/core'
import { expect, test } from 'vitest'
import { entry, openDay } from '../../testing/openDay.ts'
import { fontRuns } from './fontRuns.ts'
import { groupSheet } from './groupSheet.ts'
import { resultSheet } from './resultSheet.ts'
import { resultTable } from './resultTable.ts'
import { groupDocument, sheetDocument } from './sheetDocument.ts'

const ANNA = entry(28, { person: { id: 'p', number: 'T-28', givenName: 'Anna', familyName: 'Ilić' } })
const reading = (eventId: string, slot: string, value: number): RecordedCapture =>
  ({
    id: `01890000-0000-7000-8000-0000000000${eventId === 'run' ? '01' : '02'}`,
    eventId,
    entryId: ANNA.id,
    kind: 'read',
    payload: { slot, value },
    deviceId: 'd',
    deviceMs: 0,
    atMs: 1,
    uncertaintyMs: 0,
    seq: 1,
    actorId: 'a',
    receivedMs: 1,
  }) as RecordedCapture
const judged = async (countG: number, runMs: number) => {
  const { day } = await openDay({ testDate: '2026-11-24', entries: [ANNA, entry(3, { attendance: 'absent' })] })
  const candidate = { entryId: ANNA.id, wave: 1, category: 'female', ageYears: 27, ageCountedOn: '2026-11-24' }
  const captures = [reading('press-ups', 'count', countG), reading('run', 'time', runMs)]
  const verdicts = judgeDay({ standard: day.standard, testDate: day.occasion.testDate }, [candidate], captures)
  const verdict = verdicts.get(ANNA.id)
  if (!verdict) throw new Error('Nobody was judged.')
  return { day, verdict, verdicts }
}

test('a sheet says each figure, its margin, the retest, and that the day is not signed', async () => {
  const { day, verdict } = await judged(29, 560_000)
  const sheet = resultSheet(day, ANNA, verdict)
  expect(sheet).toMatchObject({
    name: 'Anna Ilić',
    verdict: 'Met',
    retest: 'Earliest retest 8 December 2026, with the same set-up.',
  })
  expect(sheet.events.map(({ name, figure, margin }) => [name, figure, margin])).toEqual([
    ['Press-ups', '29', '5 repetitions to spare'],
    ['Run 2,000 m', '9:20', '0:20 to spare'],
  ])
  expect(sheet.judgedBy).toContain('Provisional: the day is not signed off yet')
  expect(sheet.events[0]?.gauge).toMatchObject({ metSide: 'after', state: 'good', cut: '24' })
})
test('short is told by how much, and an amendment stands on the sheet', async () => {
  const { day, verdict } = await judged(20, 560_000)
  const amendment = {
    id: 'm',
    entryId: ANNA.id,
    eventId: 'press-ups',
    as: 'met' as const,
    reason: 'video',
    accountId: 'a',
    atMs: 0,
    by: 'Ines',
  }
  const sheet = resultSheet({ ...day, amendments: [amendment] }, ANNA, verdict)
  expect(sheet.events[0]?.margin).toBe('short by 4 repetitions')
  expect(sheet.amended[0]).toMatch(/^Amended to met by Ines, .*: video$/)
})
test('a page holds one sheet, or two', async () => {
  const { day, verdict } = await judged(29, 560_000)
  const sheet = resultSheet(day, ANNA, verdict)
  const breaks = (layout: 'full' | 'twoToAPage') =>
    (sheetDocument([sheet, sheet, sheet], layout, '').content as { pageBreak?: string }[]).map(
      ({ pageBreak }) => pageBreak ?? '-',
    )
  expect(breaks('full')).toEqual(['after', 'after', '-'])
  expect(breaks('twoToAPage')).toEqual(['-', 'after', '-'])
})
test('the group sheet and the table hold everybody, the absent too', async () => {
  const { day, verdicts } = await judged(29, 560_000)
  const group = groupSheet(day, verdicts)
  expect(group.rows).toEqual([
    ['3', 'Tove Number-3', '', '', 'absent'],
    ['28', 'Anna Ilić', '29 met', '9:20 met', 'Met'],
  ])
  expect(JSON.stringify(groupDocument(group))).toContain('Run 2,000 m')
  const { heading, rows } = resultTable(day, verdicts)
  expect(heading).toContain('run_ms')
  expect(rows[1]?.slice(heading.indexOf('run_ms'), heading.indexOf('run_ms') + 3)).toEqual([560_000, 'met', 20_000])
})
test('a text is cut where the shipped font changes files', () => {
  expect(fontRuns('Ilić')).toEqual([
    { text: 'Ili', font: 'Next' },
    { text: 'ć', font: 'NextExtended' },
  ])
  expect(fontRuns('9:40 – 0,2 s')).toHaveLength(1)
  expect(fontRuns('')).toEqual([])
})

test('the mark of the house stands at the head of each sheet, and a code to the own page at its foot where there is one', async () => {
  const { day, verdict } = await judged(29, 560_000)
  const printed = (ownPage: string, mark: string): string =>
    JSON.stringify(sheetDocument([resultSheet(day, ANNA, verdict, ownPage)], 'full', mark).content)
  const plain = printed('', '')
  expect(plain).not.toContain('"qr"')
  expect(plain).not.toContain('"image"')
  const address = 'https://tests.example/mine#the-code'
  const whole = printed(address, 'data:image/png;base64,c21hbGw=')
  expect(whole).toContain(`"qr":"${address}"`)
  expect(whole).toContain('"image":"data:image/png;base64,c21hbGw="')
  // what stands at the foot without a code stands there with one
  expect(whole).toContain('Earliest retest 8 December 2026')
  expect(whole).toContain('Talk to a clinician')
})
