<script setup lang="ts">
/** A draft: its parts on the left, the part being edited, and what the check says. */
import {
  COMBINATION_NAMES,
  COMBINATIONS,
  EVENT_KINDS,
  eventTemplate,
  FIRST_KIND,
  formFieldsOf,
  KIND_NAMES,
  rules,
  Standard,
  withoutFigures,
  type EventKind,
  type FormField,
} from '@able-gauge/core'
import { BButton, BFormSelect, BModal } from 'bootstrap-vue-next'
import { computed, nextTick, ref } from 'vue'
import { onBeforeRouteLeave, useRouter } from 'vue-router'
import { useVersion } from '../useVersion.ts'
import DocumentFields from './DocumentFields.vue'
import DraftRemarks from './DraftRemarks.vue'
import EventEditor from './EventEditor.vue'
import { listIn } from './scoringGrid.ts'
import { useDraft, type Plain } from './useDraft.ts'

const props = defineProps<{
  standardId: string
  version: number
  content: unknown
  revision: number
}>()

const router = useRouter()
const { reread } = useVersion()
const { draft, saved, problem, remarks, byPlace, errors, mayPublish, save, publish, remove } = useDraft(
  props.standardId,
  props.version,
  props.content,
  props.revision,
)

const fields = formFieldsOf(Standard)
const only = (...names: readonly string[]): readonly FormField[] => fields.filter(({ name }) => names.includes(name))
const ABOUT = only('name', 'organisation', 'inForceFrom', 'inForceTo', 'source', 'ageRule', 'categories', 'roles')
const JUDGING = only('order', 'occasionDays', 'exemptions', 'retest', 'uncertainty', 'outcomeWords')

type Part = 'about' | 'judging' | { readonly list: 'events' | 'alternateEvents'; readonly at: number }
const part = ref<Part>('about')
const isPart = (list: 'events' | 'alternateEvents', at: number): boolean =>
  typeof part.value === 'object' && part.value.list === list && part.value.at === at

const events = computed(() => listIn(draft, 'events'))
const alternates = computed(() => listIn(draft, 'alternateEvents'))
const shownEvent = computed(() => {
  const chosen = part.value
  if (typeof chosen !== 'object') return null
  const event = listIn(draft, chosen.list)[chosen.at]
  return event ? { event, place: `${chosen.list}[${chosen.at}]`, ...chosen } : null
})
const categories = computed(() =>
  listIn(draft, 'categories').map(({ id, name }) => ({ id: String(id ?? ''), name: String(name ?? '') })),
)
const errorsIn = (place: string): number =>
  remarks.value.filter((remark) => remark.severity === 'error' && remark.place.startsWith(place)).length
const sayErrors = (count: number): string => `${count} ${count === 1 ? 'error' : 'errors'}`
const PLACES_OF_JUDGING = [
  'combination',
  'order',
  'occasionDays',
  'exemptions',
  'retest',
  'uncertainty',
  'outcomeWords',
] as const

const adding = ref<EventKind>(FIRST_KIND)
const addEvent = (list: 'events' | 'alternateEvents'): void => {
  const taken = new Set([...events.value, ...alternates.value].map(({ id }) => id))
  let number = taken.size + 1
  while (taken.has(`event-${number}`)) number++
  draft[list] = [...listIn(draft, list), withoutFigures(eventTemplate(adding.value, `event-${number}`))]
  part.value = { list, at: listIn(draft, list).length - 1 }
}
const removeEvent = (): void => {
  const shown = shownEvent.value
  if (!shown) return
  const rest = listIn(draft, shown.list).filter((_, index) => index !== shown.at)
  if (rest.length === 0 && shown.list === 'alternateEvents') Reflect.deleteProperty(draft, shown.list)
  else draft[shown.list] = rest
  part.value = 'about'
}
const moveEvent = (by: -1 | 1): void => {
  const shown = shownEvent.value
  if (!shown) return
  const list = [...listIn(draft, shown.list)]
  const [event] = list.splice(shown.at, 1)
  if (event) list.splice(shown.at + by, 0, event)
  draft[shown.list] = list
  part.value = { list: shown.list, at: shown.at + by }
}

const combination = computed(() => Object(draft['combination']) as Plain)
const combinationFields = computed(() => {
  const type = COMBINATIONS[String(combination.value['kind']) as keyof typeof COMBINATIONS] as
    (typeof COMBINATIONS)[keyof typeof COMBINATIONS] | undefined
  return type ? formFieldsOf(type) : []
})
const chooseCombination = (event: Event): void => {
  const { value } = event.target as HTMLSelectElement // the handler sits on the list of combinations
  const more = value === 'pointsTotal' ? { totalCentipoints: 10_000 } : value === 'bestOf' ? { eventsToMeet: 1 } : {}
  draft['combination'] = { kind: value, ...more }
}

