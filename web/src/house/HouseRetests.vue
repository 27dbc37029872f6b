<script setup lang="ts">
/** Whom the house calls for a test: yearly, every eight weeks, before a course. */
import { PERIODS, VersionsAnswer, type Period } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, onMounted, ref } from 'vue'
import { call, inWords } from '../api.ts'
import { useSession } from '../session/sessionStore.ts'
import DateField from '../ui/DateField.vue'
import UnitSelect from '../ui/UnitSelect.vue'
import type { RetestDraft } from './retestDraft.ts'

const retests = defineModel<RetestDraft[]>({ required: true })
const session = useSession()
const names = ref<ReadonlyMap<string, string>>(new Map())
const problem = ref('')
onMounted(async () => {
  if (!session.can('standards.read')) return
  try {
    const { versions } = await call('GET', '/standards', VersionsAnswer)
    names.value = new Map(versions.filter(({ state }) => state !== 'draft').map(({ id, name }) => [id, name]))
  } catch (error) {
    problem.value = inWords(error)
  }
})
const standards = computed(() => {
  // what is asked of a standard that cannot be read stays
  const others = retests.value.map(({ standardId }) => standardId).filter((id) => id !== '' && !names.value.has(id))
  return [...names.value, ...others.map((id) => [id, id] as const)].map(([value, text]) => ({ value, text }))
})
const WORDS: Readonly<Record<Period, string>> = { days: 'days', weeks: 'weeks', months: 'months', years: 'years' }
const periods = PERIODS.map((value) => ({ value, text: WORDS[value] }))
const add = (): void => {
  retests.value.push({
    name: '',
    standardId: standards.value[0]?.value ?? '',
    unitId: '',
    count: 1,
    of: 'years',
    before: '',
  })
}
</script>

<template>
  <div v-for="(retest, index) in retests" :key="index" class="retest">
    <div class="line">
      <BFormInput
        v-model="retest.name"
        maxlength="80"
        required
        placeholder="What it is called"
        aria-label="Name of the call"
      />
      <BFormSelect v-model="retest.standardId" class="standard" :options="standards" required aria-label="Standard" />
      <BButton
        type="button"
        variant="quiet"
        size="sm"
        :aria-label="`Remove ${retest.name || 'the call'}`"
        @click="retests.splice(index, 1)"
        >Remove</BButton
      >
    </div>
    <div class="line">
      <label class="short"
        >every
        <BFormInput v-model.number="retest.count" class="figures" type="number" min="1" max="1200" />
        <BFormSelect v-model="retest.of" :options="periods" aria-label="Period" />
      </label>
      <label class="short"
        >or met before
        <DateField v-model="retest.before" aria-label="Met before" />
      </label>
      <UnitSelect :id="`retest-unit-${index}`" v-model="retest.unitId" class="unit" label="Whom" none="everybody" />
    </div>
  </div>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  <BButton type="button" variant="quiet" size="sm" @click="add">Another call</BButton>
  <p class="quiet small">
    With a date the test has to be met before it, and no longer ago than the time given. Without one it is due so long
    after the last one that was met. Who is due stands in
    <RouterLink :to="{ name: 'insight', params: { view: 'due' } }">Insight</RouterLink>.
  </p>
</template>

<style scoped src="./houseLines.css"></style>
<style scoped>
.retest {
  border-bottom: 1px solid var(--line);
  padding: 4px 0 8px;
}
.standard {
  width: auto;
}
.unit {
  display: flex;
  align-items: center;
  gap: 8px;
}
.unit :deep(.form-label) {
  margin: 0;
}
.small {
  font-size: 0.8125rem;
  margin: 8px 0 0;
}
</style>
