<script setup lang="ts">
/** Where the draft stands: saved or not, a step back and forth, published or thrown away. */
import { printDate, rules } from '@able-gauge/core'
import { BButton, BModal } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'

const props = defineProps<{
  saved: 'saved' | 'waiting' | 'saving' | 'failed'
  problem: string
  version: number
  /** As it is typed. */
  inForceFrom: string
  mayPublish: boolean
  warnings: number
  canUndo: boolean
  canRedo: boolean
}>()
const emit = defineEmits<{ undo: []; redo: []; publish: []; remove: [] }>()

const SAVED = { saved: 'All saved.', waiting: 'Saving soon …', saving: 'Saving …', failed: 'Not saved.' } as const
const publishing = ref(false)
const removing = ref(false)
const from = computed(() =>
  rules.isCalendarDate(props.inForceFrom) ? printDate(props.inForceFrom) : 'a date that is missing',
)
const publish = (): void => {
  publishing.value = false
  emit('publish')
}
</script>

<template>
  <section class="sheet state">
    <p class="saved" role="status">{{ SAVED[saved] }}</p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="steps">
      <BButton variant="quiet" :disabled="!canUndo" @click="emit('undo')">Undo</BButton>
      <BButton variant="quiet" :disabled="!canRedo" @click="emit('redo')">Redo</BButton>
    </div>
    <BButton variant="primary" :disabled="!mayPublish" @click="publishing = true">Publish</BButton>
    <BButton variant="quiet" @click="removing = true">Throw the draft away</BButton>
  </section>

  <BModal
    v-model="publishing"
    :title="`Publish version ${version}`"
    ok-title="Publish it"
    cancel-title="Back"
    cancel-variant="quiet"
    @ok.prevent="publish"
  >
    <p>
      It will be in force from {{ from }}. A published version never changes: whatever comes to light later goes into
      the next version.
    </p>
    <p v-if="warnings > 0">
      The check still has {{ warnings }} {{ warnings === 1 ? 'warning' : 'warnings' }}. They do not stop publishing.
    </p>
  </BModal>
  <BModal
    v-model="removing"
    title="Throw the draft away"
    ok-title="Throw it away"
    cancel-title="Back"
    cancel-variant="quiet"
    @ok.prevent="emit('remove')"
  >
    <p>The draft of version {{ version }} is removed for good. Published versions stay.</p>
  </BModal>
</template>

<style scoped>
.state {
  padding: 14px 16px;
  display: grid;
  gap: 8px;
}
.saved {
  margin: 0;
  color: var(--ink-2);
}
.steps {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
</style>
