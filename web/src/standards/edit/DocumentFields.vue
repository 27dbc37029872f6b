<script setup lang="ts">
/** Fields for one part of the document, as its class describes them; parts within parts are fields within a frame. */
import { BButton } from 'bootstrap-vue-next'
import { suffixOf, type FieldForm, type FormField } from '@able-gauge/core'
import { vTyped } from '../../ui/vTyped.ts'
import type { DraftRemark } from '../../workers/check.worker.ts'
import { textOf, valueFrom, type NumberForm } from './typedValue.ts'
import type { Plain } from './useDraft.ts'

const props = defineProps<{
  /** The part; edited in place. */
  owner: Plain
  fields: readonly FormField[]
  /** Where the part stands in the document. */
  place: string
  byPlace: ReadonlyMap<string, readonly DraftRemark[]>
  /** How values of the event are typed, for numbers whose name does not say their unit. */
  valueForm?: FieldForm
}>()

/** Numbers that are in the unit of the event's measure. */
const IN_VALUE_UNIT: ReadonlySet<string> = new Set([
  'atLeast',
  'atMost',
  'step',
  'perUnit',
  'resolution',
  'zero',
  'uncertainty',
])

const placeOf = (name: string): string => (props.place === '' ? name : `${props.place}.${name}`)
const remarksOn = (name: string): readonly DraftRemark[] => props.byPlace.get(placeOf(name)) ?? []

const formFor = (field: Extract<FormField, { kind: 'number' }>): NumberForm => {
  if (field.isPoints) return 'points'
  if (field.form) return field.form
  return props.valueForm && IN_VALUE_UNIT.has(field.name) ? props.valueForm : 'whole'
}
const suffixFor = (field: Extract<FormField, { kind: 'number' }>): string => {
  const form = formFor(field)
  return typeof form === 'string' ? (form === 'points' ? 'points' : '') : suffixOf(form)
}
/** A field that is emptied leaves the document. */
const put = (name: string, value: unknown): void => {
  const { owner } = props
  if (value === undefined) Reflect.deleteProperty(owner, name)
  else owner[name] = value
}
const textIn = (event: Event): string => (event.target as HTMLInputElement).value // every handler below sits on a field

const setNumber = (field: Extract<FormField, { kind: 'number' }>, event: Event): void =>
  put(field.name, valueFrom(textIn(event), formFor(field)))
const setText = (name: string, event: Event): void => put(name, textIn(event) || undefined)
const setTexts = (field: FormField, event: Event): void => {
  const texts = textIn(event)
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
  put(field.name, texts.length === 0 && field.optional ? undefined : texts)
}
const setFlag = (field: FormField, event: Event): void => {
  const { checked } = event.target as HTMLInputElement // the handler sits on a box to tick
  put(field.name, checked || !field.optional ? checked : undefined)
}
const setChoice = (field: Extract<FormField, { kind: 'choice' }>, event: Event): void => {
  const text = textIn(event)
  put(
    field.name,
    field.choices.find((choice) => String(choice) === text),
  )
}

const objectIn = (name: string): Plain | null => {
  const value = props.owner[name]
  return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Plain) : null
}
const itemsIn = (name: string): Plain[] => {
  const value = props.owner[name]
  return Array.isArray(value) ? (value as Plain[]) : [] // items that are no objects are told by the check
}
const textsIn = (name: string): string => {
  const value = props.owner[name]
  return Array.isArray(value) ? value.join('\n') : ''
}
const addItem = (name: string): void => put(name, [...itemsIn(name), {}])
const removeItem = (field: FormField, at: number): void => {
  const rest = itemsIn(field.name).filter((_, index) => index !== at)
  put(field.name, rest.length === 0 && field.optional ? undefined : rest)
}

/** Names such as `endOfCalendarYear` in words; what is in words already stays. */
const words = (choice: string | number): string =>
  /^[a-z]+[A-Za-z]*$/.test(String(choice))
    ? String(choice)
        .replace(/([a-z])([A-Z])/g, '$1 $2')
        .toLowerCase()
    : String(choice)
const idFor = (name: string): string => `field-${placeOf(name).replace(/[^a-z0-9]+/gi, '-')}`
</script>

