<script setup lang="ts">
/** Large keys for figures, on devices without a keyboard: for thumbs in gloves, instead of the small one of the system. */
const props = defineProps<{
  disabled: boolean
}>()
/** What is typed in the field the keys write to. */
const text = defineModel<string>({ required: true })
const emit = defineEmits<{ enter: [] }>()

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', ':'] as const
const type = (key: string): void => {
  if (!props.disabled) text.value += key
}
const back = (): void => {
  text.value = text.value.slice(0, -1)
}
</script>

<template>
  <!-- a press must not take the focus from the field it writes to -->
  <div class="number-pad" role="group" aria-label="Figures" @pointerdown.prevent>
    <button v-for="key in KEYS" :key="key" type="button" :disabled="disabled" @click="type(key)">{{ key }}</button>
    <button type="button" class="wide" :disabled="disabled || text === ''" aria-label="Delete the last" @click="back">
      Delete
    </button>
    <button type="button" class="wide enter" :disabled="disabled || text === ''" @click="emit('enter')">Enter</button>
  </div>
</template>

<style scoped>
.number-pad {
  display: none;
}
@media (hover: none) and (pointer: coarse) {
  .number-pad {
    display: grid;
    grid-template-columns: repeat(6, 1fr);
    gap: 6px;
  }
}
@media (max-width: 640px) {
  .number-pad button {
    min-height: 48px;
  }
}
button {
  grid-column: span 2;
  min-height: 56px;
  border: 1px solid var(--line-2);
  border-radius: 8px;
  background: var(--sheet);
  color: var(--ink);
  font-family: var(--mono);
  font-size: 1.5rem;
  font-weight: 700;
  touch-action: manipulation;
}
.wide {
  grid-column: span 3;
  font-size: 1.125rem;
}
.enter {
  background: var(--pad);
  color: var(--pad-ink);
}
.enter:disabled {
  background: var(--ink-2);
}
</style>
