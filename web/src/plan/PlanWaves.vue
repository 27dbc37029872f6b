<script setup lang="ts">
/** Waves as columns: people are dragged from one to another, or moved with the arrow keys; each move is stored at once. */
import { WavesAnswer } from '@able-gauge/core'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, nextTick, ref } from 'vue'
import { call, inWords } from '../api.ts'
import { byBib, fullName, wavesOf, type Day, type Entry } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { people } from '../ui/people.ts'

const props = defineProps<{ day: Day; mayEdit: boolean }>()

const store = useDay()
const problem = ref('')
const busy = ref(false)
const waveSize = ref(12)
const over = ref<number | null>(null)
const MOST_WAVES = 999

interface Column {
  /** Null for those in no wave. */
  readonly wave: number | null
  readonly title: string
  readonly members: readonly Entry[]
}
const inWave = (wave: number | null): Entry[] => props.day.entries.filter((entry) => entry.wave === wave).sort(byBib)
const waves = computed(() => wavesOf(props.day))
const nextWave = computed(() => Math.min(MOST_WAVES, Math.max(0, ...waves.value) + 1))
/** The waves there are, one more to open, and those in none. */
const columns = computed((): Column[] => {
  const waveless = inWave(null)
  return [
    ...waves.value.map((wave) => ({ wave, title: `Wave ${wave}`, members: inWave(wave) })),
    ...(props.mayEdit && props.day.entries.length > 0 && !waves.value.includes(nextWave.value)
      ? [{ wave: nextWave.value, title: `Wave ${nextWave.value}`, members: [] }]
      : []),
    ...(waveless.length > 0 ? [{ wave: null, title: 'No wave', members: waveless }] : []),
  ]
})

const put = async (waves: readonly { readonly entryId: string; readonly wave: number }[]): Promise<void> => {
  busy.value = true
  problem.value = ''
  try {
    const { id } = props.day.occasion
    await call('PUT', `/occasions/${id}/waves`, WavesAnswer, { waves })
    await store.reread(id)
  } catch (error) {
    problem.value = inWords(error)
  } finally {
    busy.value = false
  }
}
const moveTo = async (entryId: string, wave: number): Promise<void> => {
  if (!props.mayEdit || wave < 1 || wave > nextWave.value) return
  await put([{ entryId, wave }])
  await nextTick()
  document.getElementById(`in-wave-${entryId}`)?.focus()
}
const onDrop = (wave: number | null, event: DragEvent): void => {
  over.value = null
  const entryId = event.dataTransfer?.getData('text/plain') ?? ''
  if (wave !== null && props.day.entries.some(({ id }) => id === entryId)) void moveTo(entryId, wave)
}
const onKey = (entry: Entry, event: KeyboardEvent): void => {
  const step = ({ ArrowLeft: -1, ArrowRight: 1 } as Partial<Record<string, number>>)[event.key]
  if (step === undefined) return
  event.preventDefault()
  void moveTo(entry.id, (entry.wave ?? 0) + step)
}
/** Waves of one size, in the order of the bibs; the last may be smaller. */
const lay = async (): Promise<void> => {
  const size = Math.min(500, Math.max(1, Math.round(waveSize.value)))
  await put(
    [...props.day.entries].sort(byBib).map(({ id }, index) => ({ entryId: id, wave: 1 + Math.floor(index / size) })),
  )
}
</script>

<template>
  <section class="sheet part" aria-labelledby="waves">
    <div class="head">
      <h2 id="waves">Waves</h2>
      <span v-if="mayEdit" class="tools">
        {{ people(day.entries.length) }} in {{ waves.length }} {{ waves.length === 1 ? 'wave' : 'waves' }}. Waves of
        <BFormInput
          v-model.number="waveSize"
          class="figures size"
          type="number"
          min="1"
          max="500"
          aria-label="People in a wave"
        />
        <BButton variant="quiet" size="sm" :disabled="busy || day.entries.length === 0" @click="lay">
          Lay the waves anew
        </BButton>
      </span>
    </div>
    <p v-if="mayEdit && day.entries.length > 0" class="quiet small">
      Drag people to another wave, or focus somebody and use the arrow keys.
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="columns">
      <div
        v-for="{ wave, title, members } in columns"
        :key="title"
        class="column"
        :class="{ over: over !== null && over === wave, open: members.length === 0 }"
        @dragover.prevent="over = wave"
        @dragleave="over = null"
        @drop.prevent="onDrop(wave, $event)"
      >
        <h3>{{ title }} <small v-if="members.length > 0" class="quiet">{{ members.length }}</small></h3>
        <p v-if="members.length === 0" class="quiet small">Drop somebody here to open it.</p>
        <ul v-else :aria-label="title">
          <li v-for="entry in members" :key="entry.id">
            <button
              :id="`in-wave-${entry.id}`"
              type="button"
              class="person"
              :draggable="mayEdit"
              :disabled="!mayEdit"
              :aria-label="`${entry.bib ?? 'no bib'} ${fullName(entry)}, ${title.toLowerCase()}`"
              @dragstart="$event.dataTransfer?.setData('text/plain', entry.id)"
              @keydown="onKey(entry, $event)"
            >
              <span class="figures">{{ entry.bib ?? '' }}</span> {{ fullName(entry) }}
            </button>
          </li>
        </ul>
      </div>
    </div>
  </section>
</template>

<style scoped>
.part {
  padding: 18px 20px;
  margin-top: 16px;
}
.head,
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.head h2 {
  margin: 0 auto 0 0;
}
.size {
  width: 76px;
}
.small {
  font-size: 0.8125rem;
  margin: 6px 0 0;
}
.columns {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(176px, 1fr);
  gap: 10px;
  margin-top: 12px;
  overflow-x: auto;
  padding: 4px;
}
.column {
  background: var(--sheet-2);
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 8px;
}
.column.open {
  border-style: dashed;
}
.column.over {
  border-color: var(--ink);
  background: var(--tint);
}
h3 {
  font-size: 0.9375rem;
  margin: 0 0 6px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
.person {
  width: 100%;
  min-height: 36px;
  padding: 4px 8px;
  text-align: left;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line-2);
  border-radius: 6px;
}
.person[draggable='true'] {
  cursor: grab;
}
</style>
