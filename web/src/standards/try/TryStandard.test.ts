import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { KIND_CASES, plainEvent, plainStandard, soundStandard, standardNamed } from '@able-gauge/core/testing'
import type { Standard } from '@able-gauge/core'
import TryStandard from './TryStandard.vue'

const open = (standard: Standard) => {
  const room = mount(TryStandard, { props: { standard } })
  const type = (label: string, text: string) => room.find(`[aria-label="${label}"]`).setValue(text)
  const press = async (word: string) => {
    await room
      .findAll('button')
      .find((button) => button.text() === word)
      ?.trigger('click')
  }
  return { room, type, press }
}

test('marks and verdict follow what is typed, and what cannot be read is told', async () => {
  const { room, type } = open(standardNamed('v3'))
  await type('Press-ups, Repetitions', '24')
  await type('Run 2,000 m, Time', '9:30')
  expect(room.find('aside').text()).toContain('Every event is met.')
  await type('Press-ups, Repetitions', '23')
  expect(room.find('aside').text()).toContain('Short in: Press-ups.')
  await type('Press-ups, Repetitions', 'many')
  expect(room.text()).toContain('"many" is not a whole number.')
  expect(room.find('aside').text()).toContain('Nothing short so far, 1 event to go.')
})

test('the reasons of one event are shown when they are asked for', async () => {
  const { room, type, press } = open(standardNamed('v2'))
  await type('Run 2,000 m, Time', '9:15')
  await room
    .findAll('button')
    .filter((button) => button.text() === 'Why')[1]
    ?.trigger('click')
  expect(room.find('aside').text()).toContain('Rounded up to the whole second')
  await press('Whole verdict')
  expect(room.find('aside').text()).toContain('Choose an event to see its steps.')
})

test('what must be reached is the cut of the person, with even laps', async () => {
  const { room, press } = open(standardNamed('v2'))
  await room.find('#try-age').setValue('33')
  await room.find('#try-category').setValue('male')
  await press('What must I reach?')
  expect(room.text()).toContain('at most 9:40')
  expect(room.text()).toContain('Even laps that meet it')
  await room.find('#try-age').setValue('old')
  expect(room.text()).toContain('An age from 0 to 120.')
})

test('a chain is divided into sets at a pace of one’s own, or told to be too slow', async () => {
  const chain = KIND_CASES.find(({ kind }) => kind === 'workChain')
  if (!chain) throw new Error('No case of kind workChain.')
  const scoring = { kind: 'singleCut', unit: 'ms', atMost: 420_000 }
  const { room, press } = open(soundStandard(plainStandard([plainEvent(chain, scoring)])))
  await press('What must I reach?')
  // 800 m at 0:30 per 100 m are 4:00, 40 at 2 s are 1:20; four sets of ten share 1:40 in three pauses
  expect(room.text()).toContain('in sets of 10, 10, 10, 10, 0:33 between them')
  await room.findAll('.pace input')[0]?.setValue('1:00')
  expect(room.text()).toContain('At this pace the work alone takes 2:20 too long.')
})

test('an estimate says that it decides nothing, and by which formula it was made', async () => {
  const run = KIND_CASES.find(({ kind }) => kind === 'distanceInTime')
  if (!run) throw new Error('No case of kind distanceInTime.')
  const { room, type, press } = open(
    soundStandard(plainStandard([plainEvent(run, { kind: 'effort' })], { combination: { kind: 'tookPart' } })),
  )
  await type('Event, Distance', '2400')
  await press('Why')
  expect(room.find('aside').text()).toContain('Aerobic capacity: about 42.4 ml/kg/min')
  expect(room.find('aside').text()).toContain('An estimate; it decides nothing. (d − 504.9) / 44.73, Cooper 1968.')
})
