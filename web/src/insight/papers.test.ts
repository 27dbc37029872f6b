/** What goes to paper: the report, the list of who is due, a certificate. */
import type { DueAnswer, InsightAnswer } from '@able-gauge/core'
import { expect, test } from 'vitest'
import { certificateDocument } from '../handout/certificate.ts'
import { duePdf } from './duePdf.ts'
import { yearReport } from './yearReport.ts'

/** All that is written in a document, in order. */
const wordsIn = (node: unknown): string => {
  if (typeof node === 'string') return node
  if (Array.isArray(node)) return node.map(wordsIn).join(' ')
  if (typeof node !== 'object' || node === null) return ''
  const { text, stack, columns, table, content } = node as Record<string, unknown>
  const inTable = (table as { body?: unknown } | undefined)?.body
  return [text, stack, columns, inTable, content].map((one) => (one === undefined ? '' : wordsIn(one))).join('')
}
const said = (document: object): string => wordsIn(document).replaceAll(/\s+/g, ' ')

const counts = { scored: 0, open: 0, ended: 0, exempt: 0, otherForms: 0, near: 2 }
const ANSWER: InsightAnswer = {
  standards: [],
  standardId: 'entry',
  standardName: 'Entry standard',
  events: [{ eventId: 'run', name: 'Run', unit: 'ms', sense: 'atMost' }],
  categories: [{ id: 'female', name: 'Female' }],
  units: [{ id: 'n', name: 'North' }],
  venues: [],
  years: [],
  results: 60,
  people: 58,
  days: 3,
  first: '2026-03-01',
  last: '2026-11-01',
  near: 2,
  outcomes: [
    { outcome: 'met', results: 45 },
    { outcome: 'short', results: 15 },
  ],
  groups: [
    { by: 'unit', key: 'n', met: 45, of: 60 },
    { by: 'category', key: 'female', met: 3, of: 9 },
  ],
  byEvent: [
    {
      eventId: 'run',
      met: 45,
      short: 15,
      ...counts,
      strip: {
        by: 'value',
        from: 540_000,
        to: 640_000,
        bins: 50,
        cut: 580_000,
        columns: [
          { at: 10, met: 45, short: 0, scored: 0 },
          { at: 30, met: 0, short: 15, scored: 0 },
        ],
      },
    },
  ],
  combinations: [{ eventIds: ['run'], results: 15 }],
}

test('the report says what the figures say, how they were made, and from which signed days', () => {
  const words = said(
    yearReport({
      organisation: 'Tarn Isles Testing Office',
      period: '2026',
      mark: '',
      madeOn: '2026-11-27',
      answer: ANSWER,
      eventGroups: { groups: [], venues: [] },
      graders: null,
      days: [
        {
          occasionId: 'd',
          name: 'Spring',
          testDate: '2026-03-01',
          venue: 'Track',
          results: 20,
          fingerprint: 'abcd 1234',
        },
      ],
    }),
  )
  for (const part of [
    'Tarn Isles Testing Office',
    'Entry standard, 2026',
    '60 results of 58 people on 3 signed days',
    '45 of 60 met Entry standard: 75 %',
    'Run decides most',
    '60 judged, 2 near the cut',
    'cut 9:40',
    'Short in Run',
    'Female: 9 people, too few to say.',
    'Wilson (1927)',
    'Under 20 results nothing is said of a group',
    'abcd 1234',
  ])
    expect(words).toContain(part)
})

test('squares on paper are as many as people, or as many as each stands for', () => {
  const document = JSON.stringify(
    yearReport({
      organisation: '',
      period: '',
      mark: '',
      madeOn: '2026-11-27',
      answer: ANSWER,
      eventGroups: { groups: [], venues: [] },
      graders: null,
      days: [],
    }),
  )
  // 45 in a column of at most fourteen: a square for five
  expect(document.split('"color":"#0F6B57"').length - 1).toBe(9)
  expect(document.split('"lineColor":"#B5361A"').length - 1).toBe(3)
})

test('the list of who is due tells each call with its people, and who is entered already', () => {
  const due: DueAnswer = {
    today: '2026-11-27',
    fine: 0,
    calls: ['Yearly', 'Nobody'].map((name) => ({
      name,
      standardId: 'entry',
      standardName: 'Entry standard',
      version: 3,
      before: null,
      venue: '',
      zone: '',
    })),
    people: [
      {
        call: 0,
        personId: 'p',
        name: 'Runa Pell',
        number: 'N-1',
        unit: 'North',
        unitId: 'n',
        category: 'female',
        state: 'again',
        by: '2027-01-18',
        allowedFrom: '2026-11-14',
        lastDate: '2026-10-31',
        shortIn: [],
        enteredOn: 'Spring',
      },
    ],
  }
  const words = said(duePdf(due, due.people, ''))
  expect(words).toContain('Due on 27 November 2026')
  expect(words).toContain('Yearly: Entry standard')
  expect(words).not.toContain('Nobody')
  expect(words).toContain('Again fell short, by 18 January 2027')
  expect(words).toContain('the total')
  expect(words).toContain('entered: Spring')
})

test('a certificate names who, what, how and the fingerprints it stands on', () => {
  const words = said(
    certificateDocument(
      {
        sheet: {
          organisation: 'Testing Office',
          place: 'Fallow Point track, 24 November 2026',
          name: 'Ada Holm',
          about: 'Number T-1',
          verdict: 'Met',
          points: '',
          events: [
            {
              name: 'Run',
              figure: '9:12',
              word: 'met',
              margin: '',
              points: '81 points',
              next: '',
              gauge: null,
              reasons: [],
              estimates: [],
            },
          ],
        },
        standard: 'Entry standard, version 3',
        signed: 'Signed by Ines.',
        fingerprints: [['The day', 'abcd']],
      },
      '',
    ),
  )
  for (const part of [
    'Ada Holm',
    'Met: Entry standard, version 3',
    '9:12',
    'met, 81 points',
    'Signed by Ines.',
    'abcd',
  ])
    expect(words).toContain(part)
})
