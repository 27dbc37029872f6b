<script setup lang="ts">
/** One reading on the board: its field, its unit, what is wrong with it, and whether the result comes from it. */
import { suffixOf, type Slot } from '@able-gauge/core'
import { useMediaQuery } from '@vueuse/core'
import { BFormInput } from 'bootstrap-vue-next'

defineProps<{
  slotOf: Slot
  problem: string
  counts: boolean
  disabled: boolean
}>()
/** Where the large keys are shown, those of the system stay away. */
const hasPad = useMediaQuery('(hover: none) and (pointer: coarse)')
const text = defineModel<string>({ required: true })
const emit = defineEmits<{ focus: []; record: []; enter: [] }>()
</script>

<template>
  <div class="cell" :class="{ counts }">
    <label :for="`slot-${slotOf.id}`">
      {{ slotOf.label }}<small v-if="slotOf.optional"> if taken</small>
      <strong v-if="counts">counts</strong>
    </label>
    <div class="field">
      <BFormInput
        :id="`slot-${slotOf.id}`"
        :model-value="text"
        class="figures"
        :class="{ wrong: problem }"
        :disabled="disabled"
        :aria-invalid="problem ? true : undefined"
        :aria-describedby="`slot-${slotOf.id}-said`"
        autocomplete="off"
        :inputmode="hasPad ? 'none' : 'decimal'"
        @update:model-value="(typed) => (text = String(typed ?? ''))"
        @focus="emit('focus')"
        @change="emit('record')"
        @keydown.enter.prevent="emit('enter')"
      />
      <span class="suffix">{{ suffixOf(slotOf) }}</span>
    </div>
    <p :id="`slot-${slotOf.id}-said`" class="said" role="status">{{ problem }}</p>
  </div>
</template>

<style scoped>
.cell {
  padding: 8px 12px 4px;
  border: 2px solid var(--line);
  border-radius: 8px;
  background: var(--sheet-2);
}
.cell:focus-within {
  border-color: var(--ink);
  background: var(--sheet);
}
.counts {
  border-color: var(--met);
}
label {
  display: flex;
  align-items: baseline;
  gap: 6px;
  font-weight: 650;
}
label small {
  font-weight: 400;
  color: var(--ink-2);
}
label strong {
  margin-left: auto;
  padding: 0 8px;
  border-radius: 4px;
  background: var(--met);
  color: var(--met-ink);
  font-size: 0.8125rem;
}
label strong::before {
  content: '◆ ';
}
.field {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-top: 4px;
}
.field input {
  min-height: 60px;
  font-size: 2rem;
  font-weight: 700;
}
.wrong {
  border-color: var(--short);
  border-width: 2px;
}
.suffix {
  color: var(--ink-2);
  white-space: nowrap;
}
.said {
  margin: 2px 0 0;
  min-height: 1.2em;
  font-size: 0.875rem;
  color: var(--short);
}
@media (max-width: 900px) {
  .cell {
    padding: 6px 8px 2px;
  }
  .field input {
    min-height: 52px;
    font-size: 1.5rem;
    padding-inline: 8px;
  }
}
@media (max-width: 640px) {
  .cell {
    padding: 4px 6px 0;
  }
  label {
    flex-wrap: wrap;
    gap: 0 6px;
    line-height: 1.2;
  }
  .field {
    gap: 4px;
    margin-top: 2px;
  }
  .field input {
    min-height: 48px;
  }
  .suffix,
  .said {
    font-size: 0.8125rem;
    line-height: 1.1;
  }
}
</style>
