/** A first look at the demo: eight places, a sentence or two at each. It points, and never stands in the way. */
import type { Action } from '@able-gauge/core'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { RouteLocationRaw } from 'vue-router'

export interface LookStep {
  readonly title: string
  readonly text: string
  /** What is pointed at. */
  readonly at: string
  readonly to: (dayId: string) => RouteLocationRaw
  readonly action: Action
}

const inDay =
  (name: string, query: Record<string, string> = {}) =>
  (dayId: string): RouteLocationRaw => ({
    name,
    params: { dayId },
    query,
  })

export const LOOK_STEPS: readonly LookStep[] = [
  {
    title: 'Days',
    text: 'Each of these is half done and opens where it stands. Signed days keep what was signed.',
    at: 'main a.day',
    to: () => ({ name: 'days' }),
    action: 'days.list',
  },
  {
    title: 'One day, left to right',
    text: 'Plan, muster, run, verdicts, sign-off: the tape fills as the day is done, and the yellow stage is where you are.',
    at: 'nav.tape',
    to: inDay('run'),
    action: 'day.read',
  },
  {
    title: 'Run',
    text: 'Every event has a console of its own, for one hand, in rain, with a network or without. The rules that are printed are kept: a pause too long ends it, a rest is timed.',
    at: 'ol.events > li',
    to: inDay('run'),
    action: 'day.read',
  },
  {
    title: 'Plan',
    text: 'Waves and turns are worked out, the day is played five hundred times, and you see who waits and what would help.',
    at: 'main .sheet',
    to: inDay('plan', { part: 'timetable' }),
    action: 'day.read',
  },
  {
    title: 'Verdicts',
    text: 'Each figure stands on its gauge against the cut. A touch opens why: readings, rounding, band, row and margin.',
    at: 'tr[data-bib] td:nth-child(3)',
    to: inDay('verdicts'),
    action: 'verdicts.read',
  },
  {
    title: 'Sign-off',
    text: 'The officer signs once. From then on every change is an amendment, with a name and a reason, and an archive proves that nothing was altered.',
    at: 'main .sheet',
    to: inDay('signOff'),
    action: 'verdicts.read',
  },
  {
    title: 'Insight',
    text: 'Years of signed days say who is due, what decides, and whether graders refuse alike, or that the figures are too small to say.',
    at: 'main section',
    to: () => ({ name: 'insight' }),
    action: 'insight.read',
  },
  {
    title: 'Practice',
    text: 'Graders train their eye on people who were never there. That was the house; all of it is made up, so try anything.',
    at: 'main .choose',
    to: () => ({ name: 'practice' }),
    action: 'practise',
  },
]

export const useFirstLook = defineStore('firstLook', () => {
  /** Whether somebody looked, or did not want to, on this device. */
  const isDone = useLocalStorage('able-gauge-first-look', false)
  const dayId = ref('')
  const steps = ref<readonly LookStep[]>([])
  const at = ref(-1)
  const step = computed((): LookStep | undefined => steps.value[at.value])

  /** @param day a day that is open @param may what whoever looks may do */
  const begin = (day: string, may: (action: Action) => boolean): void => {
    dayId.value = day
    steps.value = LOOK_STEPS.filter(({ action }) => may(action))
    at.value = 0
  }
  const go = (by: 1 | -1): void => {
    at.value = Math.max(0, at.value + by)
    if (at.value >= steps.value.length) leave()
  }
  const leave = (): void => {
    at.value = -1
    isDone.value = true
  }
  return { isDone, dayId, steps, at, step, begin, go, leave }
})
