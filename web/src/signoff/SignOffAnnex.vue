<script setup lang="ts">
/** What arrived after the signature: grounds for an amendment, perhaps, and no part of what was signed. */
import { AnnexAnswer, type AnnexedCapture } from '@able-gauge/core'
import { onMounted, ref } from 'vue'
import { call, inWords } from '../api.ts'
import { eventName, fullName, type Day } from '../day/day.ts'
import { dateAndTime, timeOfDay } from '../ui/localTime.ts'
import { sayCapture } from '../ui/sayCapture.ts'

const props = defineProps<{
  day: Day
}>()

const late = ref<readonly AnnexedCapture[]>([])
const problem = ref('')
onMounted(async () => {
  try {
    late.value = (await call('GET', `/occasions/${props.day.occasion.id}/annex`, AnnexAnswer)).captures
  } catch (error) {
    problem.value = `What arrived after the signature could not be asked for. ${inWords(error)}`
  }
})
const whose = (entryId: string | null): string => {
  const entry = props.day.entries.find(({ id }) => id === entryId)
  return entry ? `bib ${entry.bib ?? 'none'}, ${fullName(entry)}` : 'nobody named'
}
</script>

<template>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  <section v-if="late.length > 0" class="sheet annex">
    <h2>Arrived after the signature</h2>
    <p class="quiet">
      {{ late.length === 1 ? 'One capture' : `${late.length} captures` }} came from a device that could not send before.
      Nothing signed has changed. Where one of them should, amend the mark, and give this as the reason.
    </p>
    <ul>
      <li v-for="one in late" :key="one.id">
        <strong>{{ eventName(day, one.eventId) }}, {{ whose(one.entryId) }}</strong>
        <span
          >{{ sayCapture(one) }} at {{ timeOfDay(one.atMs, day.occasion.zone) }} by {{ one.actor
          }}<small class="quiet">, arrived {{ dateAndTime(one.receivedMs, day.occasion.zone) }}</small></span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.annex {
  max-width: 700px;
  padding: 18px 20px;
  margin-top: 16px;
}
ul {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}
li {
  display: grid;
  padding: 7px 0;
  border-top: 1px solid var(--line);
}
</style>
