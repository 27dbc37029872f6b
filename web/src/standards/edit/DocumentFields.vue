<script setup lang="ts">
/** Settings of one part of the document, as its class describes them; those that are not made are folded into a line of their names. */
import { BButton } from 'bootstrap-vue-next'
import { isOffered, type FieldForm, type FormField, type Sense } from '@able-gauge/core'
import { computed, nextTick, ref, useTemplateRef, watchEffect } from 'vue'
import type { DraftRemark } from '../../workers/check.worker.ts'
import DocumentField from './DocumentField.vue'
import type { Plain } from './plain.ts'

const props = defineProps<{
  /** The part; edited in place. */
  owner: Plain
  fields: readonly FormField[]
  /** Where the part stands in the document. */
  place: string
  byPlace: ReadonlyMap<string, readonly DraftRemark[]>
  /** How values of the event are typed, for numbers whose name does not say their unit. */
  valueForm?: FieldForm
  /** On which side a cut can stand. */
  sense?: Sense
  /** Sentences of the printed standard a setting makes. */
  say?: (name: string) => readonly string[]
  /** The list the part stands in. */
  siblings?: readonly Plain[]
}>()

const form = useTemplateRef<HTMLElement>('form')
const placeOf = (name: string): string => (props.place === '' ? name : `${props.place}.${name}`)
const remarksOn = (name: string): readonly DraftRemark[] => props.byPlace.get(placeOf(name)) ?? []

/** What somebody unfolded, or emptied a moment ago. */
const opened = ref(new Set<string>())
const offered = computed(() =>
  // short names of their own are made of names
  props.fields.filter(
    ({ name, kind }) => !(kind === 'id' && name === 'id') && isOffered(props.owner, name, props.sense),
  ),
)
watchEffect(() => {
  for (const { name } of props.fields) if (props.owner[name] !== undefined) opened.value.add(name)
})
const isShown = ({ name, optional }: FormField): boolean =>
  !optional || opened.value.has(name) || remarksOn(name).length > 0
const shown = computed(() => offered.value.filter(isShown))
const folded = computed(() => offered.value.filter((field) => !isShown(field)))

const put = (name: string, value: unknown): void => {
  const { owner } = props
  if (value === undefined) Reflect.deleteProperty(owner, name)
  else owner[name] = value
}
const takeOut = (name: string): void => {
  put(name, undefined)
  opened.value.delete(name)
}
/** A part comes with the settings it has to have; a plain one is there to be typed. */
const unfold = async (field: FormField): Promise<void> => {
  if (field.kind === 'object') put(field.name, {})
  else if (field.kind === 'list') put(field.name, [{}])
  else if (field.kind === 'flag') put(field.name, true)
  opened.value.add(field.name)
  await nextTick()
  form.value?.querySelector<HTMLElement>(`[data-place="${placeOf(field.name)}"] :is(input, select, textarea)`)?.focus()
}

const objectIn = (name: string): Plain | null => {
  const value = props.owner[name]
  return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Plain) : null
}
const itemsIn = (name: string): Plain[] => {
  const value = props.owner[name]
  return Array.isArray(value) ? (value as Plain[]) : [] // items that are no objects are told by the check
}
const addItem = (name: string): void => put(name, [...itemsIn(name), {}])
const removeItem = (field: FormField, at: number): void => {
  const rest = itemsIn(field.name).filter((_, index) => index !== at)
  if (rest.length === 0 && field.optional) takeOut(field.name)
  else put(field.name, rest)
}
const handedOn = computed(() => ({
  ...(props.valueForm ? { valueForm: props.valueForm } : {}),
  ...(props.sense ? { sense: props.sense } : {}),
}))
const saidOf = (name: string): readonly string[] => props.say?.(name) ?? []
</script>

<template>
  <div ref="form" class="fields">
    <template v-for="field in shown" :key="field.name">
      <fieldset v-if="field.kind === 'object'" class="part" :data-place="placeOf(field.name)">
        <legend>{{ field.label }}</legend>
        <DocumentFields
          v-if="objectIn(field.name)"
          :owner="objectIn(field.name)!"
          :fields="field.fields()"
          :place="placeOf(field.name)"
          :by-place="byPlace"
          v-bind="handedOn"
        />
        <BButton v-else type="button" variant="quiet" size="sm" @click="put(field.name, {})">Add it</BButton>
        <BButton v-if="field.optional" type="button" variant="quiet" size="sm" @click="takeOut(field.name)">
          Take it out
        </BButton>
        <p v-for="remark in remarksOn(field.name)" :key="remark.what" class="said" :class="remark.severity">
          {{ remark.what }}
        </p>
        <p v-if="saidOf(field.name).length" class="printed">{{ saidOf(field.name).join(' ') }}</p>
      </fieldset>
      <fieldset v-else-if="field.kind === 'list'" class="part" :data-place="placeOf(field.name)">
        <legend>{{ field.label }}</legend>
        <div v-for="(item, at) in itemsIn(field.name)" :key="at" class="item">
          <DocumentFields
            :owner="item"
            :fields="field.fields()"
            :place="`${placeOf(field.name)}[${at}]`"
            :by-place="byPlace"
            :siblings="itemsIn(field.name)"
            v-bind="handedOn"
          />
          <BButton
            type="button"
            variant="quiet"
            size="sm"
            :aria-label="`Remove ${field.label.toLowerCase()} ${at + 1}`"
            @click="removeItem(field, at)"
          >
            Remove
          </BButton>
        </div>
        <BButton type="button" variant="quiet" size="sm" @click="addItem(field.name)">Add one</BButton>
        <p v-for="remark in remarksOn(field.name)" :key="remark.what" class="said" :class="remark.severity">
          {{ remark.what }}
        </p>
        <p v-if="saidOf(field.name).length" class="printed">{{ saidOf(field.name).join(' ') }}</p>
      </fieldset>
      <DocumentField
        v-else-if="field.kind !== 'oneOf'"
        :owner="owner"
        :field="field"
        :place="placeOf(field.name)"
        :remarks="remarksOn(field.name)"
        :said="saidOf(field.name)"
        v-bind="{ ...(valueForm ? { valueForm } : {}), ...(siblings ? { siblings } : {}) }"
      />
    </template>
    <p v-if="folded.length > 0" class="folded">
      <span class="quiet">Not stated:</span>
      <BButton
        v-for="field in folded"
        :key="field.name"
        type="button"
        variant="quiet"
        size="sm"
        :aria-label="`Add ${field.label.toLowerCase()}`"
        @click="unfold(field)"
      >
        {{ field.label }}
      </BButton>
    </p>
  </div>
</template>

<style scoped src="./said.css"></style>
<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 12px 18px;
  align-items: start;
}
.part,
.folded {
  grid-column: 1 / -1;
}
.part {
  border: 1px solid var(--line);
  border-radius: 8px;
  padding: 10px 14px 12px;
  margin: 0;
}
legend {
  font-size: 0.9375rem;
  font-weight: 650;
  float: none;
  width: auto;
  padding: 0 6px;
  margin: 0 0 0 -6px;
}
.item {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
  align-items: end;
  border-bottom: 1px solid var(--line);
  padding-bottom: 10px;
  margin-bottom: 10px;
}
.part > .btn {
  margin-top: 8px;
}
.folded {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  margin: 0;
  font-size: 0.875rem;
}
.folded .btn {
  border-style: dashed;
}
</style>
