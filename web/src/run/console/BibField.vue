<script setup lang="ts">
/** The bib that is being typed, and whose it is. */
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'

defineProps<{
  /** Who wears the typed bib, in a few words. */
  typedName: string
  /** What Enter does with it. */
  action: string
  disabled: boolean
}>()
const typed = defineModel<string>({ required: true })
const emit = defineEmits<{ enter: [] }>()

const field = ref<HTMLInputElement | null>(null)
const onInput = (event: Event): void => {
  // the listener stands on the input alone
  typed.value = (event.target as HTMLInputElement).value.replace(/\D/g, '')
}
defineExpose({ field })
</script>

<template>
  <form class="bib-box" @submit.prevent="emit('enter')">
    <label for="bib">Bib</label>
    <input
      id="bib"
      ref="field"
      :value="typed"
      class="figures"
      inputmode="numeric"
      autocomplete="off"
      maxlength="5"
      @input="onInput"
    />
    <span class="typed-name">{{ typedName }}</span>
    <BButton type="submit" :variant="typed === '' ? 'quiet' : 'primary'" :disabled="typed === '' || disabled">
      {{ action }}
    </BButton>
  </form>
</template>

<style scoped>
/* of a size of its own, so that typing lays out nothing around it */
.bib-box {
  contain: size layout style;
  display: flex;
  align-items: center;
  gap: 10px;
  width: 300px;
  height: 56px;
  padding: 0 7px 0 12px;
  background: var(--sheet);
  border: 2px solid var(--ink);
  border-radius: 8px;
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
.bib-box .btn {
  flex: none !important;
  min-height: 40px;
  padding-inline: 16px !important;
}
@media (max-width: 900px) {
  .bib-box {
    width: 100%;
  }
}
</style>
