<script setup lang="ts">
/** A published standard for everybody who has its link: what is asked, and where one stands in the tables. */
import { parseStandard, printDate, type Standard } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { onMounted, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { inWords } from '../api.ts'
import { usePdf } from '../handout/usePdf.ts'
import PlainBand from '../ui/PlainBand.vue'
import StandardDocument from './StandardDocument.vue'
import { readPublicStandard } from './standardCalls.ts'
import { standardPdf } from './standardPdf.ts'

const route = useRoute()
const standard = shallowRef<Standard | null>(null)
const lastDay = ref<string | null>(null)
const contentHash = ref('')
const problem = ref('')
const pdf = usePdf()

onMounted(async () => {
  const { standardId, version } = route.params
  try {
    const answer = await readPublicStandard(String(standardId), Number(version))
    const read = parseStandard(answer.content)
    standard.value = read.ok ? read.value : null
    lastDay.value = answer.lastDay
    contentHash.value = answer.contentHash
  } catch (error) {
    problem.value = inWords(error)
  }
})
const save = async (): Promise<void> => {
  if (!standard.value) return
  const { name, version } = standard.value
  await pdf.savePdf(`${name}, version ${version}.pdf`, standardPdf(standard.value, await pdf.markData()))
}
const print = (): void => window.print()
</script>

<template>
  <PlainBand class="no-print" />
  <main class="room">
    <p v-if="problem" class="problem" role="alert">
      {{ problem }} The house may show no standards, or this one is called otherwise. Ask your testing office.
    </p>
    <template v-if="standard">
      <div class="tools no-print">
        <p v-if="lastDay" class="decide">In force until {{ printDate(lastDay) }}.</p>
        <p v-else class="quiet">Written out for everybody. The office that tests you has the last word.</p>
        <BButton variant="quiet" @click="print">Print</BButton>
        <BButton variant="quiet" :disabled="pdf.progress.value !== null" @click="save">Save as PDF</BButton>
      </div>
      <p v-if="pdf.problem.value" class="problem" role="alert">{{ pdf.problem.value }}</p>
      <StandardDocument :standard="standard" />
      <p class="quiet hash">Content hash <span class="figures">{{ contentHash }}</span></p>
    </template>
  </main>
</template>

<style scoped>
.room {
  max-width: 960px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-bottom: 12px;
}
.tools p {
  margin: 0 auto 0 0;
}
.hash {
  font-size: 0.8125rem;
  overflow-wrap: anywhere;
  margin: 10px 4px;
}
</style>
