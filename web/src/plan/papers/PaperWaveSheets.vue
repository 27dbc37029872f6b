<script setup lang="ts">
/** Strike-off sheets for whoever counts a wave: laps by person, or shuttles by level. */
import { waveSheet } from '@able-gauge/core'
import { computed } from 'vue'
import { byBib, fullName, wavesOf, type Day } from '../../day/day.ts'

const props = defineProps<{
  day: Day
}>()

const sheets = computed(() =>
  props.day.standard.events.flatMap((event) => {
    const sheet = waveSheet(event)
    return sheet ? wavesOf(props.day).map((wave) => ({ event, wave, sheet })) : []
  }),
)
const inWave = (wave: number) => props.day.entries.filter((entry) => entry.wave === wave).sort(byBib)
</script>

<template>
  <p v-if="sheets.length === 0">No event of this standard is started by a whole wave.</p>
  <section v-for="{ event, wave, sheet } in sheets" :key="`${event.id} ${wave}`">
    <h2>{{ event.name }}, wave {{ wave }}</h2>
    <p>Started at ____ : ____ : ____ by watch ______ Counted by ________________</p>
    <table v-if="sheet.kind === 'laps'" class="table strike">
      <thead>
        <tr>
          <th scope="col">Bib</th>
          <th scope="col">Name</th>
          <th :colspan="sheet.laps" scope="colgroup">Strike each of the {{ sheet.what }}</th>
          <th scope="col">Time</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="entry in inWave(wave)" :key="entry.id">
          <td class="figures">{{ entry.bib ?? '–' }}</td>
          <td>{{ fullName(entry) }}</td>
          <td v-for="lap in sheet.laps" :key="lap" class="figures number">{{ lap }}</td>
          <td class="blank"></td>
        </tr>
      </tbody>
    </table>
    <template v-else>
      <p>Strike each shuttle as it is run. Who stops is written behind the last one they completed.</p>
      <table class="table strike">
        <thead>
          <tr>
            <th scope="col">Level</th>
            <th scope="col">Shuttles</th>
            <th scope="col">Bibs that stopped in it, with the shuttle</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(shuttles, at) in sheet.shuttles" :key="at">
            <td class="figures">{{ at + 1 }}</td>
            <td class="figures shuttles">
              <span v-for="shuttle in shuttles" :key="shuttle">{{ shuttle }}</span>
            </td>
            <td class="blank"></td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>

<style scoped>
section {
  break-inside: avoid;
  margin-bottom: 20px;
}
h2 {
  font-size: 1.0625rem;
}
.strike td {
  border: 1px solid var(--line-2);
}
.number {
  text-align: center;
  min-width: 28px;
}
.shuttles span {
  display: inline-block;
  width: 28px;
}
.blank {
  min-width: 120px;
}
</style>
