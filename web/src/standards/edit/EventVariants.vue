<script setup lang="ts">
/** Other forms of an event, each with a scoring of its own. */
import { formFieldsOf, StandardEvent, type Protocol, type PublishedUnit } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { DraftRemark } from '../../workers/check.worker.ts'
import DocumentFields from './DocumentFields.vue'
import ScoringEditor from './ScoringEditor.vue'
import { listIn } from './scoringGrid.ts'
import type { Plain } from './plain.ts'

const props = defineProps<{
  /** Edited in place. */
  event: Plain
  protocol: Protocol
  publishedIn?: PublishedUnit
  /** Step of the event's rounding. */
  step: number
  place: string
  byPlace: ReadonlyMap<string, readonly DraftRemark[]>
}>()

const VARIANT_FIELDS = formFieldsOf(StandardEvent)
  .flatMap((field) => (field.name === 'variants' && field.kind === 'list' ? field.fields() : []))
  .filter(({ kind }) => kind !== 'oneOf')

const variants = computed(() => listIn(props.event, 'variants'))
const add = (): void => {
  const scoring: unknown = JSON.parse(JSON.stringify(props.event['scoring']))
  const variant = { id: `variant-${variants.value.length + 1}`, scoring }
  // eslint-disable-next-line vue/no-mutating-props -- the document is edited in place by all its forms
  props.event['variants'] = [...variants.value, variant]
}
const remove = (at: number): void => {
  const rest = variants.value.filter((_, index) => index !== at)
  const { event } = props
  if (rest.length === 0) delete event['variants']
  else event['variants'] = rest
}
</script>

<template>
  <fieldset v-for="(variant, at) in variants" :key="at" class="variant">
    <legend>Variant</legend>
    <DocumentFields
      :owner="variant"
      :fields="VARIANT_FIELDS"
      :place="`${place}.variants[${at}]`"
      :by-place="byPlace"
      :siblings="variants"
    />
    <ScoringEditor
      class="mt-2"
      :owner="variant"
      :protocol="protocol"
      :step="step"
      :place="`${place}.variants[${at}].scoring`"
      :by-place="byPlace"
      :file-name="String(variant['id'] ?? 'variant')"
      v-bind="publishedIn ? { publishedIn } : {}"
    />
    <BButton type="button" variant="quiet" size="sm" @click="remove(at)">Remove the variant</BButton>
  </fieldset>
  <BButton type="button" class="mt-3" variant="quiet" size="sm" @click="add">Add a variant</BButton>
</template>

<style scoped>
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
