<script setup lang="ts">
/** The security log: who signed in, what was refused, who read what few may read, what was changed; newest first. */
import {
  isRefusal,
  securityEventInWords,
  SecurityEventsAnswer,
  securityFactsInWords,
  type SecurityEvent,
} from '@able-gauge/core'
import { BButton, BFormCheckbox } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { call, inWords } from '../api.ts'
import { dateAndTime } from '../ui/localTime.ts'

const events = shallowRef<readonly SecurityEvent[]>([])
const older = ref(false)
const onlyRefused = ref(false)
const problem = ref('')
const shown = computed(() => events.value.filter(({ kind }) => !onlyRefused.value || isRefusal(kind)))
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone

const readOn = async (): Promise<void> => {
  problem.value = ''
  const last = events.value.at(-1)
  try {
    const path = `/security-events${last ? `?before=${last.id}` : ''}`
    const page = await call('GET', path, SecurityEventsAnswer)
    older.value = page.more
    events.value = [...events.value, ...page.events]
  } catch (error) {
    problem.value = inWords(error)
  }
}
onMounted(readOn)
</script>

<template>
  <section class="sheet log" aria-labelledby="log">
    <div class="head">
      <h2 id="log">Security log</h2>
      <BFormCheckbox v-model="onlyRefused">Only what was refused</BFormCheckbox>
    </div>
    <p class="quiet">Only ever added to. It holds ids and codes, no answers and no passwords.</p>
    <div class="scroll" role="region" aria-labelledby="log" tabindex="0">
      <table class="table">
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">Who</th>
            <th scope="col">What</th>
            <th scope="col">Where</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="event in shown" :key="event.id" :class="{ refused: isRefusal(event.kind) }">
            <td class="figures when">{{ dateAndTime(event.atMs, zone) }}</td>
            <td>{{ event.by ?? 'nobody known' }}</td>
            <td><strong v-if="isRefusal(event.kind)">Refused: </strong>{{ securityEventInWords(event.kind) }}</td>
            <td class="facts quiet">{{ securityFactsInWords(event.detail) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="shown.length === 0 && !problem" class="quiet">Nothing of the kind in what was read so far.</p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <BButton v-if="older" variant="quiet" size="sm" @click="readOn">Older ones</BButton>
  </section>
</template>

<style scoped>
.log {
  margin-top: 16px;
  padding: 18px 20px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: baseline;
  justify-content: space-between;
}
.scroll {
  overflow: auto;
  max-height: 460px;
  margin-bottom: 10px;
}
.when {
  white-space: nowrap;
}
.facts {
  overflow-wrap: anywhere;
}
.refused td {
  background: var(--short-tint);
}
</style>