/** Opens the part a place is in and brings its field into view. */
const show = async (place: string): Promise<void> => {
  const inEvent = /^(events|alternateEvents)\[(\d+)\]/.exec(place)
  if (inEvent)
    part.value = { list: inEvent[1] as 'events' | 'alternateEvents', at: Number(inEvent[2]) } // the expression allows these two
  else part.value = PLACES_OF_JUDGING.some((start) => place.startsWith(start)) ? 'judging' : 'about'
  await nextTick()
  // the field itself, or the smallest part around it
  for (let at = place; at !== ''; at = at.replace(/(\.[^.[\]]+|\[\d+\])$|^[^.[\]]+$/, '')) {
    const element = document.querySelector<HTMLElement>(`[data-place="${at}"]`)
    if (!element) continue
    element.scrollIntoView({ block: 'center' })
    element.querySelector<HTMLElement>('input, select, textarea')?.focus({ preventScroll: true })
    return
  }
}

const SAVED = { saved: 'All saved.', waiting: 'Saving soon …', saving: 'Saving …', failed: 'Not saved.' } as const

/** Published or thrown away: there is nothing left to save. */
let isGone = false
const publishing = ref(false)
const warnings = computed(() => remarks.value.length - errors.value)
const confirmPublish = async (): Promise<void> => {
  publishing.value = false
  if (!(await publish())) return
  isGone = true
  await reread()
  await router.push({ name: 'standard' })
}
const removing = ref(false)
const confirmRemove = async (): Promise<void> => {
  await remove()
  isGone = true
  await router.push({ name: 'library' })
}
onBeforeRouteLeave(async () => {
  if (isGone) return true
  if (!(await save())) return window.confirm('The draft could not be saved. Leave all the same?')
  // the pages that read and try the draft show it as it was saved just now
  await reread()
  return true
})

const isDate = rules.isCalendarDate
</script>

