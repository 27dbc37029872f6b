import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { reactive } from 'vue'
import { formFieldsOf, PROTOCOLS, SCORINGS, Standard, type FormField } from '@able-gauge/core'
import DocumentFields from './DocumentFields.vue'
import type { Plain } from './plain.ts'

const open = (owner: Plain, fields: readonly FormField[], place = '', remarks: Record<string, string> = {}) => {
  const byPlace = new Map(
    Object.entries(remarks).map(([at, what]) => [
      at,
      [{ place: at, severity: 'error' as const, what, example: '', mend: '' }],
    ]),
  )
  const document = reactive(owner)
  const form = mount(DocumentFields, { props: { owner: document, fields, place, byPlace } })
  const field = (name: string) => form.find(`[data-place="${place === '' ? name : `${place}.${name}`}"]`)
  return { form, document, field }
}

const unfold = (form: ReturnType<typeof open>['form'], name: string) =>
  form.find(`[aria-label="Add ${name}"]`).trigger('click')
const protocol = (kind: keyof typeof PROTOCOLS) => formFieldsOf(PROTOCOLS[kind])

test('numbers are typed in the unit their name ends with, and leave the document when emptied', async () => {
  const { document, field } = open(
    { durationMs: 90_000, longestPauseMs: 5_000 },
    protocol('repetitionsInTime'),
    'events[0].protocol',
  )
  expect(field('durationMs').find('input').element.value).toBe('1:30')
  await field('durationMs').find('input').setValue('2:00')
  await field('longestPauseMs').find('input').setValue('')
  expect(document).toEqual({ durationMs: 120_000 })
  await field('durationMs').find('input').setValue('two minutes')
  expect(document['durationMs']).toBe('two minutes')
})

test('texts are one to a line, flags are ticked, choices are in words', async () => {
  const { document, field } = open(
    { endsWhen: ['Leaves the bar'], startCommands: ['Go'] },
    protocol('repetitionsToFailure'),
  )
  await field('endsWhen').find('textarea').setValue('Leaves the bar\n\n  Hangs too long ')
  expect(document['endsWhen']).toEqual(['Leaves the bar', 'Hangs too long'])
  const rest = field('restAllowed').find('select')
  expect(rest.text()).toContain('up or down')
  await rest.setValue('upOrDown')
  expect(document['restAllowed']).toBe('upOrDown')
  const { form: sheet, document: run, field: runField } = open({}, protocol('timedDistance'))
  // what is not stated is folded into its name
  expect(runField('walkingAllowed').exists()).toBe(false)
  await unfold(sheet, 'walking allowed')
  expect(run['walkingAllowed']).toBe(true)
  expect(run['walkingAllowed']).toBe(true)
  await runField('walkingAllowed').find('input').setValue(false)
  // a flag that may be left out is left out again
  expect(run).not.toHaveProperty('walkingAllowed')
})

test('a part that may be left out is added and taken out; list items come and go', async () => {
  const { form, document, field } = open({ refusals: [{ id: 'depth', label: 'Depth' }] }, protocol('repetitionsInTime'))
  await unfold(form, 'restart')
  expect(document['restart']).toEqual({})
  await field('restart').findAll('button').at(-1)?.trigger('click')
  expect(document).not.toHaveProperty('restart')
  await field('refusals').findAll('button').at(-1)?.trigger('click')
  expect(document['refusals']).toHaveLength(2)
  await field('refusals').findAll('.item button')[0]?.trigger('click')
  expect(document['refusals']).toEqual([{}])
})

test('what the check says stands beside its field', () => {
  const { field } = open({ name: '' }, formFieldsOf(Standard), '', {
    name: 'expected some text, found "".',
    'ageRule.fixedDate': 'expected no date.',
  })
  expect(field('name').text()).toContain('expected some text')
  expect(field('organisation').find('.said').exists()).toBe(false)
})

test('points are typed as points and kept in hundredths', async () => {
  const fields = formFieldsOf(Standard).flatMap((one) =>
    one.name === 'events' && one.kind === 'list' ? one.fields() : [],
  )
  const { document, field } = open(
    { minimumCentipoints: 4_550 },
    fields.filter(({ name }) => name === 'minimumCentipoints'),
  )
  expect(field('minimumCentipoints').find('input').element.value).toBe('45.5')
  await field('minimumCentipoints').find('input').setValue('50')
  expect(document['minimumCentipoints']).toBe(5_000)
})

test('what is being typed stays when the check answers meanwhile', async () => {
  const { form, document, field } = open({}, protocol('repetitionsInTime'), 'events[0].protocol')
  window.document.body.append(form.element)
  const input = field('durationMs').find('input')
  input.element.focus()
  input.element.value = '1:3'
  await input.trigger('input')
  const remark = { place: 'events[0].protocol.durationMs', severity: 'error' as const, what: 'Still to be filled in.' }
  await form.setProps({ byPlace: new Map([[remark.place, [{ ...remark, example: '', mend: '' }]]]) })
  expect(form.text()).toContain('Still to be filled in.')
  expect(input.element.value).toBe('1:3')
  await input.setValue('1:30')
  expect(document['durationMs']).toBe(90_000)
  form.unmount()
})

test('only what fits is offered: a cut is never asked on the other side, a date only where one counts', async () => {
  const cut = SCORINGS.singleCut
  const form = mount(DocumentFields, {
    props: { owner: reactive({}), fields: formFieldsOf(cut), place: '', byPlace: new Map(), sense: 'atMost' },
  })
  expect(form.find('[aria-label="Add at most"]').exists()).toBe(true)
  expect(form.find('[aria-label="Add at least"]').exists()).toBe(false)
  const age = formFieldsOf(Standard).filter(({ name }) => name === 'ageRule')
  const { document, field } = open({ ageRule: { countedOn: 'testDate' } }, age)
  expect(field('ageRule').text()).not.toContain('Fixed date')
  await field('ageRule').find('select').setValue('fixedDate')
  expect(field('ageRule').text()).toContain('Fixed date')
  expect(document['ageRule']).toEqual({ countedOn: 'fixedDate' })
})

test('the sentence a setting makes stands beside it', () => {
  const { form } = open({ durationMs: 90_000 }, protocol('repetitionsInTime'))
  expect(form.find('.printed').exists()).toBe(false)
  const told = mount(DocumentFields, {
    props: {
      owner: reactive({ durationMs: 90_000 }),
      fields: protocol('repetitionsInTime'),
      place: '',
      byPlace: new Map(),
      say: (name: string) => (name === 'durationMs' ? ['As many as possible in 1:30.'] : []),
    },
  })
  expect(told.find('[data-place="durationMs"] .printed').text()).toBe('As many as possible in 1:30.')
})

test.each(Object.keys(PROTOCOLS) as (keyof typeof PROTOCOLS)[])('every setting of %s can be written', (kind) => {
  const fields = protocol(kind)
  // what the check has a word for is never folded away, nor is what does not fit beside anything else
  const remarks = Object.fromEntries(fields.map(({ name }) => [name, 'Still to be filled in.']))
  const owner = Object.fromEntries(
    fields.map(({ name, kind: of }) => [name, of === 'list' ? [{}] : of === 'object' ? {} : '']),
  )
  const { field } = open(owner, fields, '', remarks)
  const missing = fields.filter(({ name }) => !field(name).find('input, select, textarea, button').exists())
  expect(missing.map(({ name }) => name)).toEqual([])
})
