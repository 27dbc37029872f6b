<script setup lang="ts">
/** What the signature proves: by which key, over which record, and whether what is stored is still what was signed. */
import { KeysAnswer, type Outcome } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { call, inWords } from '../api.ts'
import { eventName, fullName, type Day } from '../day/day.ts'
import { useDayProof } from '../day/dayProof.ts'
import { chipOf } from '../ui/verdictWords.ts'
import { saveFile } from '../ui/saveFile.ts'

const props = defineProps<{
  day: Day
}>()

const comparison = useDayProof()
const answer = computed(() => comparison.answer)
const problem = ref('')
watch(
  () => props.day,
  (day) => void comparison.compare(day),
  { immediate: true },
)

const words = computed(() => {
  switch (answer.value?.proof.kind) {
    case 'signed':
      return 'Proven: signed by a key that is known here.'
    case 'unknownKey':
      return 'Not proven: signed by a key that nobody here has vouched for.'
    case 'noKey':
      return 'Not proven: signed before this office had a key.'
    default:
      return ''
  }
})

const word = (outcome: Outcome): string => chipOf({ outcome, settled: true }).word
const differences = computed(() =>
  (answer.value?.differences ?? []).map(({ entryId, signed, today, eventIds }) => {
    const entry = props.day.entries.find(({ id }) => id === entryId)
    const where = eventIds.length > 0 ? `, in ${eventIds.map((id) => eventName(props.day, id)).join(', ')}` : ''
    const what = signed === today ? word(signed) : `${word(signed)}, today ${word(today)}`
    return `${entry ? `${entry.bib ?? '–'} ${fullName(entry)}` : entryId}: ${what}${where}.`
  }),
)

const saveKey = async (): Promise<void> => {
  problem.value = ''
  try {
    const { own } = await call('GET', '/keys', KeysAnswer)
    saveFile(`able-gauge-key-${own.fingerprint}.pem`, 'application/x-pem-file', own.pem)
  } catch (error) {
    problem.value = inWords(error)
  }
}
</script>

<template>
  <div role="group" aria-labelledby="proof" class="proof">
    <h2 id="proof">The record proves itself</h2>
    <dl>
      <dt>Record</dt>
      <dd class="figures">{{ day.signature?.head }}</dd>
      <template v-if="day.signature?.key">
        <dt>Key</dt>
        <dd class="figures">{{ day.signature.key }}</dd>
      </template>
    </dl>
    <p v-if="answer && !answer.intact" class="problem">
      What is stored is not what was signed: {{ answer.places.join(', ') }}. Whoever looks after the database has to be
      asked.
    </p>
    <p v-else-if="answer">◆ What is stored is what was signed. {{ words }}</p>
    <p v-else-if="comparison.problem" class="problem" role="alert">{{ comparison.problem }}</p>
    <p v-else class="quiet">Comparing with what was signed …</p>
    <template v-if="differences.length > 0">
      <p>
        <strong>Signed under an earlier judge.</strong> The one of today would give
        {{ differences.length === 1 ? 'one verdict' : `${differences.length} verdicts` }} otherwise. What was signed
        stands until an officer amends it.
      </p>
      <ul>
        <li v-for="line in differences" :key="line">{{ line }}</li>
      </ul>
    </template>
    <p class="quiet">
      Both stand on every signed sheet, so that somebody who only holds paper can compare. An archive is proven with
      <code>able-gauge verify</code> and the key.
    </p>
    <BButton variant="quiet" size="sm" @click="saveKey">Save the public key</BButton>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
/* a group inside the sheet of the signature */
.proof {
  margin: 14px 0;
  padding: 12px 0;
  border-block: 1px solid var(--line);
}
p {
  margin: 6px 0;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 14px;
  margin: 6px 0;
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
</style>
