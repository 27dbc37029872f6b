<script setup lang="ts">
/** A draft: its parts on the left, the part being edited, and what the check says. */
import { COMBINATIONS, edited, formFieldsOf, Standard, type FormField, type Remedy } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { onKeyStroke } from '@vueuse/core'
import { computed, nextTick, provide, ref } from 'vue'
import { onBeforeRouteLeave, useRouter } from 'vue-router'
import { useVersion } from '../useVersion.ts'
import CombinationFields from './CombinationFields.vue'
import DocumentFields from './DocumentFields.vue'
import { DRAFT_CONTEXT } from './draftContext.ts'
import DraftFile from './DraftFile.vue'
import DraftParts from './DraftParts.vue'
import DraftRemarks from './DraftRemarks.vue'
import DraftState from './DraftState.vue'
import EventEditor from './EventEditor.vue'
import EventShelf from './EventShelf.vue'
import type { Plain } from './plain.ts'
import { useDraft } from './useDraft.ts'
import { useNames } from './useNames.ts'
import { freeShortName } from './shortNames.ts'
import { listIn } from './scoringGrid.ts'
import { useParts, type EventList } from './useParts.ts'

const props = defineProps<{
  standardId: string
  version: number
  content: unknown
  revision: number
}>()

const router = useRouter()
const { reread } = useVersion()
const { draft, saved, problem, remarks, byPlace, mayPublish, keptNames, steps, save, publish, remove } = useDraft(
  props.standardId,
  props.version,
  props.content,
  props.revision,
)
const { part, shownEvent, add, addNew, remove: removeEvent, move, openAt } = useParts(draft)
const named = useNames(draft, keptNames)
const { addCategories } = named
provide(DRAFT_CONTEXT, { restored: steps.restored, ...named })

const fields = formFieldsOf(Standard)
const only = (...names: readonly string[]): readonly FormField[] => fields.filter(({ name }) => names.includes(name))
const ABOUT = only('name', 'organisation', 'inForceFrom', 'inForceTo', 'source', 'ageRule', 'categories', 'roles')
const JUDGING = only('order', 'occasionDays', 'exemptions', 'retest', 'uncertainty', 'outcomeWords')

const onShelf = ref(false)
/** What its bands are for comes along. */
const takeExample = (event: Plain, categories: Standard['categories'], list: EventList): void => {
  onShelf.value = false
  const named = JSON.stringify(event)
  addCategories(categories.filter(({ id }) => named.includes(`"category":"${id}"`)))
  const taken = new Set([...listIn(draft, 'events'), ...listIn(draft, 'alternateEvents')].map(({ id }) => String(id)))
  add(list, { ...event, id: freeShortName(String(event['name']), taken) })
}

/** Opens the part a place is in and brings its field into view. */
const show = async (place: string): Promise<void> => {
  openAt(place)
  await nextTick()
  const cell = [...document.querySelectorAll<HTMLElement>('[data-cell][aria-invalid]')]
  // the field itself, or the smallest part around it; within a table the cell that is marked
  for (let at = place; at !== ''; at = at.replace(/(\.[^.[\]]+|\[\d+\])$|^[^.[\]]+$/, '')) {
    const element = document.querySelector<HTMLElement>(`[data-place="${at}"]`)
    if (!element) continue
    const marked = at.endsWith('.scoring') && place !== at ? cell.find((one) => element.contains(one)) : undefined
    const inside = element.querySelector<HTMLElement>('input, select, textarea')
    // a cell of a table carries the place of what is said of it
    const target = element.matches('input') ? element : (marked ?? inside)
    ;(target ?? element).scrollIntoView({ block: 'center' })
    target?.focus({ preventScroll: true })
    return
  }
}
/** What a finding offers to mend it, at one press and one step back. */
const mend = ({ edits }: Remedy): void => {
  steps.settle()
  steps.replace(edited(draft, edits) as Plain) // the same document with some of its values changed
  steps.settle()
}

