<script setup lang="ts">
/** One event: a field for each reading, what was chosen, and the mark as it stands. */
import {
  cutsOf,
  exampleOf,
  printPoints,
  printQuantity,
  suffixOf,
  type Estimate,
  type Mark,
  type Slot,
  type Standard,
  type StandardEvent,
} from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import Gauge from '../../ui/Gauge.vue'
import { figureOf, markerOf, wordFor } from '../../ui/verdictWords.ts'

const props = defineProps<{
  row: {
    readonly event: StandardEvent
    readonly done: StandardEvent
    readonly slots: readonly Slot[]
    readonly problems: Readonly<Record<string, string>>
    readonly mark: Mark
    readonly estimates: readonly Estimate[]
  }
  standard: Standard
  /** Edited in place. */
  choices: {
    variants: Record<string, string>
    alternates: Record<string, string>
    exemptions: Record<string, string>
  }
  /** Whether its reasons are shown. */
  isShown: boolean
}>()
const typed = defineModel<Record<string, string>>('typed', { required: true })
const emit = defineEmits<{ show: [] }>()

const figure = computed(() => figureOf(props.row.mark))
const unit = computed(() => ('unit' in props.row.mark ? props.row.mark.unit : 'count'))
const points = computed(() => ('points' in props.row.mark ? props.row.mark.points : undefined))
const next = computed(() => ('next' in props.row.mark ? props.row.mark.next : undefined))
const nextWords = computed(() => {
  const step = next.value
  if (!step) return ''
  const gives = step.gives.kind === 'points' ? `${printPoints(step.gives.centipoints)} points` : step.gives.name
  return `Next: ${gives} at ${printQuantity(step.value, step.unit, props.row.done.publishedIn)}`
})
const alternates = computed(() =>
  (props.row.event.alternates ?? [])
    .filter(({ allowedBy }) => allowedBy !== 'band')
    .map(({ eventId }) => ({
      id: eventId,
      name: props.standard.alternateEvents?.find(({ id }) => id === eventId)?.name ?? eventId,
    })),
)
const exemptions = computed(() =>
  (props.standard.exemptions ?? []).filter(({ eventIds }) => eventIds.includes(props.row.event.id)),
)
const set = (slot: string, text: string): void => {
  typed.value = { ...typed.value, [slot]: text }
}
const choose = (which: 'variants' | 'alternates' | 'exemptions', id: string): void => {
  const chosen = props.choices[which]
  if (id === '') Reflect.deleteProperty(chosen, props.row.event.id)
  else chosen[props.row.event.id] = id
}
</script>

<template>
  <section class="sheet event" :class="{ shown: isShown }">
    <header>
      <h2>{{ row.done.name }}</h2>
      <span class="quiet">{{
        cutsOf(row.done, row.done.variants?.find(({ id }) => id === choices.variants[row.event.id])?.scoring)
      }}</span>
      <BButton class="why" variant="quiet" size="sm" :aria-pressed="isShown" @click="emit('show')">Why</BButton>
    </header>
    <div class="body">
      <div class="fields">
        <label v-for="slot in row.slots" :key="slot.id" class="slot">
          <span>{{ slot.label }}<small v-if="slot.optional" class="quiet"> if taken</small></span>
          <span class="field">
            <BFormInput
              class="figures"
              :aria-label="`${row.done.name}, ${slot.label}`"
              :model-value="typed[slot.id] ?? ''"
              :placeholder="exampleOf(slot).split('such as ')[1] ?? ''"
              :aria-invalid="row.problems[slot.id] ? true : undefined"
              autocomplete="off"
              @update:model-value="(text) => set(slot.id, String(text ?? ''))"
            />
            <small class="quiet">{{ suffixOf(slot) }}</small>
          </span>
          <small v-if="row.problems[slot.id]" class="said" role="alert">{{ row.problems[slot.id] }}</small>
        </label>
        <label v-if="row.done.variants?.length" class="slot"
          ><span>Variant</span>
          <BFormSelect
            :model-value="choices.variants[row.event.id] ?? ''"
            @update:model-value="(id) => choose('variants', String(id ?? ''))"
          >
            <option value="">As described</option>
            <option v-for="{ id, name } in row.done.variants" :key="id" :value="id">{{ name }}</option>
          </BFormSelect></label
        >
        <label v-if="alternates.length" class="slot"
          ><span>Event done</span>
          <BFormSelect
            :model-value="choices.alternates[row.event.id] ?? ''"
            @update:model-value="(id) => choose('alternates', String(id ?? ''))"
          >
            <option value="">{{ row.event.name }}</option>
            <option v-for="{ id, name } in alternates" :key="id" :value="id">{{ name }}</option>
          </BFormSelect></label
        >
        <label v-if="exemptions.length" class="slot"
          ><span>Exemption</span>
          <BFormSelect
            :model-value="choices.exemptions[row.event.id] ?? ''"
            @update:model-value="(id) => choose('exemptions', String(id ?? ''))"
          >
            <option value="">None</option>
            <option v-for="{ id, name } in exemptions" :key="id" :value="id">{{ name }}</option>
          </BFormSelect></label
        >
      </div>
      <div class="worth">
        <div class="figure">
          <strong class="figures">{{
            figure === null ? '–' : printQuantity(figure, unit, row.done.publishedIn)
          }}</strong>
          <span class="word" :class="row.mark.kind">{{ wordFor(row.mark) }}</span>
          <span v-if="points && row.mark.kind !== 'scored'" class="quiet figures"
            >{{ printPoints(points.centipoints) }} points</span
          >
        </div>
        <Gauge
          v-if="row.mark.cut"
          :cut="row.mark.cut"
          :protocol="row.done.protocol"
          :value="figure"
          :state="markerOf(row.mark)"
          size="large"
        />
        <p v-if="nextWords" class="quiet next">{{ nextWords }}</p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.event {
  padding: 12px 16px;
  border-left: 4px solid var(--line);
}
.event.shown {
  border-left-color: var(--ink);
}
header {
  display: flex;
  align-items: baseline;
  gap: 12px;
  flex-wrap: wrap;
}
.why {
  margin-left: auto;
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px;
  margin-top: 8px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 8px 12px;
  align-content: start;
}
.slot > span:first-child {
  font-size: 0.875rem;
}
.field {
  display: flex;
  align-items: center;
  gap: 6px;
}
.said {
  color: var(--short);
}
.figure {
  display: flex;
  align-items: baseline;
  gap: 12px;
}
.figure strong {
  font-size: 1.375rem;
}
.word {
  font-weight: 650;
}
.word.short,
.word.ended {
  color: var(--short);
}
.word.open {
  color: var(--decide);
}
.word.met {
  color: var(--met);
}
.next {
  margin: 4px 0 0;
  font-size: 0.875rem;
}
@media (max-width: 700px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
    gap: 8px;
  }
}
</style>
