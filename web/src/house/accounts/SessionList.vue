<script setup lang="ts">
/** Where an account is signed in. */
import type { OpenSession } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { dateAndTime } from '../../ui/localTime.ts'
import { deviceName } from './deviceName.ts'

defineProps<{
  sessions: readonly OpenSession[]
  /** Whether single ones can be ended from here. */
  mayEnd: boolean
}>()
const emit = defineEmits<{ end: [sessionId: string] }>()
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
</script>

<template>
  <ul class="sessions">
    <li v-for="session in sessions" :key="session.id">
      <span>
        <strong>{{ deviceName(session.device) }}</strong>
        <small class="quiet"
          >since {{ dateAndTime(session.sinceMs, zone) }}, last used {{ dateAndTime(session.usedMs, zone) }}</small
        >
      </span>
      <span v-if="session.isThis" class="quiet">this device</span>
      <BButton v-else-if="mayEnd" variant="quiet" size="sm" @click="emit('end', session.id)">Sign out there</BButton>
    </li>
    <li v-if="sessions.length === 0" class="quiet">Signed in nowhere.</li>
  </ul>
</template>

<style scoped>
.sessions {
  list-style: none;
  margin: 0;
  padding: 0;
}
.sessions li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
.sessions small {
  display: block;
}
</style>
