<script setup lang="ts">
/** One event on one page, in the order a standard is printed: how it is done, what counts, what ends it, what is asked, notes. */
import {
  chapterOf,
  CHAPTER_NAMES,
  EVENT_KINDS,
  eventTemplate,
  factsOf,
  formFieldsOf,
  inChapter,
  isRead,
  KIND_NAMES,
  parseDocument,
  parseProtocol,
  PROTOCOLS,
  PUBLISHED_UNITS,
  settingInWords,
  StandardEvent,
  suits,
  withoutFigures,
  type Chapter,
  type EventKind,
  type FormField,
  type Protocol,
} from '@able-gauge/core'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { DraftRemark } from '../../workers/check.worker.ts'
import DocumentFields from './DocumentFields.vue'
import EventVariants from './EventVariants.vue'
import ScoringEditor from './ScoringEditor.vue'
import { valueForm } from './scoringGrid.ts'
import type { Plain } from './plain.ts'

const props = defineProps<{
  /** Edited in place. */
  event: Plain
  place: string
  byPlace: ReadonlyMap<string, readonly DraftRemark[]>
  /** The events it stands among. */
  siblings: readonly Plain[]
}>()

const protocol = computed(() => Object(props.event['protocol']) as Plain)
const kind = computed(() => String(protocol.value['kind'] ?? '') as EventKind)
const settings = computed(() => (kind.value in PROTOCOLS ? formFieldsOf(PROTOCOLS[kind.value]) : []))

const FIELDS = formFieldsOf(StandardEvent)
const NAME = FIELDS.filter(({ name }) => name === 'name')
/** As much of the protocol as can be read: while it is being typed, that of its kind stands in. */
const readProtocol = computed<Protocol>(() => parseProtocol(protocol.value))
const facts = computed(() => factsOf(readProtocol.value))
const form = computed(() => valueForm(readProtocol.value))
/** Figures of a standard that is published in pounds or feet are typed and pasted in them. */
const publishedIn = computed(() =>
  PUBLISHED_UNITS.find((unit) => unit === props.event['publishedIn'] && suits(form.value.unit, unit)),
)
const published = computed(() => (publishedIn.value ? { publishedIn: publishedIn.value } : {}))

/** Of the whole event: what is counted cannot be off, and only what is read is published in other units. */
const ofEvent = (chapter: Chapter): FormField[] =>
  inChapter(FIELDS, chapter).flatMap((field): FormField[] => {
    if (field.name === 'uncertainty') return isRead(form.value.unit) ? [field] : []
    // the scoring has an editor of its own
    if (field.kind === 'oneOf' || field.name === 'variants') return []
    if (field.name !== 'publishedIn' || field.kind !== 'choice') return [field]
    const choices = field.choices.filter((choice) => suits(form.value.unit, choice as Parameters<typeof suits>[1])) // the units of the list
    return choices.length > 0 ? [{ ...field, choices }] : []
  })
const PARTS: readonly Chapter[] = ['done', 'counts', 'ends']
const parts = computed(() =>
  PARTS.map((chapter) => ({ chapter, fields: inChapter(settings.value, chapter) })).filter(
    ({ fields }) => fields.length > 0,
  ),
)
const notes = computed(() => inChapter(settings.value, 'notes'))
const eventNotes = computed(() => ofEvent('notes'))
const asked = computed(() => ofEvent('table'))

/** What the referee does because of a setting; nothing is said of a protocol that is not whole yet. */
const whole = computed(() => {
  const type = PROTOCOLS[kind.value] as (typeof PROTOCOLS)[EventKind] | undefined
  const read = type ? parseDocument<Protocol>(type, JSON.parse(JSON.stringify(protocol.value))) : null
  return read?.ok ? read.value : null
})
const say = (name: string): readonly string[] =>
  whole.value && chapterOf(name) !== 'notes' ? settingInWords(whole.value, name) : []

const step = computed(() => {
  const { step: typed } = Object(props.event['rounding']) as { step?: unknown }
  return typeof typed === 'number' && Number.isSafeInteger(typed) && typed > 0 ? typed : 1
})

const kinds = EVENT_KINDS.map((one) => ({ value: one, text: KIND_NAMES[one] }))
const chooseKind = (chosen: unknown): void => {
  const { protocol: next, rounding, scoring } = withoutFigures(eventTemplate(chosen as EventKind, 'new')) as Plain // the list holds kinds only
  // eslint-disable-next-line vue/no-mutating-props -- the document is edited in place by all its forms
  Object.assign(props.event, { protocol: next, rounding, scoring })
}
</script>

<template>
  <div class="event">
    <div class="names">
      <DocumentFields :owner="event" :fields="NAME" :place="place" :by-place="byPlace" :siblings="siblings" />
      <div>
        <label for="event-kind">Kind</label>
        <BFormSelect id="event-kind" :model-value="kind" :options="kinds" @update:model-value="chooseKind" />
      </div>
    </div>
    <section v-for="{ chapter, fields } in parts" :key="chapter" :aria-label="CHAPTER_NAMES[chapter]">
      <h3>{{ CHAPTER_NAMES[chapter] }}</h3>
      <DocumentFields
        :owner="protocol"
        :fields="fields"
        :place="`${place}.protocol`"
        :by-place="byPlace"
        :value-form="form"
        :say="say"
      />
    </section>
    <section :aria-label="CHAPTER_NAMES.table">
      <h3>{{ CHAPTER_NAMES.table }}</h3>
      <ScoringEditor
        :owner="event"
        :protocol="readProtocol"
        :step="step"
        :place="`${place}.scoring`"
        :by-place="byPlace"
        :file-name="String(event['id'] ?? facts.unit)"
        v-bind="published"
      />
      <DocumentFields
        class="mt-3"
        :owner="event"
        :fields="asked"
        :place="place"
        :by-place="byPlace"
        :value-form="form"
      />
      <EventVariants
        v-bind="published"
        :event="event"
        :protocol="readProtocol"
        :step="step"
        :place="place"
        :by-place="byPlace"
      />
    </section>
    <section :aria-label="CHAPTER_NAMES.notes">
      <h3>{{ CHAPTER_NAMES.notes }}</h3>
      <DocumentFields :owner="protocol" :fields="notes" :place="`${place}.protocol`" :by-place="byPlace" />
      <DocumentFields class="mt-2" :owner="event" :fields="eventNotes" :place="place" :by-place="byPlace" />
    </section>
  </div>
</template>

<style scoped>
.event > section {
  border-top: 1px solid var(--line);
  padding-top: 14px;
  margin-top: 16px;
}
.names {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 320px);
  gap: 18px;
}
label {
  font-weight: 650;
  font-size: 0.9375rem;
}
h3 {
  font-size: 1.0625rem;
  margin-bottom: 8px;
}
@media (max-width: 700px) {
  .names {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
