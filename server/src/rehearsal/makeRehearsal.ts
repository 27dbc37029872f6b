/** Makes a rehearsal: a day like any other with made-up people, marked as what it is. */
import { randomUUID } from 'node:crypto'
import { seededRandom, type Standard } from '@able-gauge/core'
import type { Database } from '../database.ts'
import { addEntry } from '../store/entryStore.ts'
import { addAllStaff, addOccasion } from '../store/occasionStore.ts'
import { addPerson } from '../store/personStore.ts'
import { addRehearsal } from '../store/rehearsalStore.ts'

export interface RehearsalWish {
  readonly people: number
  readonly speed: number
  /** How many start together. */
  readonly waveOf: number
  readonly seed: number
  readonly ownEventId: string | null
  /** Of who practises. */
  readonly unitId?: string | undefined
}

const GIVEN = ['Ansa', 'Bram', 'Cleo', 'Dario', 'Eskil', 'Farah', 'Gwen', 'Hari', 'Isolde', 'Jovan', 'Kei', 'Lumi']
const FAMILY = [
  'Ardent',
  'Birchall',
  'Corran',
  'Dunmore',
  'Elvane',
  'Fairlie',
  'Garrow',
  'Hollis',
  'Ironside',
  'Jessop',
]
/** The least common multiple of how many names there are: then the same pairs would come again. */
const ROUND = 60
const [YOUNGEST, OLDEST] = [19, 52]

/** A name nobody before them has, as long as there are others: each list is gone through in steps that meet all of it, and each round pairs anew. */
const nameOf = (index: number): { readonly givenName: string; readonly familyName: string } => {
  const round = Math.floor(index / ROUND)
  return {
    givenName: GIVEN[(5 * index) % GIVEN.length] ?? 'Ansa',
    familyName: FAMILY[(7 * index + round) % FAMILY.length] ?? 'Ardent',
  }
}

/** @param nowMs when it begins @returns the id of the day */
export const makeRehearsal = async (
  db: Database,
  standard: Standard,
  { people, speed, waveOf, seed, ownEventId, unitId }: RehearsalWish,
  nowMs: number,
): Promise<string> => {
  const random = seededRandom(seed)
  const occasionId = randomUUID()
  const testDate = new Date(nowMs).toISOString().slice(0, 10)
  await addOccasion(db, {
    id: occasionId,
    name: `Rehearsal, ${standard.name}`,
    venue: speed === 1 ? 'Made up' : `Made up, ${speed} times as fast`,
    zone: 'UTC',
    testDate,
    standardId: standard.id,
    standardVersion: standard.version,
    ...(unitId === undefined ? {} : { unitId }),
  })
  await addAllStaff(db, occasionId, unitId ?? null)
  for (let index = 0; index < people; index++) {
    const [id, personId] = [randomUUID(), randomUUID()]
    const year = Number(testDate.slice(0, 4)) - random.whole(YOUNGEST, OLDEST)
    const category = standard.categories[index % standard.categories.length]?.id ?? ''
    await addPerson(db, {
      id: personId,
      number: `rehearsal-${personId}`,
      ...nameOf(index),
      birthDate: `${year}-0${random.whole(1, 9)}-1${random.whole(0, 9)}`,
      madeUp: true,
    })
    await addEntry(db, {
      id,
      occasionId,
      personId,
      bib: index + 1,
      wave: 1 + Math.floor(index / waveOf),
      category,
      attendance: 'present',
      note: '',
      bodyMassG: random.whole(560, 980) * 100,
    })
  }
  await addRehearsal(db, { occasionId, seed, speed, fromMs: nowMs, ownEventId })
  return occasionId
}
