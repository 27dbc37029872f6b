<script setup lang="ts">
/** One setting: how it is typed, what the check says of it, and what it makes the referee do. */
import { BFormCheckbox, BFormCheckboxGroup, BFormInput, BFormSelect, BFormTextarea } from 'bootstrap-vue-next'
import { choiceInWords, suffixOf, type FieldForm, type FormField } from '@able-gauge/core'
import { computed, inject, useId } from 'vue'
import DateField from '../../ui/DateField.vue'
import TypedField from '../../ui/TypedField.vue'
import type { DraftRemark } from '../../workers/check.worker.ts'
import { aloneContext, DRAFT_CONTEXT, type Named } from './draftContext.ts'
import { textOf, valueFrom, type NumberForm } from './typedValue.ts'
import type { Plain } from './plain.ts'

const props = defineProps<{
  /** The part it belongs to; edited in place. */
  owner: Plain
  field: FormField
  place: string
  remarks: readonly DraftRemark[]
  /** How values of the event are typed, for numbers whose name does not say their unit. */
  valueForm?: FieldForm
  /** Sentences of the printed standard it makes. */
  said?: readonly string[]
  /** The list the part stands in, for a short name none of them has. */
  siblings?: readonly Plain[]
}>()

/** Numbers that are in the unit of the event's measure. */
const IN_VALUE_UNIT: ReadonlySet<string> = new Set([
  ...['atLeast', 'atMost', 'step', 'perUnit', 'resolution', 'zero', 'uncertainty'],
])

const { names, nameAnew } = inject(DRAFT_CONTEXT, aloneContext, true)
const id = useId()

const value = computed(() => props.owner[props.field.name])
/** A field that is emptied leaves the document. */
const put = (next: unknown): void => {
  const { owner, field } = props
  if (next === undefined) Reflect.deleteProperty(owner, field.name)
  else owner[field.name] = next
}

const form = computed<NumberForm>(() => {
  const { field, valueForm } = props
  if (field.kind !== 'number') return 'whole'
  if (field.isPoints) return 'points'
  return field.form ?? (valueForm && IN_VALUE_UNIT.has(field.name) ? valueForm : 'whole')
})
const SUFFIXES: Readonly<Record<string, string>> = { minutes: 'min', secondsEach: 's', pulseBpm: 'beats/min' }
const suffix = computed(() => {
  if (form.value === 'points') return 'points'
  const { name } = props.field
  if (/MetresPerHour$|^metresPerHour$/.test(name)) return 'm an hour'
  return form.value === 'whole' ? (SUFFIXES[name] ?? '') : suffixOf(form.value)
})

const isName = computed(() => props.field.name === 'name' || props.field.name === 'label')
const setText = (text: string | number | null): void => put(String(text ?? '') || undefined)
/** A name that was left gives what is new its short name. */
const leaveText = (): void => {
  // the standard itself keeps the short name its address has
  if (props.siblings && isName.value && typeof value.value === 'string')
    nameAnew(props.owner, value.value, props.siblings)
}
const setLines = (text: string): void => {
  const texts = text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
  put(texts.length === 0 && props.field.optional ? undefined : texts)
}
const setNumbers = (text: string): void => {
  const typed = text
    .split(/[\s;,]+/)
    .filter(Boolean)
    .map((one) => valueFrom(one, 'whole'))
  put(typed.length === 0 && props.field.optional ? undefined : typed)
}
const linesOf = (separator: string): string => (Array.isArray(value.value) ? value.value.join(separator) : '')
const setFlag = (checked: unknown): void =>
  put(checked === true || !props.field.optional ? checked === true : undefined)

/** What a short name can refer to. */
const referred = computed<readonly Named[]>(() => {
  switch (props.field.name) {
    case 'eventId':
      return names.value.alternate
    case 'eventIds':
      return names.value.event
    case 'role':
      return names.value.role
    default:
      return names.value.category
  }
})
const options = computed(() => {
  const { field } = props
  const none = field.optional || value.value === undefined ? [{ value: '', text: 'not stated' }] : []
  if (field.kind === 'choice')
    return [
      ...none,
      ...field.choices.map((choice) => ({ value: String(choice), text: choiceInWords(field.name, choice) })),
    ]
  const unknown = typeof value.value === 'string' && !referred.value.some((one) => one.id === value.value)
  return [
    ...none,
    ...(unknown ? [{ value: String(value.value), text: String(value.value) }] : []),
    ...referred.value.map((one) => ({ value: one.id, text: one.name })),
  ]
})
const choose = (chosen: unknown): void => {
  const { field } = props
  put(field.kind === 'choice' ? field.choices.find((choice) => String(choice) === chosen) : String(chosen) || undefined)
}
const isWide = computed(
  () => ['texts', 'ids'].includes(props.field.kind) || (props.field.kind === 'text' && props.field.long),
)
const severity = computed(() => props.remarks[0]?.severity)
</script>

<template>
  <div class="field" :class="{ wide: isWide }" :data-place="place">
    <BFormCheckbox
      v-if="field.kind === 'flag'"
      class="flag"
      :model-value="value === true"
      @update:model-value="setFlag"
    >
      {{ field.label }}
    </BFormCheckbox>
    <template v-else>
      <label :for="id">{{ field.label }}</label>
      <span v-if="field.kind === 'number'" class="with-suffix">
        <TypedField
          :id="id"
          :value="textOf(value, form)"
          class="figures"
          :class="severity"
          @typed="(text) => put(valueFrom(text, form))"
        />
        <small class="quiet">{{ suffix }}</small>
      </span>
      <TypedField
        v-else-if="field.kind === 'numbers'"
        :id="id"
        :value="linesOf(', ')"
        class="figures"
        @typed="setNumbers"
      />
      <TypedField
        v-else-if="field.kind === 'texts'"
        :id="id"
        :value="linesOf('\n')"
        :rows="3"
        placeholder="one to a line"
        @typed="setLines"
      />
      <BFormSelect
        v-else-if="field.kind === 'choice' || field.kind === 'id'"
        :id="id"
        :model-value="String(value ?? '')"
        :options="options"
        @update:model-value="choose"
      />
      <BFormCheckboxGroup
        v-else-if="field.kind === 'ids'"
        :id="id"
        :model-value="Array.isArray(value) ? value : []"
        :options="referred.map((one) => ({ value: one.id, text: one.name }))"
        @update:model-value="put"
      />
      <BFormTextarea
        v-else-if="field.kind === 'text' && field.long"
        :id="id"
        rows="2"
        :model-value="String(value ?? '')"
        @update:model-value="setText"
      />
      <DateField
        v-else-if="field.kind === 'date'"
        :id="id"
        :model-value="String(value ?? '')"
        @update:model-value="setText"
      />
      <BFormInput
        v-else
        :id="id"
        :class="severity"
        :model-value="String(value ?? '')"
        @update:model-value="setText"
        @change="leaveText"
      />
    </template>
    <p v-for="remark in remarks" :key="remark.what" class="said" :class="remark.severity">
      {{ remark.what }} {{ remark.remedy ? '' : remark.mend }}
    </p>
    <p v-if="said?.length" class="printed">{{ said.join(' ') }}</p>
  </div>
</template>

<style scoped src="./said.css"></style>
<style scoped>
.wide {
  grid-column: 1 / -1;
}
label {
  font-weight: 650;
  font-size: 0.9375rem;
}
.flag {
  min-height: 44px;
  padding-top: 26px;
  font-weight: 650;
}
.with-suffix {
  display: flex;
  gap: 6px;
  align-items: center;
}
.with-suffix small {
  white-space: nowrap;
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