onKeyStroke(['z', 'Z', 'y'], (event) => {
  if (!(event.ctrlKey || event.metaKey) || event.altKey) return
  event.preventDefault()
  if (event.key === 'y' || event.shiftKey) steps.redo()
  else steps.undo()
})

/** Published or thrown away: there is nothing left to save. */
let isGone = false
const doPublish = async (): Promise<void> => {
  if (!(await publish())) return
  isGone = true
  await reread()
  await router.push({ name: 'standard' })
}
const doRemove = async (): Promise<void> => {
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
const combination = computed(() => Object(draft['combination']) as Plain)
const combinationFields = computed(() => {
  const type = COMBINATIONS[String(combination.value['kind']) as keyof typeof COMBINATIONS] as
    | (typeof COMBINATIONS)[keyof typeof COMBINATIONS]
    | undefined
  return type ? formFieldsOf(type) : []
})
</script>

<template>
  <!-- a step ends when a field is left or something is pressed -->
  <main class="room edit" @focusin="steps.settle" @pointerdown="steps.settle">
    <DraftParts v-model="part" :draft="draft" :remarks="remarks" @add="addNew" @shelf="onShelf = true" />

    <section class="sheet form">
      <template v-if="part === 'about'">
        <h2>About</h2>
        <DocumentFields :owner="draft" :fields="ABOUT" place="" :by-place="byPlace" />
      </template>
      <template v-else-if="part === 'judging'">
        <h2>How it is judged</h2>
        <CombinationFields :draft="draft" />
        <DocumentFields :owner="combination" :fields="combinationFields" place="combination" :by-place="byPlace" />
        <DocumentFields class="mt-3" :owner="draft" :fields="JUDGING" place="" :by-place="byPlace" />
      </template>
      <DraftFile v-else-if="part === 'file'" :draft="draft" />
      <template v-else-if="shownEvent">
        <div class="event-head">
          <h2>{{ shownEvent.event['name'] || 'New event' }}</h2>
          <BButton variant="quiet" size="sm" :disabled="shownEvent.at === 0" @click="move(-1)">Move up</BButton>
          <BButton
            variant="quiet"
            size="sm"
            :disabled="shownEvent.at === shownEvent.siblings.length - 1"
            @click="move(1)"
          >
            Move down
          </BButton>
          <BButton variant="quiet" size="sm" @click="removeEvent">Remove the event</BButton>
        </div>
        <EventEditor
          :key="`${shownEvent.list} ${shownEvent.at}`"
          :event="shownEvent.event"
          :place="shownEvent.place"
          :by-place="byPlace"
          :siblings="shownEvent.siblings"
        />
      </template>
    </section>

    <aside>
      <DraftState
        :saved="saved"
        :problem="problem"
        :version="version"
        :in-force-from="String(draft['inForceFrom'] ?? '')"
        :may-publish="mayPublish"
        :warnings="remarks.filter(({ severity }) => severity === 'warning').length"
        :can-undo="steps.canUndo.value"
        :can-redo="steps.canRedo.value"
        @undo="steps.undo"
        @redo="steps.redo"
        @publish="doPublish"
        @remove="doRemove"
      />
      <DraftRemarks :remarks="remarks" :draft="draft" @show="show" @mend="mend" />
    </aside>
    <EventShelf v-model="onShelf" @take="takeExample" />
  </main>
</template>

<style scoped>
.edit {
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr) 300px;
  gap: 16px;
  align-items: start;
}
.form {
  padding: 16px 20px 20px;
}
.form :deep(h2) {
  font-size: 1.25rem;
  margin-bottom: 12px;
}
.event-head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-bottom: 12px;
}
.event-head h2 {
  margin: 0 auto 0 0;
}
aside {
  position: sticky;
  top: 12px;
  display: grid;
  gap: 12px;
}
@media (max-width: 1000px) {
  .edit {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    position: static;
    order: -1;
  }
}
</style>
