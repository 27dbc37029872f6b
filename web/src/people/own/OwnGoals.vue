<script setup lang="ts">
/** Goals somebody sets themselves, event by event: how far off, and what it takes a week. */
import {
  goalPace,
  parseField,
  printAmount,
  printDate,
  printField,
  printQuantity,
  type OwnGoal,
  type OwnPageKey,
} from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import { tell } from '../../api.ts'
import DateField from '../../ui/DateField.vue'
import { today } from '../../ui/localTime.ts'
import { useAsking } from '../../ui/useAsking.ts'
import type { PersonLine } from '../personLines.ts'

const props = defineProps<{
  standardId: string
  /** Of this standard, in the form it stands. */
  lines: readonly PersonLine[]
  goals: readonly OwnGoal[]
  opener: OwnPageKey
}>()
const emit = defineEmits<{ changed: [] }>()

const { busy, problem, asking } = useAsking()
const form = reactive({ eventId: props.lines[0]?.eventId ?? '', figure: '', byDate: '' })
const unreadable = ref('')
const lineOf = (eventId: string): PersonLine | undefined => props.lines.find((line) => line.eventId === eventId)
const chosen = computed(() => lineOf(form.eventId))
const hint = computed(() => {
  const last = chosen.value?.points.at(-1)
  return chosen.value && last ? `now ${printQuantity(last.value, chosen.value.unit)}` : ''
})

const shown = computed(() =>
  props.goals.flatMap((goal) => {
    const line = goal.standardId === props.standardId ? lineOf(goal.eventId) : undefined
    const last = line?.points.at(-1)
    if (!line || !last) return []
    const sense = line.points.find(({ cut }) => cut)?.cut?.sense ?? 'atLeast'
    const { missing, days, perWeek } = goalPace(last.value, sense, goal, today())
    const better = sense === 'atMost' ? 'off' : 'more'
    const says =
      missing <= 0
        ? 'Reached.'
        : perWeek === null
          ? `${printAmount(missing, line.unit)} ${better} were missing on the day.`
          : `${printAmount(missing, line.unit)} ${better} in ${days} ${days === 1 ? 'day' : 'days'}: ${printAmount(perWeek, line.unit)} a week.`
    return [{ goal, name: line.name, figure: printQuantity(goal.value, line.unit), says }]
  }),
)

const set = async (): Promise<void> => {
  const line = chosen.value
  if (!line) return
  unreadable.value = ''
  const read = parseField(form.figure, { unit: line.unit })
  if (!read.ok) {
    unreadable.value = read.reason
    return
  }
  await asking(async () => {
    const goal = { standardId: props.standardId, eventId: form.eventId, value: read.value, byDate: form.byDate }
    await tell('POST', '/session/own/goals', { key: props.opener, goal })
    form.figure = ''
    emit('changed')
  })
}
const change = (goal: OwnGoal): void => {
  const line = lineOf(goal.eventId)
  if (!line) return
  Object.assign(form, {
    eventId: goal.eventId,
    byDate: goal.byDate,
    figure: printField(goal.value, { unit: line.unit }),
  })
}
const end = ({ standardId, eventId }: OwnGoal): Promise<void> =>
  asking(async () => {
    await tell('POST', '/session/own/goals/end', { key: props.opener, standardId, eventId })
    emit('changed')
  })
</script>

<template>
  <section class="sheet part" aria-labelledby="goals-title">
    <h2 id="goals-title">Your goals</h2>
    <p v-for="{ goal, name, figure, says } in shown" :key="goal.eventId" class="goal">
      <span><strong>{{ name }}: {{ figure }}</strong> by {{ printDate(goal.byDate) }}. {{ says }}</span>
      <span class="deeds">
        <BButton variant="quiet" size="sm" @click="change(goal)">Change</BButton>
        <BButton variant="quiet" size="sm" :disabled="busy" @click="end(goal)">Take it away</BButton>
      </span>
    </p>
    <form @submit.prevent="set">
      <label
        >Event
        <BFormSelect
          v-model="form.eventId"
          :options="lines.map(({ eventId, name }) => ({ value: eventId, text: name }))"
      /></label>
      <label
        >Figure <BFormInput v-model="form.figure" class="figures" :placeholder="hint" required maxlength="20"
      /></label>
      <label>By <DateField v-model="form.byDate" required /></label>
      <BButton variant="quiet" type="submit" :disabled="busy || form.byDate === ''">Set the goal</BButton>
    </form>
    <p class="quiet">Only you and the testing office see it. Small steps last; rest when something hurts.</p>
    <p v-if="unreadable || problem" class="problem" role="alert">{{ unreadable || problem }}</p>
  </section>
</template>

<style scoped>
.part {
  margin-bottom: 16px;
}
.goal {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 8px;
  align-items: center;
}
.deeds {
  display: flex;
  gap: 6px;
}
form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px 14px;
  align-items: end;
  margin-bottom: 10px;
}
</style>
