import { expect, test } from 'vitest'
import { effectScope, nextTick, reactive } from 'vue'
import { useSteps } from './useSteps.ts'
import type { Plain } from './plain.ts'

const open = (document: Plain) => {
  const draft = reactive(document)
  const steps = effectScope().run(() => useSteps(draft))
  if (!steps) throw new Error('The scope has ended.')
  return { draft, steps }
}

test('each step goes back and comes again, as far as there are any', async () => {
  const { draft, steps } = open({ name: 'Watch' })
  expect(steps.canUndo.value).toBe(false)
  draft['name'] = 'Harbour'
  await nextTick()
  steps.settle()
  draft['source'] = 'Order 12.'
  await nextTick()
  expect(steps.canUndo.value).toBe(true)
  steps.undo()
  expect(draft).toEqual({ name: 'Harbour' })
  steps.undo()
  expect(draft).toEqual({ name: 'Watch' })
  expect(steps.canUndo.value).toBe(false)
  steps.redo()
  steps.redo()
  expect(draft).toEqual({ name: 'Harbour', source: 'Order 12.' })
  expect(steps.canRedo.value).toBe(false)
  expect(steps.restored.value).toBe(4)
})

test('what is typed after a step back takes the place of what came after it', async () => {
  const { draft, steps } = open({ name: 'A' })
  draft['name'] = 'B'
  await nextTick()
  steps.undo()
  draft['name'] = 'C'
  await nextTick()
  steps.settle()
  expect(steps.canRedo.value).toBe(false)
  steps.undo()
  expect(draft).toEqual({ name: 'A' })
})
