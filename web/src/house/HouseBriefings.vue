<script setup lang="ts">
/** Briefings for days under one standard, in place of what everybody hears. */
import { VersionsAnswer } from '@able-gauge/core'
import { BButton, BFormSelect, BFormTextarea } from 'bootstrap-vue-next'
import { computed, onMounted, ref } from 'vue'
import { call, inWords } from '../api.ts'
import { useSession } from '../session/sessionStore.ts'

const props = defineProps<{
  /** What everybody hears: what another one begins with. */
  first: string
}>()
const briefings = defineModel<{ standardId: string; lines: string }[]>({ required: true })

const session = useSession()
const names = ref<ReadonlyMap<string, string>>(new Map())
const problem = ref('')
onMounted(async () => {
  if (!session.can('standards.read')) return
  try {
    const { versions } = await call('GET', '/standards', VersionsAnswer)
    names.value = new Map(versions.map(({ id, name }) => [id, name]))
  } catch (error) {
    problem.value = inWords(error)
  }
})
const nameOf = (id: string): string => names.value.get(id) ?? id
const free = computed(() => [
  { value: '', text: 'Another briefing, for days under …' },
  ...[...names.value]
    .filter(([id]) => !briefings.value.some(({ standardId }) => standardId === id))
    .map(([value, text]) => ({ value, text })),
])
const chosen = ref('')
const add = (standardId: string): void => {
  if (standardId !== '') briefings.value.push({ standardId, lines: props.first })
  chosen.value = ''
}
</script>

<template>
  <div v-for="(one, index) in briefings" :key="one.standardId" class="one">
    <h3>
      Days under {{ nameOf(one.standardId) }}
      <BButton
        type="button"
        variant="quiet"
        size="sm"
        :aria-label="`Remove the briefing for ${nameOf(one.standardId)}`"
        @click="briefings.splice(index, 1)"
        >Remove</BButton
      >
    </h3>
    <BFormTextarea
      v-model="one.lines"
      rows="6"
      required
      :aria-label="`Briefing for days under ${nameOf(one.standardId)}`"
    />
  </div>
  <BFormSelect
    v-if="free.length > 1"
    v-model="chosen"
    class="another"
    aria-label="Another briefing, for days under a standard"
    :options="free"
    @update:model-value="(id) => add(String(id ?? ''))"
  />
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
</template>

<style scoped>
.one {
  margin-top: 14px;
}
h3 {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  font-size: 1rem;
}
.another {
  max-width: 420px;
  margin-top: 12px;
}
</style>
