<script setup lang="ts">
/** What is handed out and kept: result sheets, the officer's group sheet, tables, the archive of the day. */
import type { Verdict } from '@able-gauge/core'
import { BButton, BFormCheckbox } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Day } from '../day/day.ts'
import { useSession } from '../session/sessionStore.ts'
import { useHandOut } from './useHandOut.ts'

const props = defineProps<{
  day: Day
  verdicts: ReadonlyMap<string, Verdict>
}>()

const session = useSession()
const { progress, problem, withCodes, saveSheets, saveGroup, saveCsv, saveXlsx, saveArchive } = useHandOut(
  () => props.day,
  () => props.verdicts,
)
const busy = computed(() => progress.value !== null)
const percent = computed(() => Math.round((progress.value ?? 0) * 100))
</script>

<template>
  <div class="cards">
    <section class="sheet part">
      <h2>For the candidates</h2>
      <p>
        A result sheet for everybody: each event with its gauge, margin and reasons, estimates with their source, what
        the next class takes, and the earliest retest.
        <strong v-if="!day.occasion.signedOff"
          >The day is not signed off: these results can still change, and say so.</strong
        >
      </p>
      <template v-if="day.occasion.signedOff && session.can('ownPages.print')">
        <BFormCheckbox v-if="session.publicAddress" v-model="withCodes" class="tick"
          >With a code that opens the candidate’s own page, a new one with each print</BFormCheckbox
        >
        <p v-else class="quiet">
          Sheets carry a code to the candidate’s own page once the house rules say where others reach this house.
        </p>
      </template>
      <BButton variant="primary" :disabled="busy" @click="saveSheets('full')">Sheets as PDF, one to a page</BButton>
      <BButton variant="quiet" :disabled="busy" @click="saveSheets('twoToAPage')">Two to a page</BButton>
    </section>
    <section class="sheet part">
      <h2>For the officer</h2>
      <p>
        The whole group on one sheet: figures, conditions, set-up, staff, holds, protests, confirmations, signature.
      </p>
      <BButton variant="quiet" :disabled="busy" @click="saveGroup">Group sheet as PDF</BButton>
    </section>
    <section class="sheet part">
      <h2>For other programs</h2>
      <p>One row a person. Figures are in the unit their heading names (ms, mm, g, count), so nothing is rounded.</p>
      <BButton variant="quiet" @click="saveCsv">CSV</BButton>
      <BButton variant="quiet" @click="saveXlsx">XLSX</BButton>
    </section>
    <section v-if="session.can('archive.save')" class="sheet part">
      <h2>For the record</h2>
      <p>
        The archive holds the whole day with its hash chain. It can be read in again, here or elsewhere, and proven with
        <code>able-gauge verify</code>. Screening answers are not in it.
      </p>
      <BButton variant="quiet" @click="saveArchive">Archive of the day</BButton>
    </section>
  </div>
  <div v-if="busy" class="sheet part" role="status">
    <label>Making the PDF … <progress :value="percent" max="100">{{ percent }} %</progress></label>
  </div>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
</template>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 16px;
  margin-bottom: 16px;
}
.btn {
  margin: 0 8px 8px 0;
}
progress {
  width: 260px;
}
</style>