<template>
  <div class="fields">
    <template v-for="field in fields" :key="field.name">
      <fieldset v-if="field.kind === 'object'" class="part" :data-place="placeOf(field.name)">
        <legend>{{ field.label }}</legend>
        <template v-if="objectIn(field.name)">
          <DocumentFields
            :owner="objectIn(field.name)!"
            :fields="field.fields()"
            :place="placeOf(field.name)"
            :by-place="byPlace"
            v-bind="valueForm ? { valueForm } : {}"
          />
          <BButton v-if="field.optional" type="button" variant="quiet" size="sm" @click="put(field.name, undefined)">
            Take it out
          </BButton>
        </template>
        <BButton v-else type="button" variant="quiet" size="sm" @click="put(field.name, {})">Add it</BButton>
        <p v-for="remark in remarksOn(field.name)" :key="remark.what" class="said" :class="remark.severity">
          {{ remark.what }}
        </p>
      </fieldset>
      <fieldset v-else-if="field.kind === 'list'" class="part" :data-place="placeOf(field.name)">
        <legend>{{ field.label }}</legend>
        <div v-for="(item, at) in itemsIn(field.name)" :key="at" class="item">
          <DocumentFields
            :owner="item"
            :fields="field.fields()"
            :place="`${placeOf(field.name)}[${at}]`"
            :by-place="byPlace"
            v-bind="valueForm ? { valueForm } : {}"
          />
          <BButton type="button" variant="quiet" size="sm" @click="removeItem(field, at)">Remove</BButton>
        </div>
        <BButton type="button" variant="quiet" size="sm" @click="addItem(field.name)">Add one</BButton>
        <p v-for="remark in remarksOn(field.name)" :key="remark.what" class="said" :class="remark.severity">
          {{ remark.what }}
        </p>
      </fieldset>
      <div
        v-else-if="field.kind !== 'oneOf' && field.kind !== 'numbers'"
        class="field"
        :class="{ wide: field.kind === 'texts' || (field.kind === 'text' && field.long) }"
        :data-place="placeOf(field.name)"
      >
        <template v-if="field.kind === 'flag'">
          <label class="flag"
            ><input type="checkbox" :checked="owner[field.name] === true" @change="setFlag(field, $event)" />
            {{ field.label }}</label
          >
        </template>
        <template v-else>
          <label :for="idFor(field.name)"
            >{{ field.label }}<small v-if="field.optional" class="quiet"> if stated</small></label
          >
          <span v-if="field.kind === 'number'" class="with-suffix">
            <input
              :id="idFor(field.name)"
              v-typed="textOf(owner[field.name], formFor(field))"
              class="form-control figures"
              :class="remarksOn(field.name)[0]?.severity"
              @change="setNumber(field, $event)"
            />
            <small class="quiet">{{ suffixFor(field) }}</small>
          </span>
          <select
            v-else-if="field.kind === 'choice'"
            :id="idFor(field.name)"
            class="form-select"
            :value="String(owner[field.name] ?? '')"
            @change="setChoice(field, $event)"
          >
            <option v-if="field.optional || owner[field.name] === undefined" value="">not stated</option>
            <option v-for="choice in field.choices" :key="choice" :value="String(choice)">{{ words(choice) }}</option>
          </select>
          <textarea
            v-else-if="field.kind === 'texts'"
            :id="idFor(field.name)"
            v-typed="textsIn(field.name)"
            class="form-control"
            rows="3"
            placeholder="one to a line"
            @change="setTexts(field, $event)"
          />
          <textarea
            v-else-if="field.kind === 'text' && field.long"
            :id="idFor(field.name)"
            class="form-control"
            rows="2"
            :value="String(owner[field.name] ?? '')"
            @input="setText(field.name, $event)"
          />
          <input
            v-else
            :id="idFor(field.name)"
            class="form-control"
            :class="remarksOn(field.name)[0]?.severity"
            :placeholder="field.kind === 'date' ? 'YYYY-MM-DD' : ''"
            :value="String(owner[field.name] ?? '')"
            @input="setText(field.name, $event)"
          />
        </template>
        <p v-for="remark in remarksOn(field.name)" :key="remark.what" class="said" :class="remark.severity">
          {{ remark.what }} {{ remark.mend }}
        </p>
      </div>
    </template>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 12px 18px;
  align-items: start;
}
.wide,
.part {
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
  border-bottom: 1px solid var(--line);
  padding-bottom: 10px;
  margin-bottom: 10px;
}
.item > .btn,
.part > .btn {
  margin-top: 8px;
}
label {
  font-weight: 650;
  font-size: 0.9375rem;
}
label small {
  font-weight: 400;
}
.flag {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
  padding-top: 16px;
}
.flag input {
  width: 20px;
  height: 20px;
}
.with-suffix {
  display: flex;
  gap: 6px;
  align-items: center;
}
.with-suffix small {
  white-space: nowrap;
}
.said {
  margin: 3px 0 0;
  font-size: 0.875rem;
  color: var(--short);
}
.said.warning {
  color: var(--decide);
}
.form-control.error {
  border-color: var(--short);
  border-width: 2px;
}
.form-control.warning {
  border-color: var(--decide-edge);
  border-width: 2px;
}
</style>
