<script setup lang="ts">
/** The row under the tiles: the bib being typed, what the keys do as buttons, and, in its slot, what happened last. */
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'

defineProps<{
  /** Who wears the typed bib, in a few words. */
  typedName: string
  /** Whether the typed bib goes to a time without one. */
  assigning: boolean
  started: boolean
  /** Whether somebody is still on the course. */
  onCourse: boolean
}>()
const typed = defineModel<string>('typed', { required: true })
const emit = defineEmits<{ enter: []; next: []; later: []; undo: []; stop: []; putRight: []; help: [] }>()

const field = ref<HTMLInputElement | null>(null)
const onInput = (event: Event): void => {
  // the listener stands on the input alone
  typed.value = (event.target as HTMLInputElement).value.replace(/\D/g, '')
}
defineExpose({ field })
</script>

<template>
  <footer class="lap-keys">
    <form class="bib-box" :class="{ assigning }" @submit.prevent="emit('enter')">
      <label for="bib">{{ assigning ? 'Bib for the time' : 'Bib' }}</label>
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
      <BButton type="submit" :variant="typed === '' ? 'quiet' : 'primary'" :disabled="typed === '' || !started">
        Cross
      </BButton>
    </form>
    <BButton :variant="typed === '' && onCourse ? 'primary' : 'quiet'" :disabled="!onCourse" @click="emit('next')">
      Next<span class="wide"> expected</span> <kbd>Space</kbd>
    </BButton>
    <BButton variant="quiet" :disabled="!started" @click="emit('later')">Time now <kbd>N</kbd></BButton>
    <BButton variant="quiet" @click="emit('undo')">Undo <kbd>U</kbd></BButton>
    <BButton variant="quiet" :disabled="!onCourse" @click="emit('stop')">
      <span class="wide">Somebody stops</span><span class="narrow">Stop</span> <kbd>X</kbd>
    </BButton>
    <BButton variant="quiet" @click="emit('putRight')"> Put right <kbd>J</kbd> </BButton>
    <BButton class="help" variant="quiet" aria-label="All keys" @click="emit('help')"><kbd>?</kbd></BButton>
    <slot />
  </footer>
</template>

<style scoped>
.lap-keys {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
.bib-box {
  display: flex;
  align-items: center;
  gap: 10px;
  width: 350px;
  height: 52px;
  padding: 0 7px 0 12px;
  background: var(--sheet);
  border: 2px solid var(--ink);
  border-radius: 8px;
}
.bib-box.assigning {
  background: var(--decide-tint);
}
.bib-box label {
  white-space: nowrap;
  color: var(--ink-2);
}
.bib-box input {
  width: 90px;
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
.typed-name {
  white-space: nowrap;
  color: var(--ink-2);
}
.lap-keys > .btn {
  min-height: 48px;
}
.narrow {
  display: none;
}
@media (max-width: 900px) {
  .lap-keys {
    position: sticky;
    bottom: 0;
    background: var(--ground);
    padding: 8px 0 10px;
  }
  .bib-box {
    width: 100%;
  }
  .lap-keys kbd,
  .help,
  .wide {
    display: none;
  }
  .narrow {
    display: inline;
  }
  .lap-keys > .btn {
    flex: 1;
    padding-inline: 4px;
  }
}
@media (hover: none) and (pointer: coarse) {
  .help {
    display: none;
  }
}
</style>
