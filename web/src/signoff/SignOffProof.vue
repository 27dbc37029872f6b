<script setup lang="ts">
/** What the signature proves: by which key, over which record, and whether what is stored is still what was signed. */
import type { Proof } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref } from 'vue'
import { call, inWords, NoAnswer } from '../api.ts'
import type { Day } from '../day/day.ts'
import { saveFile } from '../ui/saveFile.ts'

const props = defineProps<{
  day: Day
}>()

interface ProofAnswer {
  readonly proof: Proof
  readonly intact: boolean
  readonly places: readonly string[]
}

const answer = ref<ProofAnswer | null>(null)
const problem = ref('')
onMounted(async () => {
  try {
    answer.value = await call<ProofAnswer>('GET', `/occasions/${props.day.occasion.id}/proof`)
  } catch (error) {
    if (!(error instanceof NoAnswer)) problem.value = inWords(error)
  }
})

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

const saveKey = async (): Promise<void> => {
  const { own } = await call<{ own: { pem: string; fingerprint: string } }>('GET', '/keys')
  saveFile(`able-gauge-key-${own.fingerprint}.pem`, 'application/x-pem-file', own.pem)
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
    <p v-if="answer && !answer.intact" class="problem" role="alert">
      What is stored is not what was signed: {{ answer.places.join(', ') }}. Whoever looks after the database has to be
      asked; the archive saved at the signature still proves what was signed.
    </p>
    <p v-else-if="answer">◆ What is stored is what was signed. {{ words }}</p>
    <p v-else-if="!problem" class="quiet">Comparing with what was signed …</p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p class="quiet">
      Both stand on every signed sheet, so that somebody who only holds paper can compare. An archive is proven with
      <code>able-gauge verify</code> and the key.
    </p>
    <BButton variant="quiet" size="sm" @click="saveKey">Save the public key</BButton>
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
