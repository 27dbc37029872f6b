<script setup lang="ts">
/** The bib that is being typed, and whose it is. */
import { BButton } from 'bootstrap-vue-next'
import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import { afterPaint } from '../../ui/afterPaint.ts'
import { useAfterPaint } from '../../ui/useAfterPaint.ts'
import type { TypedBib } from './useTypedBib.ts'

const { bib, label = 'Bib' } = defineProps<{
  /** Asked here and nowhere above, so that a digit draws nothing else. */
  bib: TypedBib
  /** What the bib is typed for, in the field's name. */
  label?: string
  /** Whether it is typed for something that waits for it. */
  asked?: boolean
  /** What Enter does with it. */
  action: string
  disabled: boolean
}>()
const emit = defineEmits<{ enter: [] }>()

const { typed, typedName } = bib
// what the button looks like never comes between a press and its stamp
const isTyped = useAfterPaint(() => typed.value !== '')
const field = ref<HTMLInputElement | null>(null)
/** As the field has it: what is taken off it stays until what the press is about is painted, unless it is typed in the field itself. */
const shown = shallowRef({ digits: '', name: '' })
const show = (): void => void (shown.value = { digits: typed.value, name: typedName.value })
let callOff = (): void => undefined
watch([typed, typedName], () => {
  callOff()
  if (typed.value === '' && document.activeElement !== field.value) callOff = afterPaint(show)
  else show()
})
onScopeDispose(() => callOff())
const onInput = (event: Event): void => {
  // the listener stands on the input alone
  typed.value = (event.target as HTMLInputElement).value.replace(/\D/g, '')
}
defineExpose({ field })
</script>

<template>
  <!-- a place in the row, and in it the field: what is typed then lays out the field alone -->
  <div class="bib-place">
    <form class="bib-box" :class="{ asked }" @submit.prevent="emit('enter')">
      <label for="bib">{{ label }}</label>
      <input
        id="bib"
        ref="field"
        :value="shown.digits"
        class="figures"
        inputmode="numeric"
        autocomplete="off"
        maxlength="5"
        @input="onInput"
      />
      <span class="typed-name">{{ shown.name }}</span>
      <BButton type="submit" :variant="isTyped ? 'primary' : 'quiet'" :disabled="!isTyped || disabled">
        {{ action }}
      </BButton>
    </form>
  </div>
</template>

<style scoped>
.bib-place {
  width: var(--bib-width, 300px);
}
.bib-box {
  contain: size layout style;
  display: flex;
  align-items: center;
  gap: 10px;
  height: 56px;
  padding: 0 7px 0 12px;
  background: var(--sheet);
  border: 2px solid var(--ink);
  border-radius: 8px;
}
.bib-box.asked {
  background: var(--decide-tint);
}
label,
.typed-name {
  white-space: nowrap;
  color: var(--ink-2);
}
input {
  min-width: 0;
  flex: 1;
  border: 0;
  outline: 0;
  box-shadow: none;
  background: transparent;
  color: inherit;
  font-size: 1.6rem;
  font-weight: 700;
}
.bib-box:focus-within {
  box-shadow: 0 0 0 4px var(--vest);
}
/* over what the row asks of its buttons: this one stands in the field */
.bib-place .bib-box .btn {
  flex: none !important;
  min-height: 40px;
  padding-inline: 16px !important;
}
@media (max-width: 900px) {
  .bib-place {
    width: 100%;
  }
}
</style>
