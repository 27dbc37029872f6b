<script setup lang="ts">
/** Everybody who is still expected told at once to come later, or not at all: when the briefing begins, and when the first event does. */
import { AttendanceAnswer } from '@able-gauge/core'
import { BButton, BFormCheckbox, BModal } from 'bootstrap-vue-next'
import { computed, reactive, watch } from 'vue'
import { call } from '../api.ts'
import { byBib, fullName, type Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import AfterPaint from '../ui/AfterPaint.vue'
import { useDone } from '../ui/done.ts'
import { people } from '../ui/people.ts'
import { useAsking } from '../ui/useAsking.ts'

const props = defineProps<{ day: Day }>()
const open = defineModel<boolean>({ required: true })

const store = useDay()
const done = useDone()
const { busy, problem, asking } = useAsking()
const missing = computed(() =>
  [...props.day.entries].filter(({ attendance }) => attendance === 'expected' || attendance === 'late').sort(byBib),
)
/** Whom it is said of; somebody who arrives meanwhile is no longer among them. */
const chosen = reactive(new Set<string>())
watch(open, (is) => {
  chosen.clear()
  if (is) for (const { id } of missing.value) chosen.add(id)
})
const count = computed(() => missing.value.filter(({ id }) => chosen.has(id)).length)
const turn = (id: string): void => {
  if (!chosen.delete(id)) chosen.add(id)
}
const say = (attendance: 'late' | 'absent'): Promise<void> =>
  asking(async () => {
    const { id } = props.day.occasion
    const entryIds = missing.value.filter((entry) => chosen.has(entry.id)).map((entry) => entry.id)
    await call('POST', `/occasions/${id}/attendance`, AttendanceAnswer, { entryIds, attendance })
    await store.reread(id)
    open.value = false
    done.tell(`${people(entryIds.length)} put down as ${attendance === 'late' ? 'coming later' : 'absent'}.`)
  })
</script>

<template>
  <BModal v-model="open" title="Who is not here" no-footer lazy>
    <p v-if="missing.length === 0">Nobody is missing.</p>
    <AfterPaint v-else>
      <ul>
        <li v-for="entry in missing" :key="entry.id">
          <BFormCheckbox class="tick" :model-value="chosen.has(entry.id)" @update:model-value="turn(entry.id)">
            <strong class="figures">{{ entry.bib ?? '–' }}</strong> {{ fullName(entry) }}
            <small v-if="entry.attendance === 'late'" class="quiet">said to come later</small></BFormCheckbox
          >
        </li>
      </ul>
    </AfterPaint>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="deeds">
      <BButton variant="quiet" :disabled="busy || count === 0" @click="say('late')">{{
        count === 1 ? 'This one comes later' : `${count} come later`
      }}</BButton>
      <BButton variant="primary" :disabled="busy || count === 0" @click="say('absent')">{{
        count === 1 ? 'This one is absent' : `${count} are absent`
      }}</BButton>
    </div>
  </BModal>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 50vh;
  overflow: auto;
}
.deeds {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
  margin-top: 14px;
}
</style>
