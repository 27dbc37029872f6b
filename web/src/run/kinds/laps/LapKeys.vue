<script setup lang="ts">
/** The row under the tiles: the bib being typed, what the keys do as buttons, and, in its slot, what happened last. */
import { BButton } from 'bootstrap-vue-next'
import { useTemplateRef } from 'vue'
import { useAfterPaint } from '../../../ui/useAfterPaint.ts'
import BibField from '../../console/BibField.vue'
import type { TypedBib } from '../../console/useTypedBib.ts'

const { bib } = defineProps<{
  bib: TypedBib
  /** Whether the typed bib goes to a time without one. */
  assigning: boolean
  started: boolean
  /** Whether somebody is still on the course. */
  onCourse: boolean
}>()
const emit = defineEmits<{ enter: []; next: []; later: []; undo: []; stop: []; putRight: []; help: [] }>()

const isTyped = useAfterPaint(() => bib.typed.value !== '')
const box = useTemplateRef('box')
defineExpose({ field: () => box.value?.field ?? null })
</script>

<template>
  <footer class="lap-keys">
    <BibField
      ref="box"
      class="bib"
      :bib="bib"
      :label="assigning ? 'Bib for the time' : 'Bib'"
      :asked="assigning"
      action="Cross"
      :disabled="!started"
      @enter="emit('enter')"
    />
    <BButton :variant="!isTyped && onCourse ? 'primary' : 'quiet'" :disabled="!onCourse" @click="emit('next')">
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
  contain: layout style;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
.bib {
  --bib-width: 350px;
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
