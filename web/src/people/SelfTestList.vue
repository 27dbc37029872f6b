<script setup lang="ts">
/** Self-tests as they were logged, newest first; what was put right stays, struck through. */
import { printDate, printQuantity, type PersonSelfTest } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, onBeforeUnmount, ref } from 'vue'
import { inWords } from '../api.ts'
import { wordFor } from '../ui/verdictWords.ts'

const props = defineProps<{
  tests: readonly PersonSelfTest[]
  /** Fetches the picture of one. */
  picture: (testId: string) => Promise<Uint8Array<ArrayBuffer>>
  mayCorrect: boolean
}>()
const emit = defineEmits<{ correct: [test: PersonSelfTest] }>()

const replaced = computed(() => new Set(props.tests.flatMap(({ replaces }) => replaces ?? [])))
const rows = computed(() => [...props.tests].reverse())
const figures = ({ read, variantId }: PersonSelfTest): string => {
  const said = read.map(({ label, value, unit }) =>
    read.length === 1 ? printQuantity(value, unit) : `${label} ${printQuantity(value, unit)}`,
  )
  return [...said, ...(variantId === undefined ? [] : [variantId.replaceAll('-', ' ')])].join(', ')
}

/** The picture that is shown, by the test it belongs to. */
const shown = ref<{ id: string; address: string } | null>(null)
const problem = ref('')
const hide = (): void => {
  if (shown.value) URL.revokeObjectURL(shown.value.address)
  shown.value = null
}
const show = async (id: string): Promise<void> => {
  const isOpen = shown.value?.id === id
  hide()
  if (isOpen) return
  problem.value = ''
  try {
    const bytes = await props.picture(id)
    shown.value = { id, address: URL.createObjectURL(new Blob([bytes], { type: 'image/jpeg' })) }
  } catch (error) {
    problem.value = inWords(error)
  }
}
onBeforeUnmount(hide)
</script>

<template>
  <ul class="tests">
    <li v-for="test in rows" :key="test.id" :class="{ replaced: replaced.has(test.id) }">
      <span class="when">{{ printDate(test.testDate) }}</span>
      <span class="what"
        >{{ test.eventName }}: <strong class="figures">{{ figures(test) }}</strong>
        <small class="quiet">
          {{ replaced.has(test.id) ? 'put right later' : test.mark ? wordFor(test.mark) : 'not judged' }}.
          {{ test.witness ? `Witnessed by ${test.witness}.` : 'Nobody witnessed it.' }} {{ test.note }}</small
        ></span
      >
      <span class="deeds">
        <BButton v-if="test.hasPicture" variant="quiet" size="sm" @click="show(test.id)">{{
          shown?.id === test.id ? 'Hide the picture' : 'Picture'
        }}</BButton>
        <BButton v-if="mayCorrect && !replaced.has(test.id)" variant="quiet" size="sm" @click="emit('correct', test)"
          >Put right</BButton
        >
      </span>
      <img v-if="shown?.id === test.id" :src="shown.address" :alt="`Kept with ${test.eventName}`" />
    </li>
  </ul>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
</template>

<style scoped>
.tests {
  list-style: none;
  margin: 0 0 14px;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 150px 1fr auto;
  gap: 4px 12px;
  align-items: center;
  padding: 7px 0;
  border-top: 1px solid var(--line);
}
small {
  display: block;
}
.replaced .when,
.replaced strong {
  text-decoration: line-through;
  color: var(--ink-2);
}
.deeds {
  display: flex;
  gap: 6px;
}
img {
  grid-column: 1 / -1;
  max-width: min(100%, 520px);
  border-radius: 6px;
}
@media (max-width: 560px) {
  li {
    grid-template-columns: 1fr auto;
  }
  .what {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
