<script setup lang="ts">
/** Devices at work on open days: when each was heard of last, what waits on it, how sure its clock is, its battery. */
import { DevicesAtWorkAnswer, type DeviceAtWork } from '@able-gauge/core'
import { useIntervalFn } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { call, inWords, NoAnswer } from '../api.ts'

const LOOK_EVERY_MS = 10_000
/** A device reports every minute; one that missed two is away. */
const AWAY_MS = 130_000
const [SURE_MS, LOW_PERCENT] = [100, 20]

const answer = shallowRef<DevicesAtWorkAnswer | null>(null)
const problem = ref('')
const look = async (): Promise<void> => {
  try {
    answer.value = await call('GET', '/devices', DevicesAtWorkAnswer)
    problem.value = ''
  } catch (error) {
    // while the network is away the last list stays
    if (!(error instanceof NoAnswer)) problem.value = inWords(error)
  }
}
onMounted(look)
useIntervalFn(look, LOOK_EVERY_MS)

const MINUTE_MS = 60_000
const devices = computed(() =>
  (answer.value?.devices ?? []).map((device) => {
    const agoMs = (answer.value?.nowMs ?? 0) - device.seenMs
    const minutes = Math.round(agoMs / MINUTE_MS)
    return { ...device, isAway: agoMs > AWAY_MS, seen: agoMs > AWAY_MS ? `away for ${minutes} min` : 'at work' }
  }),
)
const sayHeld = ({ waiting, refused }: DeviceAtWork): string =>
  [waiting > 0 ? `${waiting} to send` : '', refused > 0 ? `${refused} refused, to look at` : '']
    .filter(Boolean)
    .join(', ') || 'nothing'
const sayClock = ({ clockMs }: DeviceAtWork): string =>
  clockMs === undefined ? 'not agreed yet' : `good to ${clockMs} ms`
</script>

<template>
  <section class="sheet part devices">
    <h2>At work</h2>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-if="answer && devices.length === 0" class="quiet">
      No device has an open day in front of it. Each one that opens a day appears here.
    </p>
    <table v-else-if="devices.length > 0" class="table">
      <thead>
        <tr>
          <th scope="col">Who</th>
          <th scope="col">Day</th>
          <th scope="col">State</th>
          <th scope="col">Waits there</th>
          <th scope="col">Clock</th>
          <th scope="col">Battery</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="device in devices" :key="`${device.occasionId} ${device.deviceId}`">
          <td data-name="Who">{{ device.by }} <small class="quiet figures">{{ device.deviceId }}</small></td>
          <td data-name="Day">{{ device.day }}</td>
          <td data-name="State" :class="{ look: device.isAway }">{{ device.seen }}</td>
          <td data-name="Waits there" :class="{ look: device.waiting + device.refused > 0 }">{{ sayHeld(device) }}</td>
          <td data-name="Clock" :class="{ look: (device.clockMs ?? SURE_MS + 1) > SURE_MS }">{{ sayClock(device) }}</td>
          <td data-name="Battery" :class="{ look: (device.batteryPercent ?? 100) < LOW_PERCENT }">
            {{ device.batteryPercent === undefined ? 'not told' : `${device.batteryPercent} %` }}
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.devices {
  margin-top: 16px;
  padding: 18px 20px;
}
.table {
  margin: 0;
}
small {
  display: block;
}
.look {
  color: var(--decide);
  font-weight: 650;
}
@media (max-width: 800px) {
  thead {
    position: absolute;
    clip-path: inset(50%);
  }
  tr {
    display: block;
    border-bottom: 1px solid var(--line);
    padding: 8px 0;
  }
  td {
    display: grid;
    grid-template-columns: 110px 1fr;
    border: 0;
    padding: 2px 0;
  }
  td::before {
    content: attr(data-name);
    color: var(--ink-2);
  }
}
</style>
