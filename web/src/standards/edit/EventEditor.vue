<script setup lang="ts">
/** One event of a draft: what it is called, how it is conducted, how it is rounded and scored. */
import {
  isRead,
  EVENT_KINDS,
  eventTemplate,
  factsOf,
  formFieldsOf,
  KIND_NAMES,
  parseProtocol,
  PROTOCOLS,
  StandardEvent,
  withoutFigures,
  type EventKind,
  type Protocol,
} from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { DraftRemark } from '../../workers/check.worker.ts'
import DocumentFields from './DocumentFields.vue'
import ScoringEditor from './ScoringEditor.vue'
import { listIn, valueForm } from './scoringGrid.ts'
import type { Plain } from './useDraft.ts'

const props = defineProps<{
  /** Edited in place. */
  event: Plain
  place: string
  byPlace: ReadonlyMap<string, readonly DraftRemark[]>
  hasRoles: boolean
  /** By which a pasted table may name them. */
  categories: readonly { readonly id: string; readonly name: string }[]
}>()

/** What every protocol can carry, kept below what makes the kind. */
const CARRIED: ReadonlySet<string> = new Set(['clearBefore', 'setUp', 'announcements', 'readOut', 'notes'])

const protocol = computed(() => Object(props.event['protocol']) as Plain)
const kind = computed(() => String(protocol.value['kind'] ?? '') as EventKind)
const known = computed(() => kind.value in PROTOCOLS)
const own = computed(() =>
  known.value ? formFieldsOf(PROTOCOLS[kind.value]).filter(({ name }) => !CARRIED.has(name)) : [],
)
const carried = computed(() =>
  known.value ? formFieldsOf(PROTOCOLS[kind.value]).filter(({ name }) => CARRIED.has(name)) : [],
)

const fields = formFieldsOf(StandardEvent)
const only = (...names: readonly string[]) => fields.filter(({ name }) => names.includes(name))
const NAMES = only('name', 'id', 'publishedIn')
const AROUND = only('minimumCentipoints', 'uncertainty', 'restAfterMs', 'cautions', 'kit')
const ALTERNATES = only('alternates')
const ROUNDING = only('rounding')

/** As much of the protocol as can be read: while it is being typed, that of its kind stands in. */
const readProtocol = computed<Protocol>(() => parseProtocol(protocol.value))
const form = computed(() => valueForm(readProtocol.value))
/** What is counted cannot be off. */
const around = computed(() => AROUND.filter(({ name }) => name !== 'uncertainty' || isRead(form.value.unit)))
const step = computed(() => {
  const { step: typed } = Object(props.event['rounding']) as { step?: unknown }
  return typeof typed === 'number' && Number.isSafeInteger(typed) && typed > 0 ? typed : 1
})

const chooseKind = (change: Event): void => {
  const { value } = change.target as HTMLSelectElement // the handler sits on the list of kinds
  const { protocol: next, rounding, scoring } = withoutFigures(eventTemplate(value as EventKind, 'new')) as Plain // the list holds kinds only
  // eslint-disable-next-line vue/no-mutating-props -- the document is edited in place by all its forms
  Object.assign(props.event, { protocol: next, rounding, scoring })
}

const variants = computed(() => listIn(props.event, 'variants'))
const addVariant = (): void => {
  const scoring: unknown = JSON.parse(JSON.stringify(props.event['scoring']))
  const variant = { id: `variant-${variants.value.length + 1}`, name: 'Variant', scoring }
  // eslint-disable-next-line vue/no-mutating-props -- the document is edited in place by all its forms
  props.event['variants'] = [...variants.value, variant]
}
const removeVariant = (at: number): void => {
  const rest = variants.value.filter((_, index) => index !== at)
  const { event } = props
  if (rest.length === 0) delete event['variants']
  else event['variants'] = rest
}
const VARIANT_FIELDS = formFieldsOf(StandardEvent)
  .flatMap((field) => (field.name === 'variants' && field.kind === 'list' ? field.fields() : []))
  .filter(({ name }) => name === 'id' || name === 'name')
const unitWords = computed(() => factsOf(readProtocol.value).unit)
</script>

<template>
  <div class="event">
    <DocumentFields :owner="event" :fields="NAMES" :place="place" :by-place="byPlace" />
    <section>
      <label class="kind"
        ><span>Kind</span>
        <select class="form-select" :value="kind" @change="chooseKind">
          <option v-for="one in EVENT_KINDS" :key="one" :value="one">{{ KIND_NAMES[one] }}</option>
        </select></label
      >
      <DocumentFields
        :owner="protocol"
        :fields="own"
        :place="`${place}.protocol`"
        :by-place="byPlace"
        :value-form="form"
      />
      <details>
        <summary>Before the event, announcements, what is read, notes</summary>
        <DocumentFields :owner="protocol" :fields="carried" :place="`${place}.protocol`" :by-place="byPlace" />
      </details>
    </section>
    <section>
      <h3>Rounding and scoring</h3>
      <DocumentFields :owner="event" :fields="ROUNDING" :place="place" :by-place="byPlace" :value-form="form" />
      <ScoringEditor
        class="mt-3"
        :owner="event"
        :protocol="readProtocol"
        :step="step"
        :place="`${place}.scoring`"
        :by-place="byPlace"
        :has-roles="hasRoles"
        :categories="categories"
        :file-name="String(event['id'] ?? unitWords)"
      />
      <fieldset v-for="(variant, at) in variants" :key="at" class="variant">
        <legend>Variant</legend>
        <DocumentFields
          :owner="variant"
          :fields="VARIANT_FIELDS"
          :place="`${place}.variants[${at}]`"
          :by-place="byPlace"
        />
        <ScoringEditor
          class="mt-2"
          :owner="variant"
          :protocol="readProtocol"
          :step="step"
          :place="`${place}.variants[${at}].scoring`"
          :by-place="byPlace"
          :has-roles="hasRoles"
          :categories="categories"
          :file-name="String(variant['id'] ?? 'variant')"
        />
        <BButton type="button" variant="quiet" size="sm" @click="removeVariant(at)">Remove the variant</BButton>
      </fieldset>
      <BButton type="button" class="mt-3" variant="quiet" size="sm" @click="addVariant">Add a variant</BButton>
    </section>
    <section>
      <DocumentFields :owner="event" :fields="around" :place="place" :by-place="byPlace" :value-form="form" />
      <DocumentFields class="mt-3" :owner="event" :fields="ALTERNATES" :place="place" :by-place="byPlace" />
    </section>
  </div>
</template>

<style scoped>
.event > section {
  border-top: 1px solid var(--line);
  padding-top: 14px;
  margin-top: 16px;
}
.kind {
  display: block;
  max-width: 320px;
  margin-bottom: 12px;
}
.kind span {
  font-weight: 650;
}
h3 {
  font-size: 1.0625rem;
}
details {
  margin-top: 12px;
}
summary {
  min-height: 32px;
  color: var(--ink-2);
}
.variant {
  border: 1px solid var(--line);
  border-radius: 8px;
  padding: 10px 14px;
  margin-top: 14px;
}
legend {
  font-size: 0.9375rem;
  font-weight: 650;
  float: none;
  width: auto;
  padding: 0 6px;
  margin: 0 0 0 -6px;
}
</style>
