/**
 * A day of 100,000 captures and 200 people: verdicts, archive, proof and signature while everything else goes on. Prints
 * figures, and the slowest of one hundred of other requests beside each.
 */
import { randomUUID } from 'node:crypto'
import { captureId, rehearseDay, seededRandom, type Capture } from '@able-gauge/core'
import { addEntry } from '../server/src/store/entryStore.ts'
import { addOccasion, addStaffMember } from '../server/src/store/occasionStore.ts'
import { addPerson } from '../server/src/store/personStore.ts'
import { addStandard } from '../server/src/store/standardStore.ts'
import { entryStandard, openHouse, putOnRecord } from './house.ts'

const [PEOPLE, CAPTURES] = [200, 100_000]
const random = seededRandom(100_000)

const standard = entryStandard()
const house = await openHouse('able_gauge_big_day')
const { owner, accountId } = house
await addStandard(owner, standard)
const occasionId = randomUUID()
const testDate = new Date().toISOString().slice(0, 10)
const startMs = Date.parse(`${testDate}T00:00:00Z`)
await addOccasion(owner, {
  id: occasionId,
  name: 'A big day',
  venue: 'Fallow Point track',
  zone: 'UTC',
  testDate,
  standardId: standard.id,
  standardVersion: standard.version,
})
await addStaffMember(owner, occasionId, accountId, 'officer in charge')
const people = []
for (let index = 0; index < PEOPLE; index++) {
  const [id, personId] = [randomUUID(), randomUUID()]
  await addPerson(owner, {
    id: personId,
    number: `B-${index}`,
    givenName: 'Lumi',
    familyName: `Ardent-${index}`,
    birthDate: '1999-05-04',
  })
  const entry = { wave: 1 + Math.floor(index / 12), category: index % 2 ? 'male' : 'female', bodyMassG: 70_000 }
  await addEntry(owner, { id, occasionId, personId, bib: index + 1, attendance: 'present', note: '', ...entry })
  people.push({ entryId: id, ageYears: 27, ageCountedOn: testDate, ...entry })
}
const made = rehearseDay(standard, people, 7, startMs, null)
const repeated = made.filter(({ kind }) => kind === 'counted' || kind === 'crossed')
const captures: Capture[] = [...made]
for (let index = 0; captures.length < CAPTURES; index++) {
  const one = repeated[index % repeated.length]
  if (one) captures.push({ ...one, id: captureId(one.atMs, random.bytes(16)), atMs: one.atMs + (index % 900) })
}
await putOnRecord(owner, occasionId, accountId, captures)
const ask = await house.serve()

/** How long something takes, and how long other requests take meanwhile. */
const timed = async (what: string, work: () => Promise<Response>): Promise<void> => {
  let busy = true
  const others: number[] = []
  const asking = (async () => {
    while (busy) {
      const began = performance.now()
      await (await ask('time')).arrayBuffer()
      others.push(performance.now() - began)
      await new Promise((resolve) => setTimeout(resolve, 10))
    }
  })()
  const began = performance.now()
  const response = await work()
  const bytes = (await response.arrayBuffer()).byteLength
  const seconds = (performance.now() - began) / 1_000
  busy = false
  await asking
  others.sort((a, b) => a - b)
  const p99 = others[Math.floor(others.length * 0.99)] ?? 0
  console.log(
    `${what}: ${response.status}, ${seconds.toFixed(2)} s, ${(bytes / 1e6).toFixed(1)} MB; ` +
      `others meanwhile p99 ${p99.toFixed(0)} ms, slowest ${(others.at(-1) ?? 0).toFixed(0)} ms of ${others.length}`,
  )
}
const get = (path: string) => () => ask(`occasions/${occasionId}/${path}`)

console.log(`${captures.length} captures, ${PEOPLE} people`)
await timed('verdicts, first', get('verdicts'))
await timed('verdicts, warm', get('verdicts'))
await ask(`occasions/${occasionId}/captures`, {
  method: 'POST',
  body: JSON.stringify({
    captures: [
      {
        ...made[0],
        entryId: made[0]?.entryId ?? undefined,
        id: captureId(Date.now(), random.bytes(16)),
        atMs: Date.now(),
        kind: 'sensed',
        payload: { instrument: 'x', quantity: 'time', value: 1, resolution: 1 },
      },
    ],
  }),
})
await timed('verdicts, one capture later', get('verdicts'))
await timed('archive', get('archive'))
await timed('sign-off', () => ask(`occasions/${occasionId}/sign-off`, { method: 'POST', body: house.sign }))
await timed('proof', get('proof'))
await timed('verdicts, signed', get('verdicts'))
await house.close()
