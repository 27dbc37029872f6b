<script setup lang="ts">
/** A shelf of events to begin with: looked at as they print, then taken. */
import { askedIn, KIND_NAMES, rulesOf, SCORING_NAMES, type Standard, type StandardEvent } from '@able-gauge/core'
import { BButton, BFormSelect, BModal } from 'bootstrap-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import { inWords } from '../../api.ts'
import ScoringTable from '../ScoringTable.vue'
import { exampleToTake, shelfSources, type ShelfSource } from './eventShelf.ts'
import type { Plain } from './plain.ts'
import type { EventList } from './useParts.ts'

const isOpen = defineModel<boolean>({ required: true })
const emit = defineEmits<{ take: [event: Plain, categories: Standard['categories'], list: EventList] }>()

const sources = shallowRef<readonly ShelfSource[]>([])
const chosen = ref('examples')
const standard = shallowRef<Standard | null>(null)
const event = shallowRef<StandardEvent | null>(null)
const problem = ref('')

const source = computed(() => sources.value.find(({ key }) => key === chosen.value))
const events = computed(() => [...(standard.value?.events ?? []), ...(standard.value?.alternateEvents ?? [])])
watch(isOpen, async (open) => {
  if (!open || sources.value.length > 0) return
  try {
    sources.value = await shelfSources()
  } catch (error) {
    problem.value = inWords(error)
  }
})
watch([source], async () => {
  event.value = null
  standard.value = null
  try {
    standard.value = (await source.value?.read()) ?? null
    event.value = events.value[0] ?? null
  } catch (error) {
    problem.value = inWords(error)
  }
})

const take = (list: EventList): void => {
  if (!event.value || !standard.value) return
  const { isPublished } = source.value ?? {}
  const taken = isPublished ? (JSON.parse(JSON.stringify(event.value)) as Plain) : exampleToTake(event.value)
  // alternates are events of the standard it comes from
  delete taken['alternates']
  emit('take', taken, isPublished ? standard.value.categories : [], list)
}
</script>

<template>
  <BModal v-model="isOpen" title="Begin with an event there is" size="xl" no-footer scrollable>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <label class="source"
      ><span>From</span>
      <BFormSelect v-model="chosen" :options="sources.map(({ key, name }) => ({ value: key, text: name }))"
    /></label>
    <p class="quiet">
      {{
        source?.isPublished
          ? 'It comes with its table and its figures, as they were published.'
          : 'Made up. How it is done comes along; the figures of its table are yours to paste or type.'
      }}
    </p>
    <div class="shelf">
      <nav aria-label="Events on the shelf">
        <button
          v-for="one in events"
          :key="one.id"
          type="button"
          :class="{ here: one === event }"
          :aria-current="one === event"
          @click="event = one"
        >
          <strong>{{ one.name }}</strong>
          <small class="quiet">{{ KIND_NAMES[one.protocol.kind] }} · {{ SCORING_NAMES[one.scoring.kind] }}</small>
        </button>
      </nav>
      <section v-if="event && standard" aria-label="The event as it prints">
        <h3>{{ event.name }}</h3>
        <p class="quiet">{{ askedIn(event) }}</p>
        <p v-for="line in rulesOf(event.protocol, event.publishedIn)" :key="line">{{ line }}</p>
        <ScoringTable :event="event" :categories="standard.categories" />
        <div class="take">
          <BButton variant="primary" @click="take('events')">Take it into the battery</BButton>
          <BButton variant="quiet" @click="take('alternateEvents')">As an alternate</BButton>
        </div>
      </section>
    </div>
  </BModal>
</template>

<style scoped>
.source {
  display: flex;
  gap: 10px;
  align-items: center;
  max-width: 480px;
}
.shelf {
  display: grid;
  grid-template-columns: 280px minmax(0, 1fr);
  gap: 18px;
  align-items: start;
}
nav {
  max-height: 480px;
  overflow-y: auto;
  border: 1px solid var(--line);
  border-radius: 8px;
}
nav button {
  display: grid;
  width: 100%;
  min-height: 52px;
  padding: 6px 12px;
  border: 0;
  border-left: 4px solid transparent;
  border-bottom: 1px solid var(--line);
  background: none;
  color: inherit;
  text-align: left;
}
nav .here {
  border-left-color: var(--ink);
  background: var(--tint);
}
nav button:focus-visible {
  outline-offset: -3px;
  box-shadow: none;
}
section p {
  margin: 4px 0;
}
.take {
  display: flex;
  gap: 8px;
  margin-top: 12px;
}
@media (max-width: 760px) {
  .shelf {
    grid-template-columns: minmax(0, 1fr);
  }
  nav {
    max-height: 220px;
  }
}
</style>