<template>
  <main class="room edit">
    <nav class="sheet parts" aria-label="Parts of the draft">
      <button :class="{ here: part === 'about' }" @click="part = 'about'">About</button>
      <p class="quiet">Events</p>
      <button
        v-for="(event, at) in events"
        :key="at"
        :class="{ here: isPart('events', at) }"
        @click="part = { list: 'events', at }"
      >
        <span class="figures">{{ at + 1 }}</span> {{ event['name'] }}
        <span v-if="errorsIn(`events[${at}]`)" class="count" :aria-label="sayErrors(errorsIn(`events[${at}]`))">{{
          errorsIn(`events[${at}]`)
        }}</span>
      </button>
      <p v-if="alternates.length" class="quiet">Alternates</p>
      <button
        v-for="(event, at) in alternates"
        :key="`alternate ${at}`"
        :class="{ here: isPart('alternateEvents', at) }"
        @click="part = { list: 'alternateEvents', at }"
      >
        {{ event['name'] }}
        <span
          v-if="errorsIn(`alternateEvents[${at}]`)"
          class="count"
          :aria-label="sayErrors(errorsIn(`alternateEvents[${at}]`))"
          >{{ errorsIn(`alternateEvents[${at}]`) }}</span
        >
      </button>
      <div class="add">
        <label for="add-kind">Add an event</label>
        <BFormSelect id="add-kind" v-model="adding" class="form-select-sm">
          <option v-for="kind in EVENT_KINDS" :key="kind" :value="kind">{{ KIND_NAMES[kind] }}</option>
        </BFormSelect>
        <BButton variant="quiet" size="sm" @click="addEvent('events')">To the battery</BButton>
        <BButton variant="quiet" size="sm" @click="addEvent('alternateEvents')">As an alternate</BButton>
      </div>
      <button :class="{ here: part === 'judging' }" @click="part = 'judging'">How it is judged</button>
    </nav>

    <section class="sheet form">
      <template v-if="part === 'about'">
        <h2>About</h2>
        <DocumentFields :owner="draft" :fields="ABOUT" place="" :by-place="byPlace" />
      </template>
      <template v-else-if="part === 'judging'">
        <h2>How it is judged</h2>
        <div data-place="combination">
          <label class="combination"
            ><span>Combination</span>
            <select class="form-select" :value="combination['kind']" @change="chooseCombination">
              <option v-for="(name, kind) in COMBINATION_NAMES" :key="kind" :value="kind">{{ name }}</option>
            </select></label
          >
          <DocumentFields :owner="combination" :fields="combinationFields" place="combination" :by-place="byPlace" />
        </div>
        <DocumentFields class="mt-3" :owner="draft" :fields="JUDGING" place="" :by-place="byPlace" />
      </template>
      <template v-else-if="shownEvent">
        <div class="event-head">
          <h2>{{ shownEvent.event['name'] }}</h2>
          <BButton variant="quiet" size="sm" :disabled="shownEvent.at === 0" @click="moveEvent(-1)">Move up</BButton>
          <BButton
            variant="quiet"
            size="sm"
            :disabled="shownEvent.at === listIn(draft, shownEvent.list).length - 1"
            @click="moveEvent(1)"
          >
            Move down
          </BButton>
          <BButton variant="quiet" size="sm" @click="removeEvent">Remove the event</BButton>
        </div>
        <EventEditor
          :key="`${shownEvent.place} ${shownEvent.event['id']}`"
          :event="shownEvent.event"
          :place="shownEvent.place"
          :by-place="byPlace"
          :has-roles="Array.isArray(draft['roles'])"
          :categories="categories"
        />
      </template>
    </section>

    <aside>
      <section class="sheet state">
        <p class="saved" role="status">{{ SAVED[saved] }}</p>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <BButton variant="primary" :disabled="!mayPublish" @click="publishing = true">Publish</BButton>
        <BButton variant="quiet" @click="removing = true">Throw the draft away</BButton>
      </section>
      <DraftRemarks :remarks="remarks" :draft="draft" @show="show" />
    </aside>

    <BModal
      v-model="publishing"
      :title="`Publish version ${version}`"
      ok-title="Publish it"
      cancel-title="Back"
      cancel-variant="quiet"
      @ok.prevent="confirmPublish"
    >
      <p>
        It will be in force from {{ isDate(draft['inForceFrom']) ? draft['inForceFrom'] : 'a date that is missing' }}. A
        published version never changes: whatever comes to light later goes into the next version.
      </p>
      <p v-if="warnings > 0">
        The check still has {{ warnings }} {{ warnings === 1 ? 'warning' : 'warnings' }}. They do not stop publishing.
      </p>
    </BModal>
    <BModal
      v-model="removing"
      title="Throw the draft away"
      ok-title="Throw it away"
      cancel-title="Back"
      cancel-variant="quiet"
      @ok.prevent="confirmRemove"
    >
      <p>The draft of version {{ version }} is removed for good. Published versions stay.</p>
    </BModal>
  </main>
</template>

<style scoped>
.edit {
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr) 300px;
  gap: 16px;
  align-items: start;
}
.parts {
  position: sticky;
  top: 12px;
  padding: 6px 0 10px;
  max-height: calc(100dvh - 24px);
  overflow-y: auto;
}
.parts > button {
  display: flex;
  gap: 8px;
  align-items: center;
  width: 100%;
  min-height: 42px;
  padding: 4px 14px;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  color: inherit;
  text-align: left;
}
.parts .here {
  border-left-color: var(--ink);
  background: var(--tint);
  font-weight: 650;
}
.parts > button:focus-visible {
  outline-offset: -3px;
  box-shadow: none;
}
.parts p {
  margin: 8px 18px 0;
  font-size: 0.8125rem;
}
.count {
  margin-left: auto;
  border: 1px solid var(--short);
  color: var(--short);
  border-radius: 6px;
  padding: 0 7px;
  font-size: 0.8125rem;
  font-weight: 700;
}
.add {
  display: grid;
  gap: 6px;
  padding: 10px 14px;
  border-top: 1px solid var(--line);
  border-bottom: 1px solid var(--line);
  margin: 8px 0;
}
.add label {
  font-size: 0.875rem;
}
.form {
  padding: 16px 20px 20px;
}
.form h2 {
  font-size: 1.25rem;
  margin-bottom: 12px;
}
.event-head {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-bottom: 12px;
}
.event-head h2 {
  margin: 0 auto 0 0;
}
.combination {
  display: block;
  max-width: 360px;
  margin-bottom: 12px;
}
.combination span {
  font-weight: 650;
}
aside {
  position: sticky;
  top: 12px;
  display: grid;
  gap: 12px;
}
.state {
  padding: 14px 16px;
  display: grid;
  gap: 8px;
}
.saved {
  margin: 0;
  color: var(--ink-2);
}
@media (max-width: 1000px) {
  .edit {
    grid-template-columns: minmax(0, 1fr);
  }
  .parts,
  aside {
    position: static;
    max-height: none;
  }
  aside {
    order: -1;
  }
}
</style>
